<script setup lang="ts">
import { wearLogOf } from '#core/log/wearLog'
import { RIGS } from '#core/records/rig/kinds'
import { stoneCondition } from '#core/records/stone/condition'
import type { StoneOn } from '~/job/state'
import { useJob } from '~/job/useJob'
import { useStoneOrder } from './useStoneOrder'
import { useLog } from '~/stores/log'
import { usePreferences } from '~/stores/preferences'
import { angleText, differenceText } from '~/words/angleText'
import { dialText } from '~/words/dialText'
import { stoneGrainText } from '~/words/grainText'
import { lengthText } from '~/words/lengthText'
import { problemText } from '~/words/problemText'
import { riseText } from '~/words/riseText'
import { otherAngleText } from '~/words/steeperText'

/**
 * The stones to be used one after the other, coarse to fine, and what to change at each swap so that the angle stays.
 */
const job = useJob()
const { actions } = job
const preferences = usePreferences()
const log = useLog()
const { box, chosen, toggle, swaps, onDial } = useStoneOrder()
const uncertainty = computed(() => (job.up.value.ok ? job.up.value.uncertaintyDeg : 0.1))
const text = (mm: number) => lengthText(mm, preferences.unit)
const isOnRod = ({ stone, forMicroBevel }: StoneOn) =>
  stone.id === job.onRod.value.stone.id && forMicroBevel === job.onRod.value.forMicroBevel
const otherAngle = ({ stone, forMicroBevel }: StoneOn) =>
  otherAngleText({ ...job.content.value, onMicroBevel: forMicroBevel }, stone)
const arms = computed(() => RIGS[job.rig.value.kind].twoArms)
</script>

<template>
  <div class="panes lg:grid-cols-[20rem_minmax(0,1fr)]">
    <SheetPane labelledby="which">
      <h2 id="which" class="font-semibold">Which stones, coarse to fine?</h2>
      <p class="text-sm text-muted">No coarser than needed; two stones and a strop can do.</p>
      <ul class="mt-2">
        <li v-for="stone in box" :key="stone.id" class="border-t border-default py-1.5">
          <UCheckbox
            :model-value="chosen.includes(stone.id)"
            size="lg"
            :label="stone.name"
            :description="`${stoneGrainText(stone)}${stoneCondition(stone, wearLogOf(log.ofKind('stone-wear'), stone.id)).due === 'flatten' ? ' · flatten it first' : ''}`"
            @update:model-value="toggle(stone, $event === true)"
          />
        </li>
      </ul>
    </SheetPane>
    <div class="min-w-0 space-y-3">
      <SheetPane labelledby="swaps">
        <div class="flex flex-wrap items-center justify-between gap-3">
          <h2 id="swaps" class="flex items-center gap-2 text-lg">
            <AngleMark angle="wanted" />To get {{ angleText(job.wantedDeg.value) }} on the bevel
          </h2>
          <SideSwitch />
        </div>
        <p v-if="swaps.length === 0" class="mt-3 text-muted">
          Choose the stones for this job at the left: then each swap says by how much to move the pivot.
        </p>
        <div v-else class="mt-3 overflow-x-auto" tabindex="0" role="region" aria-label="What to change at each swap">
          <table class="w-full" data-testid="swaps">
            <thead class="text-left text-sm text-muted">
              <tr class="align-bottom *:pr-4 *:pb-1 *:font-normal">
                <th>Stone</th>
                <th>rod to face</th>
                <th>set</th>
                <th>{{ arms ? 'arm' : 'pivot' }} from the one before</th>
                <th>or a collar of</th>
                <th>or a shim of</th>
                <th class="text-right">if ignored</th>
              </tr>
            </thead>
            <tbody>
              <tr
                v-for="(swap, i) in swaps"
                :key="`${swap.stone.id} ${swap.forMicroBevel}`"
                class="border-t border-default *:py-2 *:pr-4"
                :class="{ 'bg-elevated': isOnRod(swap) }"
              >
                <th class="text-left font-semibold">
                  <button
                    type="button"
                    class="cursor-pointer text-left hover:underline"
                    :aria-pressed="isOnRod(swap)"
                    @click="actions.chooseStone(swap.stone.id, swap.forMicroBevel)"
                  >
                    {{ swap.stone.name }}
                  </button>
                  <span v-if="otherAngle(swap)" class="block text-sm font-normal text-muted">{{
                    otherAngle(swap)
                  }}</span>
                </th>
                <td class="whitespace-nowrap">{{ text(swap.stone.faceOffsetMm) }}</td>
                <td v-if="swap.advice.ok" class="text-lg font-semibold whitespace-nowrap">
                  {{ dialText(job.rig.value, swap.advice.setting)
                  }}<span v-if="Math.abs(swap.advice.offDeg) >= 0.05" class="block text-sm font-normal text-muted"
                    >{{ differenceText(swap.advice.offDeg, uncertainty) }} remains</span
                  >
                </td>
                <td v-else class="max-w-60 text-sm text-error">{{ problemText(swap.advice, preferences.unit) }}</td>
                <td class="whitespace-nowrap">
                  <template v-if="i === 0">as set</template
                  ><template v-else-if="swap.riseFromBeforeMm === null">–</template
                  ><template v-else
                    ><b>{{ riseText(swap.riseFromBeforeMm, preferences.unit) }}</b
                    ><span v-if="onDial(i)" class="block text-sm text-muted">{{ onDial(i) }}</span></template
                  >
                </td>
                <td class="whitespace-nowrap">
                  {{ swap.collarMm === null ? '–' : swap.collarMm < 0.05 ? 'none' : text(swap.collarMm) }}
                </td>
                <td class="whitespace-nowrap">{{ swap.shimMm < 0.05 ? 'none' : text(swap.shimMm) }}</td>
                <td class="text-right whitespace-nowrap">
                  {{ swap.ignoredDeg === null ? '–' : differenceText(swap.ignoredDeg) }}
                </td>
              </tr>
            </tbody>
          </table>
        </div>
        <dl v-if="swaps.length > 1" class="mt-4 space-y-1 text-sm text-muted">
          <div>
            <dt class="mr-1 inline font-semibold">Collar:</dt>
            <dd class="inline">
              {{ arms ? 'a spacer on the arm, under the pivot' : 'a ring on the post, under the pivot' }}: set once for
              the stone that needs none, then only collars are changed.
            </dd>
          </div>
          <div>
            <dt class="mr-1 inline font-semibold">Shim:</dt>
            <dd class="inline">
              a strip under the stone that brings every face as far from the rod as the thickest stone’s: set once for
              that one.
            </dd>
          </div>
          <div>
            <dt class="mr-1 inline font-semibold">If ignored:</dt>
            <dd class="inline">how far the angle is off when the pivot stays where the first stone needs it.</dd>
          </div>
        </dl>
        <p class="mt-3 text-sm text-muted">
          Wipe blade and stone at every swap; change when the last scratches are gone, not when the burr turns.
        </p>
      </SheetPane>
      <StrokesPane />
    </div>
  </div>
</template>

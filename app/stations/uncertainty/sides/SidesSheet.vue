<script setup lang="ts">
import { SIDES } from '#core/records/common/side'
import { useJob } from '~/job/useJob'
import { useSides } from './useSides'
import { usePreferences } from '~/stores/preferences'
import { angleText, differenceText } from '~/words/angleText'
import { dialText } from '~/words/dialText'
import { lengthText } from '~/words/lengthText'
import { problemText } from '~/words/problemText'
import { SIDE_CAUSE_WORD } from '~/words/measureText'

/** How far A and B differ and why, what to dial on each, and how to find the centring error. */
const job = useJob()
const preferences = usePreferences()
const names = computed(() => preferences.current.sideNames)
const { oneBevel, difference, advice, apartMm, dialBoth } = useSides()
const largest = computed(() => Math.max(...difference.value.shares.map((share) => Math.abs(share.deg)), 0.01))
const uncertainty = computed(() => (job.up.value.ok ? job.up.value.uncertaintyDeg : 0.1))
const bar = (deg: number) => ({
  width: `${(50 * Math.abs(deg)) / largest.value}%`,
  left: deg < 0 ? `${50 - (50 * Math.abs(deg)) / largest.value}%` : '50%',
})
</script>

<template>
  <div class="grid gap-3 lg:grid-cols-[minmax(0,1fr)_26rem]">
    <div class="space-y-3">
      <SheetPane labelledby="differ">
        <h2 id="differ" class="flex items-center gap-2 text-lg">
          <AngleMark angle="set" />{{ names.A }} less {{ names.B }}, as set
        </h2>
        <p v-if="oneBevel" class="mt-1">
          This blade has a bevel on side {{ names.A }} only; {{ names.B }} is its flat back.
        </p>
        <template v-else>
          <p v-if="difference.differenceDeg === null" class="mt-1 text-error">
            One side has no angle: {{ job.trouble.value || 'turn to the other side to see why' }}
          </p>
          <p v-else class="figure text-4xl" data-testid="differ">
            {{ differenceText(difference.differenceDeg, 0.05) }}
          </p>
          <ul v-if="difference.shares.length > 0" class="mt-3 space-y-2" aria-label="What makes them differ">
            <li v-for="share in difference.shares" :key="share.cause">
              <span class="flex justify-between"
                ><span>{{ SIDE_CAUSE_WORD[share.cause] }}</span
                ><b>{{ share.deg > 0 ? '+' : '−' }}{{ Math.abs(share.deg).toFixed(2) }}°</b></span
              >
              <span class="relative mt-0.5 block h-2 border-x border-default bg-elevated" aria-hidden="true"
                ><span class="absolute inset-y-0 bg-(--angle-set)" :style="bar(share.deg)" /><span
                  class="absolute inset-y-0 left-1/2 w-px bg-(--ink)"
              /></span>
            </li>
          </ul>
          <p v-else class="mt-2 text-muted">
            Nothing known makes them differ: on centre, no tilt{{ job.rig.value.pivotB ? ', equal arms' : '' }}, dialled
            alike. That is only as true as it was measured.
          </p>
        </template>
      </SheetPane>
      <SheetPane v-if="!oneBevel" labelledby="each">
        <h2 id="each" class="flex items-center gap-2 text-lg">
          <AngleMark angle="wanted" />To get the wanted angle on each, dial
        </h2>
        <dl class="mt-2 grid grid-cols-2 gap-4">
          <div v-for="side in SIDES" :key="side">
            <dt class="text-sm text-muted">{{ names[side] }}, {{ angleText(job.content.value.wanted.deg[side]) }}</dt>
            <dd v-if="advice[side].ok">
              <span class="figure block text-2xl" :data-testid="`dial-${side}`">{{
                dialText(job.rig.value, advice[side].setting)
              }}</span><span class="text-sm text-toned"
                >gives {{ angleText(advice[side].givesDeg, uncertainty) }},
                {{ differenceText(advice[side].offDeg, uncertainty) }} remains</span
              >
            </dd>
            <dd v-else class="text-error">{{ problemText(advice[side], preferences.unit) }}</dd>
          </div>
        </dl>
        <div v-if="apartMm !== null" class="mt-3 flex flex-wrap items-center gap-3">
          <UButton size="lg" label="I have dialled both" @click="dialBoth" />
          <p class="text-sm text-muted">
            {{
              Math.abs(apartMm) < 0.05
                ? 'The pivot stands alike for both.'
                : `For ${names.B} the pivot stands ${lengthText(Math.abs(apartMm), preferences.unit)} ${apartMm > 0 ? 'higher' : 'lower'} than for ${names.A}.`
            }}
          </p>
        </div>
      </SheetPane>
    </div>
    <TableRest v-if="job.rig.value.jaws === null" />
    <CentringRecipe v-else />
  </div>
</template>

<script setup lang="ts">
import { useLocalStorage } from '@vueuse/core'
import { onRamp, riseOverPlate } from '#core/geometry/freehand/freehand'
import { primaryHalfAngleDeg } from '#core/records/blade/primaryHalfAngle'
import { handCards } from './handCards'
import { useByHand } from './useByHand'
import { useJob } from '~/job/useJob'
import { usePaper } from '~/print/usePaper'
import { usePreferences } from '~/stores/preferences'
import { angleText } from '~/words/angleText'
import { lengthText } from '~/words/lengthText'

/** The same angle without the rig: the spine over a flat stone, ramps, and a plate's edge; and a card to carry. */
const job = useJob()
const preferences = usePreferences()
const paper = usePaper()
const { deg, rises, stepMm, stepText, riseText, cards } = useByHand()
const name = computed(() => preferences.current.sideNames[job.side.value])
const text = (mm: number) => lengthText(mm, preferences.unit)

const RAMP = { from: 5, to: 45, begun: 20 } as const
const rampDeg = useLocalStorage('jaw-tilt-ramp-deg', RAMP.begun)
const PLATE = { from: 5, to: 150, begun: 30 } as const
const behindMm = useLocalStorage('jaw-tilt-plate-mm', PLATE.begun)
function within(
  value: number,
  { from, to }: { from: number; to: number },
  shown: (n: number) => string,
  put: () => void,
) {
  if (value < from || value > to) return `From ${shown(from)} to ${shown(to)}.`
  put()
  return null
}
const ramp = computed(() => onRamp(rampDeg.value, primaryHalfAngleDeg(job.blade.value)))

const pages = computed(() => [handCards(cards.value, paper.value)])
</script>

<template>
  <div class="panes lg:grid-cols-2">
    <div class="panes content-start">
      <SheetPane labelledby="hand-spine">
        <div class="flex flex-wrap items-center justify-between gap-3">
          <h2 id="hand-spine" class="text-lg font-semibold">
            {{ name }} at <span class="figure">{{ angleText(deg) }}</span> on a flat stone
          </h2>
          <SideSwitch />
        </div>
        <table class="mt-2 w-full" data-testid="spine-rises">
          <thead>
            <tr class="text-left text-sm text-muted *:font-normal">
              <th>at the</th>
              <th class="text-right">edge to spine</th>
              <th class="text-right">spine over the stone</th>
              <th class="text-right">{{ stepText }} more</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="one in rises" :key="one.name" class="border-t border-default">
              <th class="py-1 text-left font-semibold">{{ one.name }}</th>
              <td class="text-right">{{ text(one.widthMm) }}</td>
              <td class="figure text-right text-xl">{{ riseText(one) }}</td>
              <td class="text-right">+{{ angleText(one.degPerMm * stepMm) }}</td>
            </tr>
          </tbody>
        </table>
        <p class="mt-1 text-sm text-muted">
          Up to the near face of the spine, with the blade’s centre plane at the angle. Fingers behind the edge.
        </p>
      </SheetPane>
      <SheetPane labelledby="hand-ramp">
        <h2 id="hand-ramp" class="text-lg font-semibold">On a ramp</h2>
        <MeasureField
          class="mt-2 max-w-60"
          label="The ramp’s angle"
          kind="angle"
          focus="ramp"
          :value="rampDeg"
          :step="0.5"
          :apply="(to) => within(to, RAMP, angleText, () => (rampDeg = to))"
        />
        <p class="mt-2">
          Blade laid flat on it: <b class="figure">{{ angleText(ramp.laidDeg) }}</b> per side. Centre plane held along
          it: <b class="figure">{{ angleText(ramp.heldDeg) }}</b>.
        </p>
        <p class="text-sm text-muted">
          For {{ angleText(deg) }} with the blade laid flat the ramp would have
          {{ angleText(deg - (ramp.laidDeg - ramp.heldDeg)) }}.
        </p>
      </SheetPane>
      <SheetPane labelledby="hand-plate">
        <h2 id="hand-plate" class="text-lg font-semibold">Thumb against a plate’s edge</h2>
        <MeasureField
          class="mt-2 max-w-60"
          label="Behind the apex"
          kind="length"
          focus="plate"
          :value="behindMm"
          :step="1"
          :apply="(to) => within(to, PLATE, text, () => (behindMm = to))"
        />
        <p class="mt-2">
          The blade stands <b class="figure">{{ text(riseOverPlate(deg, behindMm)) }}</b> over it there.
        </p>
      </SheetPane>
    </div>
    <div class="panes content-start">
      <PaperPages :pages="pages" label="Cards for the pocket" />
      <SheetPane labelledby="hand-cards" class="card-controls">
        <h2 id="hand-cards" class="text-lg font-semibold">Cards for the pocket</h2>
        <p class="text-sm text-muted">
          The size of a bank card: the wanted angle first, then each degree about it. Print at 100 %.
        </p>
        <PaperChoice class="mt-2" :pages="pages" :name="`${job.blade.value.name}, by hand`" />
      </SheetPane>
    </div>
  </div>
</template>

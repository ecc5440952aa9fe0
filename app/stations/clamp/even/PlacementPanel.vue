<script setup lang="ts">
import { apartFromHold } from './apartFromHold'
import { useWords } from '~/words/useWords'
import type { PlacementAim } from '#core/placement/findPlacement'
import { otherSide } from '#core/records/common/side'
import { zoneAt } from '#core/records/blade/zones'
import { fixedHeightsMm } from '#core/records/rig/dial'
import { useJob } from '~/job/useJob'
import { useEven } from './useEven'
import { usePreferences } from '~/stores/preferences'
import { useTask } from '~/workers/useTask'
import { angleText } from '~/words/angleText'
import { dialText } from '~/words/dialText'
import { areaText, lengthText } from '~/words/lengthText'
import { BOUND_TEXT, middleMark, moveText, NO_HOLD_TEXT } from '~/words/placementText'
import { placeText } from '~/words/placeText'
import { theZone, zoneName } from '~/words/zoneText'

/** Where to hold the blade for the evenest angle within what the rig can do. */
const job = useJob()
const { actions } = job
const preferences = usePreferences()
const names = computed(() => preferences.current.sideNames)
const words = useWords()
const { zones, counts, count, countedEdgePoints, countedWorstDeg } = useEven()
const aim = ref<PlacementAim>('even')
const thereDeg = computed(() => {
  const bevel = job.blade.value.bevelDeg
  return bevel && bevel[job.side.value]
})
const aims = computed(() => [
  { value: 'even', label: 'the evenest angle' },
  { value: 'least-steel', label: 'the least steel off the bevel that is there', disabled: thereDeg.value === null },
])
/** On a rig with marks a blade with a landmark is laid on one of them, unless its user wants otherwise. */
const hasMarks = computed(() => !!job.blade.value.landmark && job.rig.value.positionMarks.length > 0)
const place = ref<'on a mark' | 'anywhere'>('on a mark')
const onMarks = computed(() => hasMarks.value && place.value === 'on a mark')
const places = computed(() => [
  { value: 'on a mark', label: `with the ${job.blade.value.landmark?.what} on a mark of the jaws` },
  { value: 'anywhere', label: 'anywhere' },
])
/** The worse of two bevelled sides counts, or, where that is wanted, only the side that is up, as for the least steel. */
const forSides = ref<'both' | 'one'>('both')
const hasSides = computed(() => job.blade.value.bevels === 'both' && aim.value === 'even')
const sideChoices = computed(() => [
  { value: 'both', label: 'both sides: the worse one counts' },
  { value: 'one', label: `${names.value[job.side.value]} only` },
])
const other = computed(() => {
  if (!hasSides.value || forSides.value === 'one') return null
  const { wanted, dialled } = job.content.value
  const side = otherSide(job.side.value)
  return { side, wantedDeg: wanted.deg[side], oneDial: dialled.linked && wanted.deg.A === wanted.deg.B }
})
const sides = computed(() => [job.side.value, ...(other.value ? [other.value.side] : [])])
const { running, done, result, failure, run, stop } = useTask('findPlacement', () => [
  apartFromHold(job.setup.value),
  job.side.value,
  job.wantedDeg.value,
  aim.value,
  other.value,
  onMarks.value,
  countedEdgePoints.value.length,
])
const find = () =>
  run({
    setup: job.setup.value,
    side: job.side.value,
    wantedDeg: job.wantedDeg.value,
    edgePoints: countedEdgePoints.value,
    aim: aim.value,
    other: other.value,
    onMarks: onMarks.value,
    thereDeg: thereDeg.value,
  })
const best = computed(() => result.value?.best ?? null)
const setting = computed(() => result.value?.atMark?.setting ?? null)
const costText = (cost: number) =>
  aim.value === 'even'
    ? `${cost.toFixed(1)}° off at the worst place`
    : `${areaText(cost, preferences.unit)} off this side`
const isHeld = computed(() => {
  const [then, now] = [best.value?.hold, job.content.value.hold]
  return (
    !!then &&
    Math.abs(then.bladeXMm - now.bladeXMm) < 0.05 &&
    Math.abs(then.turnDeg - now.turnDeg) < 0.05 &&
    Math.abs(then.bladeYMm - now.bladeYMm) < 0.05
  )
})
const summary = computed(() => {
  const [found, rig, blade, hold] = [result.value, job.rig.value, job.blade.value, job.content.value.hold]
  if (!found?.best || !found.worst) return ''
  const move = moveText(rig, blade, hold, found.best.hold, preferences.unit)
  if (aim.value === 'least-steel')
    return `${move}: ${areaText(found.best.cost, preferences.unit)} of steel goes on this side.`
  const before = countedWorstDeg(sides.value)
  const { worstDeg, worstAtMm, side } = found.worst
  const where = zones.value.length > 0 ? zoneName(zones.value, zoneAt(zones.value, worstAtMm)) : 'edge'
  const onSide = found.otherAtMark ? `on ${names.value[side]} ` : ''
  return `${move}: ${onSide}${theZone(where)} runs ${Math.abs(worstDeg).toFixed(1)}° ${worstDeg > 0 ? 'high' : 'low'}${before === null ? '' : `; now the worst place is ${before.toFixed(1)}° off`}.`
})
const why = computed(() => {
  const bounds = result.value?.bounds ?? []
  if (bounds.length === 0 && fixedHeightsMm(job.rig.value))
    return `No better is possible with the slots${onMarks.value ? ' and marks' : ''} there are.`
  return bounds.length === 0
    ? 'No better is possible: the steepest and the flattest place are equally far off, and any other hold makes one of them worse.'
    : `No better is possible: ${bounds.map((bound) => BOUND_TEXT[bound]).join('; ')}.`
})
/**
 * Which mark of the jaws stands where on the blade then; nothing on a rig without marks, or where the landmark lies on
 * one.
 */
const markHint = computed(() => {
  const mark = middleMark(job.rig.value)
  if (!mark || !best.value || onMarks.value) return ''
  return `Mark ${mark.name} of the jaws stands ${lengthText(actions.heelToMiddle(best.value.hold) + mark.alongMm, preferences.unit)} from the heel. `
})
const failureToHold = ref('')
function holdIt() {
  const atMark = result.value?.atMark
  if (!best.value || !setting.value || !atMark) return
  failureToHold.value = actions.holdAndDial(best.value.hold, setting.value, atMark.evenAtMm) ?? ''
}
</script>

<template>
  <SheetPane labelledby="where" class="space-y-3">
    <h2 id="where" class="text-lg font-semibold">Where to hold it</h2>
    <URadioGroup v-model="aim" :items="aims" legend="For" size="lg" />
    <URadioGroup v-if="hasSides" v-model="forSides" :items="sideChoices" legend="Sides" size="lg" />
    <URadioGroup v-if="hasMarks" v-model="place" :items="places" legend="Place along the jaws" size="lg" />
    <fieldset>
      <legend class="text-sm font-medium">Zones that count</legend>
      <div class="mt-1 flex flex-wrap gap-x-4 gap-y-1">
        <UCheckbox
          v-for="(_, i) in zones"
          :key="i"
          :model-value="counts(i)"
          :label="zoneName(zones, i)"
          @update:model-value="count(i, $event === true)"
        />
      </div>
    </fieldset>
    <TaskButton
      :label="result ? 'Find it again' : 'Find the best hold'"
      :running="running"
      :done="done"
      :most="1"
      progress="Ways of holding tried"
      focus="best-hold"
      @start="find"
      @stop="stop"
    />
    <p v-if="failure" role="alert" class="text-error">{{ words.problem(failure) }}</p>
    <div v-if="result" aria-live="polite" class="space-y-2 border-t border-default pt-3">
      <template v-if="best && setting && job.rig.value">
        <p class="text-lg" data-testid="placement">{{ summary }}</p>
        <p class="text-sm text-toned">
          {{ markHint }}Then dial {{ dialText(job.rig.value, setting) }}, for the edge
          {{ placeText(result.atMark!.evenAtMm, job.rig.value.kind, preferences.unit)
          }}{{
            aim === 'even' && result.worst && Math.abs(result.worst.worstDeg) - best.cost > 0.05
              ? `; between its marks ${angleText(best.cost, 0.05)} at the worst place would be possible`
              : ''
          }}.
        </p>
        <UButton
          size="lg"
          :variant="isHeld ? 'outline' : 'solid'"
          :icon="isHeld ? 'i-lucide-check' : undefined"
          :label="isHeld ? 'Held like this' : 'Hold it like this'"
          :aria-disabled="isHeld"
          @click="holdIt"
        />
        <p v-if="failureToHold" role="alert" class="text-error">{{ failureToHold }}</p>
        <p class="text-sm text-muted">{{ why }}</p>
      </template>
      <p v-else class="text-error">
        No hold {{ onMarks ? 'on a mark' : 'in this rig' }} lets the stone reach all of what counts.
        {{ result.whyNone.map((why) => NO_HOLD_TEXT[why]).join(' ')
        }}{{ onMarks ? ' Off the marks there may be one.' : '' }}
      </p>
      <PlacementMapView :map="result.map" :best="best" :now="job.content.value.hold" :cost-text="costText" />
      <p class="text-sm text-muted">
        Pale is even, dark is uneven; turn up, place across. Cross: best. Dotted ring: now. Crossed out: cannot be held.
      </p>
    </div>
  </SheetPane>
</template>

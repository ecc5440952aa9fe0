<script setup lang="ts">
import { zoneMiddleMm } from '#core/records/blade/zones'
import { perSide, SIDES, type Side } from '#core/records/common/side'
import { GAUGE_AXES, GAUGE_ZEROS, type GaugeAxes, type GaugeZero } from '#core/records/job/gaugeZero'
import { READ_TO_DEG } from '#core/observe/gauge/likelyCauses'
import { useJob } from '~/job/useJob'
import { useCauses } from '~/composables/useCauses'
import { useGauge } from '~/composables/useGauge'
import { useReadings } from '~/composables/useReadings'
import { usePreferences } from '~/stores/preferences'
import { angleText, differenceText } from '~/words/angleText'
import { lengthText } from '~/words/lengthText'
import { useWords } from '~/words/useWords'
import { GAUGE_AXES_HOW, GAUGE_AXES_WORD, GAUGE_ZERO_HOW, zeroWord } from '~/words/measureText'
import { parseDecimal } from '#core/math/units/length'

/** The level gauge: where to put it, how to zero it, what it must read, what it did read and why it may differ. */
const job = useJob()
const { actions } = job
const preferences = usePreferences()
const words = useWords()
const readings = useReadings()
const { use, expected, square, nearestSquare, read } = useGauge()
const { causes } = useCauses()
const names = computed(() => preferences.current.sideNames)
const set = computed(() => (job.up.value.ok ? job.up.value : null))
const text = (mm: number) => lengthText(mm, preferences.unit)
const table = computed(() => job.rig.value.jaws === null)
const zero = computed(() => use.value.zero)
const zeros = computed(() => GAUGE_ZEROS.map((value) => ({ value, label: `On ${zeroWord(value, table.value)}` })))
const chosenZero = computed({
  get: () => zero.value,
  set: (to: GaugeZero) => void job.change(`gauge zeroed on ${zeroWord(to, table.value)}`, { gaugeZero: to }),
})

const axes = computed(() =>
  GAUGE_AXES.map((value) => ({ value, label: GAUGE_AXES_WORD[value], description: GAUGE_AXES_HOW[value] })),
)
const chosenAxes = computed({
  get: () => use.value.axes,
  set: (to: GaugeAxes) => void job.change(`gauge with ${GAUGE_AXES_WORD[to].toLowerCase()}`, { gaugeAxes: to }),
})

const whereText = computed(() => {
  if (square.value.length === 0)
    return nearestSquare.value === null
      ? ''
      : `The rod is nowhere square to this edge; it comes nearest ${text(nearestSquare.value)} from the heel.`
  const stretches = square.value.map(({ fromMm, toMm }) =>
    toMm - fromMm < 1 ? `at ${text(fromMm)}` : `from ${text(fromMm)} to ${text(toMm)}`,
  )
  return `The rod is square to the edge ${stretches.join(' and ')} from the heel: there the gauge reads ${zero.value === 'centre-plane' ? 'the edge angle itself' : `the edge angle against ${zeroWord(zero.value, table.value)}`}.`
})
const goSquare = () => {
  const first = square.value[0]
  if (first) actions.lookAt(zoneMiddleMm(first))
}
const here = computed(() => job.evaluation.value.edgePoint.fromHeelMm)
const isSquare = computed(() =>
  square.value.some(({ fromMm, toMm }) => here.value > fromMm - 0.5 && here.value < toMm + 0.5),
)

const texts = reactive({ A: '', B: '' })
const problems = reactive({ A: '', B: '' })
const shown = computed(() => perSide((side) => readings.shownDeg('reading', side)))
watch(shown, (now) => SIDES.forEach((side) => ((texts[side] = String(now[side] ?? '')), (problems[side] = ''))), {
  immediate: true,
})
function keep(side: Side) {
  problems[side] = ''
  const parsed = parseDecimal(texts[side].replace('°', ''))
  if (!parsed.ok && parsed.code === 'not-a-number')
    return void (problems[side] = words.problem({ code: 'angle-missing' }))
  const refused = readings.putInstead('reading', { [side]: parsed.ok ? parsed.value : null })
  problems[side] = refused ? words.problem(refused, refused.field) : ''
}
const differs = (side: Side) => read.value[side]?.differsDeg ?? null
/** Of a rig that is set otherwise since, or of another place than the one looked at. */
function differsText(side: Side): string {
  const one = read.value[side]
  if (!one || one.differsDeg === null) return ''
  const there = Math.abs(one.placeMm - here.value) > 1 ? ` at ${text(one.placeMm)}` : ''
  return `${differenceText(one.differsDeg)} against the ${angleText(one.mustDeg!)} ${one.set ? 'due' : 'due then'}${there}`
}
const known = computed(() => SIDES.some((side) => differs(side) !== null))
</script>

<template>
  <div class="panes lg:grid-cols-[minmax(0,1fr)_26rem]">
    <SheetPane labelledby="must-read" class="flex min-h-0 flex-col">
      <div class="flex flex-wrap items-start justify-between gap-3">
        <div>
          <h2 id="must-read" class="flex items-center gap-2">
            <AngleMark angle="read" />On {{ names[job.side.value] }}, {{ text(here) }} from the heel, with
            {{ job.stone.value.name }}, it must read
          </h2>
          <p class="figure text-4xl" data-testid="must-read">
            {{
              expected[job.side.value] === null ? '–' : angleText(expected[job.side.value]!, set?.uncertaintyDeg ?? 0.1)
            }}
          </p>
        </div>
        <SideSwitch />
      </div>
      <p v-if="!set" class="text-error">{{ job.trouble.value }}</p>
      <GaugeAlong v-else class="mt-2 h-80 2xl:h-[28rem]" />
      <p class="mt-1 flex flex-wrap gap-x-5 text-sm text-muted">
        <span class="flex items-center gap-1"><AngleMark angle="read" class="size-4!" />dashed: the gauge</span
        ><span class="flex items-center gap-1"><AngleMark angle="set" class="size-4!" />the edge angle</span
        ><span>bar under the edge: rod square to it</span>
      </p>
      <p class="mt-2">
        {{ whereText }}
        <button v-if="square.length > 0 && !isSquare" type="button" class="text-link" @click="goSquare">
          Look there
        </button>
      </p>
    </SheetPane>
    <div class="space-y-3">
      <SheetPane labelledby="zero">
        <h2 id="zero" class="font-semibold">Zero it <TermHelp label="Level gauge" /></h2>
        <URadioGroup v-model="chosenZero" :items="zeros" size="lg" class="mt-1" aria-labelledby="zero" />
        <p class="mt-2 text-sm text-muted">
          {{ GAUGE_ZERO_HOW[zero] }} Turn it the way it will stand on the stone, along the rod.
        </p>
      </SheetPane>
      <SheetPane labelledby="axes">
        <h2 id="axes" class="font-semibold">The gauge has</h2>
        <URadioGroup v-model="chosenAxes" :items="axes" size="lg" class="mt-1" aria-labelledby="axes" />
      </SheetPane>
      <SheetPane labelledby="did-read">
        <h2 id="did-read" class="flex items-center gap-2 font-semibold"><AngleMark angle="read" />What did it read?</h2>
        <InstrumentChoice class="mt-2" of="reading" />
        <div class="mt-2 grid grid-cols-2 gap-3">
          <UFormField
            v-for="side in SIDES"
            :key="side"
            :label="`${names[side]}, must be ${expected[side] === null ? '–' : angleText(expected[side]!, set?.uncertaintyDeg ?? 0.1)}`"
            :error="problems[side] || undefined"
          >
            <UInput
              v-model="texts[side]"
              size="xl"
              inputmode="decimal"
              autocomplete="off"
              class="w-full"
              :data-testid="`gauge-${side}`"
              @change="keep(side)"
              ><template #trailing><span aria-hidden="true">°</span></template></UInput
            >
            <p class="mt-0.5 min-h-5 text-sm">
              {{ differsText(side) }}
            </p>
          </UFormField>
        </div>
        <GaugeReading class="mt-1" @hold="readings.addReading" />
        <div v-if="known" class="mt-3 border-t border-default pt-3" aria-live="polite" data-testid="causes">
          <p v-if="SIDES.every((side) => Math.abs(differs(side) ?? 0) <= READ_TO_DEG)">It reads what it should.</p>
          <p v-else-if="causes.length === 0">
            No single measure explains it: read again, with the stone’s middle over the point on the edge.
          </p>
          <template v-else>
            <h3 class="font-semibold">Likeliest first</h3>
            <CauseList :causes="causes" />
          </template>
        </div>
      </SheetPane>
    </div>
  </div>
</template>

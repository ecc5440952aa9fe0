<script setup lang="ts">
import { scratchDepthUm } from '#core/steel/stones/orders'
import type { PerSide } from '#core/records/common/side'
import type { BevelFrom } from '#core/process/decision/bevelBefore'
import { WANTED_FINISHES } from '#core/records/job/job'
import { useChip } from './useChip'
import { usePlan } from './usePlan'
import { useJob } from '~/job/useJob'
import { sheetPath } from '~/navigation/stations'
import { usePreferences } from '~/stores/preferences'
import { angleText, differenceText } from '~/words/angleText'
import { minutesText, roughCount, steelText } from '~/words/decisionText'
import { dialText } from '~/words/dialText'
import { grainText, stoneGrainText } from '~/words/grainText'
import { exactLength, lengthText } from '~/words/lengthText'
import {
  FINISH_WORD,
  forecastText,
  orderRemark,
  rateText,
  scratchText,
  TASK_DONE,
  TASK_WORD,
  WAY_WORD,
} from '~/words/planText'
import { problemText } from '~/words/problemText'

/** The stones for what is there and what is wanted: ways to the finish compared, then the chosen one in full. */
const job = useJob()
const preferences = usePreferences()
const {
  finish,
  chipSteelMm3,
  before,
  weighing,
  ground,
  ways,
  works,
  current,
  leftOut,
  last,
  fineEnough,
  rateOf,
  take,
} = usePlan()
const names = computed(() => preferences.current.sideNames)
const { chip, setDepth, grindOver } = useChip()
const finishes = WANTED_FINISHES.map((value) => ({ value, label: FINISH_WORD[value] }))
const FROM_TEXT: Record<BevelFrom, string> = {
  tests: 'The bevel is as the marker tests found it.',
  proof: 'The bevel is as it was proved on this job.',
  found: 'The bevel is as it was found before it was ground.',
  earlier: 'The bevel is as it was proved at the end of the last job with this blade.',
  assumed: 'Nothing is known of the bevel: this is for one that has the wanted angle already and is only worn.',
}
const leftOutText = (name: string, offDeg: number | null) =>
  offDeg === null ? name : `${name} (${differenceText(offDeg)})`
const chipItems = computed(() => {
  const steel = chipSteelMm3.value
  if (!steel) return []
  const text = (mm3: number) => steelText(mm3, preferences.unit)
  return [
    { value: 'once', label: `Now: ${text(steel.once)} of steel in all` },
    { value: 'three', label: `Over three sharpenings: ${text(steel.three)} with this one` },
  ]
})
const chosenFinish = computed({
  get: () => finish.value,
  set: (to) => void job.change(`finish: ${FINISH_WORD[to]}`, { finish: to }),
})
const chipOver = computed({ get: () => chip.value?.over ?? 'once', set: grindOver })
/** "A 60, B 58 strokes, 9 min". */
const madeText = ({ full, minutes }: { full: PerSide<number>; minutes: number | null }) =>
  `${job.sides.value.map((side) => `${names.value[side]} ${full[side]}`).join(', ')} strokes${minutes === null ? '' : `, ${minutesText(minutes)}`}`
const bySide = computed(() => job.sides.value.map((side) => ({ side, name: names.value[side] })))
</script>

<template>
  <div class="panes lg:grid-cols-[22rem_minmax(0,1fr)]">
    <SheetPane labelledby="plan-for" class="space-y-3">
      <h2 id="plan-for" class="text-lg font-semibold">What is to be done</h2>
      <p v-if="weighing" aria-live="polite">Working out the bevel angle…</p>
      <p v-else data-testid="plan-from">
        {{ FROM_TEXT[before.from] }}
        <NuxtLink v-if="before.from === 'assumed'" class="text-link" :to="sheetPath(job.id, 'mark')"
          >Do a marker test</NuxtLink
        >
      </p>
      <p v-if="!ground.ok" class="text-error">{{ problemText(ground, preferences.unit) }}</p>
      <dl v-else data-testid="plan-steel">
        <div v-for="one in ground.sides" :key="one.side" class="flex flex-wrap justify-between gap-x-3">
          <dt>
            <b>{{ names[one.side] }}</b> to
            <span class="figure">{{ angleText(job.content.value.wanted.deg[one.side]) }}</span>
          </dt>
          <dd>{{ steelText(one.removedMm3, preferences.unit) }} of steel</dd>
        </div>
      </dl>
      <URadioGroup v-model="chosenFinish" :items="finishes" size="xl" data-testid="plan-finish">
        <template #legend><span class="font-semibold">Finish</span></template>
      </URadioGroup>
      <MeasureField
        label="Deepest chip"
        :value="chip?.depthMm ?? 0"
        kind="length"
        focus="chip-depth"
        :apply="setDepth"
        :step="0.1"
        :hint="chip ? undefined : 'none'"
      />
      <template v-if="chipSteelMm3">
        <URadioGroup v-model="chipOver" :items="chipItems" size="xl" data-testid="chip-over">
          <template #legend><span class="font-semibold">Grind the chips out</span></template>
        </URadioGroup>
        <p class="text-sm text-toned">The whole edge is ground back as far, so that it keeps its line.</p>
      </template>
      <p v-if="last && !fineEnough" class="text-sm text-toned">
        Of these stones none is finer than {{ last.name }}, {{ grainText(last.grainUm) }}: it ends there.
      </p>
      <p v-if="ground.ok && ways.length === 0">There is no stone in your box that takes steel off.</p>
      <fieldset v-if="ways.length > 0" class="space-y-2">
        <legend class="font-semibold">Ways to get there</legend>
        <button
          v-for="way in ways"
          :key="way.kind"
          type="button"
          class="block w-full cursor-pointer rounded-sm border px-3 py-2 text-left"
          :class="way.isChosen ? 'border-primary bg-elevated' : 'border-default hover:border-accented'"
          :aria-pressed="way.isChosen"
          :data-testid="`way-${way.kind}`"
          @click="take(way.order)"
        >
          <span class="flex flex-wrap items-baseline justify-between gap-x-3"
            ><b>{{ WAY_WORD[way.kind] }}</b
            ><span v-if="way.isChosen" class="text-sm">chosen</span></span
          >
          <span class="block text-lg"
            >about {{ minutesText(way.minutes.middle) }}, {{ roughCount(way.strokes) }} strokes</span
          >
          <span class="block text-sm text-toned"
            >{{ way.order.map(({ name }) => name).join(' › ') }}. {{ steelText(way.removedMm3, preferences.unit) }} of
            steel<template v-if="way.scratchUm !== null">, scratches {{ scratchText(way.scratchUm) }} deep</template
            >.</span
          >
        </button>
        <p v-if="leftOut.length > 0" class="text-sm text-toned" data-testid="plan-left-out">
          Not offered: this rig cannot be set near enough with
          {{ leftOut.map(({ stone, offDeg }) => leftOutText(stone.name, offDeg)).join(', ') }}.
        </p>
      </fieldset>
    </SheetPane>
    <div class="min-w-0 space-y-3">
      <SheetPane labelledby="plan-stones">
        <div class="flex flex-wrap items-center justify-between gap-3">
          <h2 id="plan-stones" class="text-lg font-semibold">Stone by stone</h2>
          <UButton
            v-if="current"
            size="xl"
            label="Go to the stone"
            icon="i-lucide-play"
            :to="sheetPath(job.id, 'grind', 'bench')"
            data-testid="go-to-bench"
          />
        </div>
        <p v-if="!current" class="mt-2 text-muted">
          Choose a way at the left, or your own stones under Stones in order: then each stone’s work stands here.
        </p>
        <ol v-else class="mt-2" data-testid="plan-works">
          <li v-for="(work, i) in works" :key="`${work.stone.id} ${work.task}`" class="border-t border-default py-3">
            <div class="flex flex-wrap items-baseline justify-between gap-x-4">
              <h3 class="flex min-w-0 flex-wrap items-baseline gap-x-3">
                <span class="text-lg font-semibold">{{ i + 1 }}. {{ work.stone.name }}</span>
                <span class="text-muted"> {{ stoneGrainText(work.stone) }}</span>
                <span v-if="work.isOnRod" class="rounded-sm border px-1.5 text-sm">on the rod</span>
              </h3>
              <span class="text-lg">about {{ minutesText(work.minutes.middle) }}</span>
            </div>
            <p>
              {{ TASK_WORD[work.task]
              }}<template v-if="work.task !== 'strop'"
                >; its own scratches are {{ scratchText(scratchDepthUm(work.stone)) }} deep</template
              >.
              <span class="text-toned">{{ TASK_DONE[work.task] }}</span>
            </p>
            <p v-if="work.micro" data-testid="micro-bevel">
              About {{ exactLength(work.micro.widthMm, preferences.unit) }} wide at {{ angleText(work.micro.deg) }}; the
              bevel behind it stays at {{ angleText(job.wantedDeg.value) }}, and the blade as thin behind the edge.
            </p>
            <dl class="mt-1 grid gap-x-6 sm:grid-cols-2">
              <div v-for="(one, k) in work.sides" :key="one.side">
                <dt class="mr-1 inline font-semibold">{{ bySide[k]?.name }}:</dt>
                <dd class="inline">
                  {{ forecastText(one.strokes) }} strokes<template v-if="work.task !== 'strop'"
                    >,
                    <span class="whitespace-nowrap">{{ steelText(one.removedMm3, preferences.unit) }}</span></template
                  >
                </dd>
              </div>
            </dl>
            <p v-if="work.made" data-testid="plan-made">
              So far: <b>{{ madeText(work.made) }}</b>.
            </p>
            <p class="text-sm text-toned">
              <template v-if="work.task !== 'strop'">Strokes {{ rateText(rateOf(work.stone)) }}. </template
              ><template v-if="work.dial"
                >Dial <b class="text-default">{{ dialText(job.rig.value, work.dial.setting) }}</b><template
                  v-if="work.toSetDeg !== job.wantedDeg.value"
                >
                  for {{ angleText(work.toSetDeg) }}</template
                >.</template
              >
            </p>
            <p v-if="work.refusal" class="text-error" data-testid="plan-no-dial">
              {{ problemText(work.refusal, preferences.unit) }}
            </p>
            <p v-if="work.farOff" class="font-semibold" data-testid="far-off">
              This rig’s nearest setting for it is {{ differenceText(work.farOff.offDeg) }} off:
              <template v-if="work.farOff.collar"
                >dial {{ dialText(job.rig.value, work.farOff.collar.setting) }} with a collar of
                {{ lengthText(work.farOff.collar.collarMm, preferences.unit) }} under the pivot, or take another
                stone.</template
              ><template v-else>take another stone.</template>
            </p>
            <p v-if="orderRemark(work)" class="font-semibold" data-testid="order-remark">{{ orderRemark(work) }}</p>
          </li>
        </ol>
        <p v-if="current" class="border-t border-default pt-2 text-sm text-muted">
          In all about {{ minutesText(current.minutes.middle) }} ({{ minutesText(current.minutes.least) }} to
          {{ minutesText(current.minutes.most) }}), {{ steelText(current.removedMm3, preferences.unit) }} of steel. Nine
          of ten jobs lie in the ranges; they narrow with each stone that you finish.
        </p>
      </SheetPane>
      <HabitsPane />
    </div>
  </div>
</template>

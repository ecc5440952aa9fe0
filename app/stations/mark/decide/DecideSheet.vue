<script setup lang="ts">
import { useWords } from '~/words/useWords'
import { APEX_WORN_MM, type ZonePlan } from '#core/steel/removal/plan'
import type { Range90 } from '#core/steel/stones/rate'
import type { SideOfPlan } from '#core/process/decision/plans'
import { useDecision, type Plan } from './useDecision'
import { useInk } from '~/composables/useInk'
import { useJob } from '~/job/useJob'
import { sheetPath } from '~/navigation/stations'
import { usePreferences } from '~/stores/preferences'
import { angleText } from '~/words/angleText'
import {
  anglesText,
  CHOICE_MEANS,
  CHOICE_WORD,
  minutesText,
  REASON_TEXT,
  roughCount,
  steelRange,
  steelText,
} from '~/words/decisionText'
import { dialText } from '~/words/dialText'
import { bevelFigure, exactLength } from '~/words/lengthText'
import { forecastText } from '~/words/planText'
import { problemText } from '~/words/problemText'

/** The bevel that was found against the one that is wanted: each way to go on in full, and the advised one first. */
const job = useJob()
const words = useWords()
const preferences = usePreferences()
const ink = useInk()
const { open, rough, there, plans, advised, unevenRig, take } = useDecision()
const names = computed(() => preferences.current.sideNames)
const failure = ref('')
const text = (mm: number) => exactLength(mm, preferences.unit)

/** No setting of the rig stands nearer to a plan's angle than this, degrees: it is said. */
const OFF_DEG = 0.25
const degText = ({ sides }: Plan) => anglesText(sides.map(({ deg }) => deg))
const bevelText = ({ beforeMm, afterMm, atEdge }: ZonePlan) => {
  const [now, then] = [beforeMm, afterMm].map((mm) => bevelFigure(mm, preferences.unit))
  return atEdge ? `${now}, ${then} ${preferences.unit} at the edge` : `${now} to ${then} ${preferences.unit}`
}
const leftText = (left: number) =>
  left === 0 ? 'none: thin it first' : left >= 999 ? 'more than 999' : `about ${roughCount(left)}`
const strokesText = (strokes: Range90 | null) => (strokes ? forecastText(strokes) : 'none')
const rows = (side: Extract<SideOfPlan, { ok: true }>) => [
  { what: 'Steel', is: steelRange(side.removedMm3, side.rangeMm3, preferences.unit) },
  { what: 'Full strokes', is: strokesText(side.strokes) },
  { what: 'Sharpenings left like this', is: leftText(side.left) },
  ...(side.thinningMm3 > 0
    ? [{ what: 'Thin it first', is: `takes ${steelText(side.thinningMm3, preferences.unit)}` }]
    : []),
]
const wantedText = computed(() => anglesText(there.value.map(({ wantedDeg }) => wantedDeg)))
const isWanted = (plan: Plan) => plan.sides.every(({ side, deg }) => job.content.value.wanted.deg[side] === deg)
function takeOver(plan: Plan) {
  failure.value = take(plan) ?? ''
}
const goesOn = (plan: Plan) => plan.sides.every(({ ok }) => ok)
</script>

<template>
  <div class="space-y-3">
    <SheetPane labelledby="found">
      <h2 id="found" class="text-lg font-semibold">What is there, and what is wanted</h2>
      <p v-if="ink.counted.value.length === 0" class="mt-1">
        {{
          ink.looks.value.length === 0
            ? 'Nobody has looked at this blade’s bevel yet'
            : 'This blade was ground after the last marker test'
        }}: <NuxtLink class="text-link" :to="sheetPath(job.id, 'mark')">do a marker test</NuxtLink>.
      </p>
      <p v-else-if="ink.weighing.value" class="mt-1" aria-live="polite">Working out the bevel angle…</p>
      <p v-else-if="ink.weighFailure.value" role="alert" class="mt-1 text-error">
        {{ words.problem(ink.weighFailure.value) }}
        <UButton color="neutral" variant="outline" label="Try again" @click="ink.weighAgain" />
      </p>
      <p v-else-if="open.length > 0" class="mt-1" data-testid="decide-open">
        Not ripe yet. Nothing is known of {{ open.join(', ') }}:
        <NuxtLink class="text-link" :to="sheetPath(job.id, 'mark')">test there too</NuxtLink>.
      </p>
      <template v-else>
        <ul class="mt-1 flex flex-wrap gap-x-8 gap-y-1" data-testid="decide-there">
          <li v-for="one in there" :key="one.side">
            <b>{{ names[one.side] }}</b> has
            <span class="figure">{{ angleText(one.thereDeg, one.uncertaintyDeg) }}</span>
            ± {{ angleText(one.uncertaintyDeg, one.uncertaintyDeg) }} along the edge, wanted
            <span class="figure">{{ angleText(one.wantedDeg) }}</span>
          </li>
        </ul>
        <p v-if="advised" class="mt-2 text-lg" data-testid="decide-advised">
          <b>{{ CHOICE_WORD[advised.choice] }}.</b> {{ REASON_TEXT[advised.reason] }}
        </p>
        <p v-if="rough.length > 0" class="mt-1 text-toned">
          Still rough: {{ rough.join(', ') }}.
          <NuxtLink class="text-link" :to="sheetPath(job.id, 'mark')">Another test narrows it down</NuxtLink>
        </p>
        <p v-if="unevenRig" class="mt-2" data-testid="uneven-rig">
          <b>The rig, not the blade, is uneven here.</b> The bevel of {{ names[job.side.value] }} is even to
          {{ angleText(unevenRig.bladeDeg) }}, but held so the rig sets {{ angleText(unevenRig.fromDeg) }} to
          {{ angleText(unevenRig.toDeg) }} along it.
          <NuxtLink class="text-link" :to="sheetPath(job.id, 'clamp', 'even')">Find a better hold</NuxtLink>
        </p>
      </template>
      <p v-if="failure" role="alert" class="mt-2 text-error">{{ failure }}</p>
    </SheetPane>
    <div class="panes lg:grid-cols-3">
      <SheetPane
        v-for="plan in plans"
        :key="plan.choice"
        :labelledby="`plan-${plan.choice}`"
        :data-testid="`plan-${plan.choice}`"
        class="space-y-2"
      >
        <div>
          <h2 :id="`plan-${plan.choice}`" class="flex flex-wrap items-baseline justify-between gap-x-3">
            <span class="text-lg font-semibold">{{ CHOICE_WORD[plan.choice] }}</span><span
              v-if="advised?.choice === plan.choice"
              class="rounded-sm border px-1.5 text-sm"
              >advised</span
            >
          </h2>
          <p class="text-sm text-muted">{{ CHOICE_MEANS[plan.choice] }}</p>
          <p class="mt-1">
            <span class="figure text-2xl">{{ degText(plan) }}</span> per side
          </p>
          <p class="text-sm text-toned">
            <template v-if="plan.choice === 'nearer'">{{ plan.sharpenings }} sharpenings to {{ wantedText }}. </template
            ><template v-if="plan.minutes !== null && !plan.sameAs"
              >{{ minutesText(plan.minutes) }} for {{ plan.sides.length > 1 ? 'both sides' : 'its one side' }} on
              {{ plan.stone!.name }}, apex lost {{ text(APEX_WORN_MM) }}</template
            ><template v-else-if="goesOn(plan) && !plan.sameAs">No stone of the box takes steel off.</template>
          </p>
        </div>
        <p v-if="plan.sameAs" class="border-t border-default pt-2">
          This rig dials it as {{ CHOICE_WORD[plan.sameAs].toLowerCase() }}: it has no setting nearer. Taken over, the
          bench says how far out the blade must stand for it.
        </p>
        <section v-for="side in plan.sameAs ? [] : plan.sides" :key="side.side" class="border-t border-default pt-2">
          <h3 class="flex flex-wrap items-baseline justify-between gap-x-3">
            <b>{{ names[side.side] }}, {{ angleText(side.deg) }}</b
            ><span v-if="side.ok" class="text-sm text-toned">{{ dialText(job.rig.value, side.setting) }}</span>
          </h3>
          <p v-if="!side.ok" class="text-error">{{ problemText(side.refusal, preferences.unit) }}</p>
          <p v-else-if="Math.abs(side.setDeg - side.deg) > OFF_DEG" class="text-sm text-toned">
            The nearest this rig has: {{ angleText(side.setDeg) }}. The figures are for that.
          </p>
          <template v-if="side.ok">
            <dl>
              <div v-for="row in rows(side)" :key="row.what" class="flex flex-wrap justify-between gap-x-3">
                <dt class="text-muted">{{ row.what }}</dt>
                <dd>{{ row.is }}</dd>
              </div>
            </dl>
            <table class="mt-1 w-full text-sm">
              <thead>
                <tr class="text-left text-muted">
                  <th class="font-normal">Zone</th>
                  <th class="font-normal">at</th>
                  <th class="font-normal">bevel, now and then</th>
                  <th class="text-right font-normal">steel</th>
                </tr>
              </thead>
              <tbody>
                <tr v-for="zone in side.zones" :key="zone.zone" class="border-t border-default">
                  <th class="text-left font-normal">{{ ink.names.value[zone.zone] }}</th>
                  <td>{{ angleText(zone.newDeg) }}</td>
                  <td>{{ bevelText(zone) }}</td>
                  <td class="text-right">{{ steelText(zone.removedMm3, preferences.unit) }}</td>
                </tr>
              </tbody>
            </table>
          </template>
        </section>
        <p v-if="isWanted(plan)" class="font-semibold">It is what is wanted now.</p>
        <UButton
          v-else-if="goesOn(plan)"
          size="lg"
          :color="advised?.choice === plan.choice ? 'primary' : 'neutral'"
          :variant="advised?.choice === plan.choice ? 'solid' : 'outline'"
          :label="`Apply: ${degText(plan)} wanted`"
          @click="takeOver(plan)"
        />
      </SheetPane>
    </div>
    <p v-if="plans.length > 0" class="px-1 text-sm text-muted">
      Strokes and minutes are for the coarsest sensible stone alone, before anything is known of your stones: the finer
      ones come on top. Steel: with the bevel as flat and as steep as it may be. Wet the swarf; hands behind the edge.
    </p>
  </div>
</template>

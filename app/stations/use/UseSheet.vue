<script setup lang="ts">
import { ofKind } from '#core/log/activeEntries'
import { OUTCOMES, type Outcome } from '#core/log/choices'
import { ENTRIES, type LogEntry } from '#core/log/entry'
import { isFarOff } from '#core/process/steps/asGround'
import { isOpen } from '#core/process/steps/step'
import { useForm } from '~/forms/useForm'
import { useJob } from '~/job/useJob'
import { useNextStep } from '~/job/useNextStep'
import { sheetPath } from '~/navigation/stations'
import { usePreferences } from '~/stores/preferences'
import { angleText } from '~/words/angleText'
import { momentText } from '~/words/momentText'
import { farOffText } from '~/words/stepText'
import { capital } from '~/words/sentence'
import { OUTCOME_ADVICE, OUTCOME_WORD } from '~/words/outcomeText'

/** The edge goes to use, and what became of it. */
const job = useJob()
const { steps, next, asGround } = useNextStep()
const put = computed(() => steps.value.find(({ id }) => id === 'put-to-use'))
/** What is still open before the edge can be said to be ready. */
const before = computed(() => {
  const at = steps.value.findIndex(({ id }) => id === 'put-to-use')
  return steps.value.slice(0, at).filter(({ state }) => isOpen(state)).length
})
/** What the edge has along its length, when all other steps are done. */
const along = computed(() => (before.value === 0 ? asGround.value : []))
const preferences = usePreferences()
const names = computed(() => preferences.current.sideNames)
const isNext = computed(() => next.value?.id === 'put-to-use')
const isPut = computed(() => put.value?.state.is === 'done')
const putAt = computed(() => (put.value?.state.is === 'done' ? put.value.state.fact.at : null))
function putToUse() {
  if (isNext.value) job.session.record('put to use', [{ ...job.session.newEntry(), stoneId: null, kind: 'put-to-use' }])
}

const { form, beginAnew, problems, validate } = useForm<{ outcome: Outcome; note: string }>(
  `outcome:${job.id}`,
  () => ({ outcome: 'cuts-well', note: '' }),
)
const outcomes = OUTCOMES.map((value) => ({ value, label: OUTCOME_WORD[value] }))
async function record() {
  const { outcome, note } = form.value
  const entry: LogEntry = { ...job.session.newEntry(), stoneId: null, kind: 'outcome', outcome, note: note.trim() }
  if (!validate(ENTRIES.outcome.schema, [entry], () => 'note')) return
  job.session.record('outcome', [entry])
  await beginAnew()
}
const recorded = computed(() => ofKind(job.entriesOfBlade.value, 'outcome').toReversed())
const retract = (id: string) => void job.session.record('remove an outcome', [], [id])
</script>

<template>
  <div class="panes lg:grid-cols-2">
    <SheetPane v-if="put" labelledby="ready">
      <h2 id="ready" class="text-lg font-semibold">Put the edge to use</h2>
      <p v-if="putAt" class="mt-1">Put to use {{ momentText(putAt) }}.</p>
      <p v-else-if="before > 0" class="mt-1 text-toned">
        {{ before === 1 ? 'One step is' : `${before} steps are` }} still open before it. The line above leads there.
      </p>
      <template v-if="along.length > 0">
        <h3 class="mt-3 font-medium">From heel to tip</h3>
        <ul data-testid="as-ground">
          <li v-for="one in along" :key="one.side" class="mt-1">
            {{ names[one.side] }}: {{ angleText(one.lowestDeg) }} to {{ angleText(one.highestDeg) }} per side,
            {{ one.proved ? 'by the proofs and the setting' : 'by the setting alone: nothing was proved' }}.
            <span v-if="isFarOff(one)" class="block font-semibold"
              >{{ capital(farOffText(one, job.blade.value, names)) }}.</span
            >
          </li>
        </ul>
        <p v-if="along.some(isFarOff)" class="mt-1 text-toned">
          <NuxtLink class="text-link" :to="sheetPath(job.id, 'clamp', 'even')">A better hold, or positions</NuxtLink>
          for parts of the edge, would bring it nearer. Then grind again.
        </p>
      </template>
      <UButton
        class="mt-3"
        size="xl"
        :variant="isNext ? 'solid' : 'outline'"
        :icon="isPut ? 'i-lucide-check' : undefined"
        :label="isPut ? 'Put to use' : 'Put it to use'"
        :aria-disabled="!isNext"
        data-focus="put-to-use"
        @click="putToUse"
      />
    </SheetPane>
    <SheetPane v-else label="Put to use">
      <p>This job only finds the angle: no edge is put to use.</p>
    </SheetPane>
    <SheetPane v-if="put" labelledby="held">
      <h2 id="held" class="text-lg font-semibold">How did the edge hold?</h2>
      <p v-if="!isPut" class="mt-1 text-toned">
        After use, record here whether it rolled, chipped, dulled soon or cut well.
      </p>
      <form v-else class="mt-2 space-y-3" aria-label="How the edge held" @submit.prevent="record">
        <LabelledSelect v-model="form.outcome" label="After use" :items="outcomes" size="xl" data-focus="outcome" />
        <p class="text-sm text-toned">{{ OUTCOME_ADVICE[form.outcome] }}</p>
        <UFormField label="Note" :error="problems.note"
          ><UInput v-model="form.note" size="xl" autocomplete="off" class="w-full"
        /></UFormField>
        <UButton type="submit" size="xl" color="neutral" variant="outline" label="Record the outcome" />
      </form>
      <ul v-if="recorded.length > 0" class="mt-3" data-testid="outcomes">
        <NotedRow
          v-for="entry in recorded"
          :key="entry.id"
          :what="OUTCOME_WORD[entry.outcome]"
          @retract="retract(entry.id)"
        >
          <span class="min-w-0 flex-1"
            ><b>{{ OUTCOME_WORD[entry.outcome] }}</b> {{ entry.note }}
            <span class="block text-sm text-muted">{{ momentText(entry.at) }}</span></span
          >
        </NotedRow>
      </ul>
    </SheetPane>
  </div>
</template>

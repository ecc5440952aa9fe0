<script setup lang="ts">
import type { ZoneKind } from '#core/records/blade/zones'
import { ENTRIES, type Sharpness } from '#core/log/entry'
import { ofKind } from '#core/log/activeEntries'
import { beforeAndAfter } from '#core/log/beforeAndAfter'
import { BURRS, SHARPNESS_TESTS, type Burr, type SharpnessTest } from '#core/log/choices'
import { parseDecimal } from '#core/math/units/length'
import { useForm } from '~/forms/useForm'
import { useJob } from '~/job/useJob'
import { usePreferences } from '~/stores/preferences'
import { momentText } from '~/words/momentText'
import { burrText, forceText, foundText, TEST_FINDS, TEST_WORD } from '~/words/sharpnessText'

/** How sharp it is: one test at a time, where it finds something, and the burr. */
const job = useJob()
const preferences = usePreferences()
const names = computed(() => preferences.current.sideNames)
interface SharpnessForm {
  test: SharpnessTest
  zones: ZoneKind[]
  forces: string
  /** Empty: nobody felt for it. */
  burr: Burr | ''
  burrZones: ZoneKind[]
}
const { form, beginAnew, problems, addProblem, validate } = useForm<SharpnessForm>(`sharpness:${job.id}`, () => ({
  test: 'paper',
  zones: [],
  forces: '',
  burr: '',
  burrZones: [],
}))
// A burr alone is noted at the stone; here it is noted with a test.
const tests = SHARPNESS_TESTS.filter((value) => value !== 'burr').map((value) => ({ value, label: TEST_WORD[value] }))
const burrs = computed(() => BURRS.map((value) => ({ value, label: burrText(value, names.value) })))
const thread = computed(() => form.value.test === 'thread')
const hasBurr = computed(() => form.value.burr !== '' && form.value.burr !== 'none')

/** Grams, with blanks or semicolons between them; NaN for what is no number. */
const forces = computed((): number[] =>
  form.value.forces
    .split(/[\s;]+/)
    .filter((text) => text !== '' && text !== 'g')
    .map((text) => parseDecimal(text.replace(/g$/, '')))
    .map((one) => (one.ok ? one.value : NaN)),
)
const readable = computed(() => forces.value.length > 0 && !forces.value.some(Number.isNaN))
async function note() {
  const { test, zones, burr, burrZones } = form.value
  if (thread.value && !readable.value) return addProblem('forces', { code: 'forces-missing' })
  const entry: Sharpness = {
    ...job.session.newEntry(),
    stoneId: null,
    kind: 'sharpness',
    test,
    zones: thread.value ? [] : [...zones],
    forcesG: thread.value ? forces.value : [],
    burr: burr === '' ? null : burr,
    burrZones: hasBurr.value ? [...burrZones] : [],
  }
  if (!validate(ENTRIES.sharpness.schema, [entry], () => 'forces')) return
  job.session.record('sharpness', [entry])
  await beginAnew()
}
const noted = computed(() =>
  ofKind(job.entries.value, 'sharpness')
    .filter(({ bladeId }) => bladeId === job.content.value.bladeId)
    .toReversed(),
)
/** The same test as before the blade was ground. */
const compared = computed(() =>
  beforeAndAfter(job.entries.value.filter(({ bladeId }) => bladeId === job.content.value.bladeId)),
)
const compareText = computed(() => {
  if (!compared.value) return ''
  const { before, after } = compared.value
  const was = `${TEST_WORD[before.test]} before: ${foundText({ ...before, burr: null }, names.value)}`
  return after ? `${was}; after: ${foundText({ ...after, burr: null }, names.value)}.` : `${was}.`
})
function recordSame() {
  const before = compared.value?.before
  if (!before) return
  form.value.test = before.test
  form.value.zones = []
  // A force has to be read first.
  if (before.test !== 'thread') void note()
}
const sameLabel = computed(() => {
  const test = compared.value?.before.test
  return test === undefined
    ? ''
    : test === 'thread'
      ? 'Cut the same thread again'
      : `The same again: ${TEST_FINDS[test][1]} now`
})
const retract = ({ id }: Sharpness) => void job.session.record('remove an entry', [], [id])
</script>

<template>
  <SheetPane labelledby="sharpness">
    <h2 id="sharpness" class="text-lg font-semibold">How sharp is it?</h2>
    <div v-if="compared" class="mt-1 flex flex-wrap items-center justify-between gap-2" data-testid="before-after">
      <p class="font-semibold">{{ compareText }}</p>
      <UButton
        v-if="compared.after === null"
        size="lg"
        color="neutral"
        variant="outline"
        :label="sameLabel"
        @click="recordSame"
      />
    </div>
    <form class="mt-2 space-y-3" aria-label="How sharp it is" @submit.prevent="note">
      <div class="grid gap-3 sm:grid-cols-2">
        <LabelledSelect v-model="form.test" label="Tried with" :items="tests" />
        <LabelledSelect
          label="Burr"
          data-focus="burr"
          :model-value="form.burr || undefined"
          :items="burrs"
          placeholder="not felt for"
          @update:model-value="form.burr = $event as Burr"
        />
      </div>
      <UFormField
        v-if="thread"
        label="Force of each cut, g"
        :help="readable ? forceText(forces) : 'The same thread each time; three cuts or more.'"
        :error="problems.forces"
        ><UInput v-model="form.forces" size="xl" autocomplete="off" class="w-full" data-testid="forces"
      /></UFormField>
      <ZonePresses
        v-else
        v-model="form.zones"
        :finds="`It ${TEST_FINDS[form.test][0]}`"
        :none="`nowhere: ${TEST_FINDS[form.test][1]}`"
      />
      <ZonePresses v-if="hasBurr" v-model="form.burrZones" finds="The burr is at" none="nowhere pressed: all along" />
      <UButton type="submit" size="lg" color="neutral" variant="outline" label="Record how sharp it is" />
      <p class="text-sm text-muted">Never on skin.</p>
    </form>
    <ul v-if="noted.length > 0" class="mt-3" data-testid="sharpness">
      <NotedRow
        v-for="entry in noted"
        :key="entry.id"
        :what="`${TEST_WORD[entry.test]}: ${foundText(entry, names)}`"
        @retract="retract(entry)"
      >
        <span class="min-w-0 flex-1"
          >{{ TEST_WORD[entry.test] }}: <b>{{ foundText(entry, names) }}</b>
          <span class="block text-sm text-muted">{{ momentText(entry.at) }}</span></span
        >
      </NotedRow>
    </ul>
  </SheetPane>
</template>

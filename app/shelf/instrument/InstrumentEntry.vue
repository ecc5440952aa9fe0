<script setup lang="ts">
import { useWords } from '~/words/useWords'
import { INSTRUMENT_KINDS, instrument as instrumentSchema, twoReadings } from '#core/records/instrument/instrument'
import type { InstrumentRecord } from '#core/records/storage/kinds'
import { instrumentDrafts, readInstrument } from './instrumentDraft'
import { UNDESCRIBED_UNCERTAINTY_DEG } from '~/composables/useInstrument'
import { readSpot, type SpotsIn } from './readSpot'
import { useDescription } from '~/forms/useDescription'
import { usePreferences } from '~/stores/preferences'
import { angleText, differenceText } from '~/words/angleText'
import { INSTRUMENT_KIND_WORD } from '~/words/recordText'

const words = useWords()

/** Describes an instrument. `from`: the one to change or to copy; null begins a new one. */
const props = defineProps<{ from: InstrumentRecord | null; copy?: boolean }>()
const emit = defineEmits<{ done: [kept: InstrumentRecord] }>()
const preferences = usePreferences()

const { from, copy } = props
const { unit, draft, takenUp, beginAnew, read, fieldsOf, shown, save, busy, failure } = useDescription({
  kind: 'instruments',
  from,
  copy,
  changed: 'is changed',
  drafts: instrumentDrafts(from, copy),
  read: (typed, now) => readInstrument(typed, now, from),
  content: ({ instrument }) => instrument,
})
const fields = fieldsOf((typed) => typed, instrumentSchema)
const { textAt, put, problemTexts } = fields
const problemAt = (path: string) => shown(problemTexts.value[path], textAt(path))

const kinds = INSTRUMENT_KINDS.map((value) => ({ value, label: INSTRUMENT_KIND_WORD[value] }))
const kind = computed(() => draft.value.kind)
const zeroHelp = computed(() => {
  if (kind.value === 'level-gauge')
    return 'What it still shows where it should show nothing. It is taken off each reading.'
  const { A, B } = preferences.current.sideNames
  return `Read one bevel, turn the blade end for end (or read it edge trailing) and read it again: half the difference. It is taken off on ${A} and added on ${B}.`
})

/** A blade turned end for end throws the spot of the same bevel to the other side: what was too much is too little. */
const twice = reactive({ first: '', turned: '', inLengths: false })
const screenMm = computed(() => read.value.instrument?.screenDistanceMm ?? null)
const spots = computed((): SpotsIn =>
  twice.inLengths && screenMm.value !== null ? { distanceMm: screenMm.value, unit: unit.value } : 'degrees',
)
const READ = computed(() => {
  const of = spots.value === 'degrees' ? '°' : unit.value
  return { first: `On side A, ${of}`, turned: `Turned end for end, ${of}` }
})
const both = computed(() => ({
  first: readSpot(twice.first, spots.value),
  turned: readSpot(twice.turned, spots.value),
}))
function spotProblem(which: 'first' | 'turned') {
  const one = both.value[which]
  return one && !one.ok ? words.problem(one) : undefined
}
const found = computed(() => {
  const { first, turned } = both.value
  if (!first?.ok || !turned?.ok) return null
  return twoReadings(first.deg, turned.deg, read.value.instrument?.uncertaintyDeg ?? UNDESCRIBED_UNCERTAINTY_DEG)
})

function takeOver() {
  if (found.value) put('zeroDeg', String(Math.round(found.value.zeroDeg * 100) / 100))
}

async function keep() {
  const kept = await save()
  if (kept) emit('done', kept)
}
</script>

<template>
  <form class="space-y-4" aria-label="Instrument" data-described @submit.prevent="keep">
    <TakenUpNote v-if="takenUp" @anew="beginAnew" />
    <TypedField :fields="fields" path="name" label="Name" :problem="problemAt('name')" />
    <LabelledSelect v-model="draft.kind" label="Kind" :items="kinds" />
    <TypedField
      v-if="kind === 'goniometer-screen'"
      :fields="fields"
      path="screenDistanceMm"
      label="Edge to screen"
      help="Along the beam, from the edge to the flat screen."
      :problem="problemAt('screenDistanceMm')"
    />
    <TypedField
      v-if="kind === 'goniometer-screen'"
      :fields="fields"
      path="screenDistanceToleranceMm"
      label="That distance, known to ±"
      help="How well the edge comes back to that distance each time. It acts alike on both sides."
      :problem="problemAt('screenDistanceToleranceMm')"
    />
    <TypedField
      :fields="fields"
      path="uncertaintyDeg"
      label="Known to ±"
      help="Read the same thing ten times: most lie within this of their middle."
      :problem="problemAt('uncertaintyDeg')"
    />
    <TypedField
      :fields="fields"
      path="zeroDeg"
      label="Shows too much"
      :help="zeroHelp"
      :problem="problemAt('zeroDeg')"
    />
    <fieldset v-if="kind !== 'level-gauge'" class="rounded-sm border border-default p-3">
      <legend class="px-1 text-sm font-semibold">Find it with two readings of one bevel</legend>
      <UCheckbox
        v-if="screenMm !== null"
        v-model="twice.inLengths"
        class="mb-2"
        size="xl"
        :label="`Spots by their distance from the middle, ${unit}`"
      />
      <div class="grid grid-cols-2 gap-3">
        <UFormField
          v-for="which in ['first', 'turned'] as const"
          :key="which"
          :label="READ[which]"
          :error="spotProblem(which)"
          ><UInput v-model="twice[which]" size="lg" inputmode="decimal" autocomplete="off" class="w-full"
        /></UFormField>
      </div>
      <p class="mt-2 min-h-5 text-sm" aria-live="polite">
        <template v-if="found"
          >The bevel is {{ angleText(found.bevelDeg, found.uncertaintyDeg) }}; the instrument’s own zero is
          {{ differenceText(found.zeroDeg, found.uncertaintyDeg) }}: each ±
          {{ angleText(found.uncertaintyDeg, found.uncertaintyDeg) }}.</template
        >
      </p>
      <UButton color="neutral" variant="outline" label="Apply" :disabled="!found" @click="takeOver" />
    </fieldset>
    <NotesAndSave
      :notes="textAt('notes')"
      :problem="problemAt('notes')"
      :failure="failure"
      :busy="busy"
      @notes="put('notes', $event)"
    />
  </form>
</template>

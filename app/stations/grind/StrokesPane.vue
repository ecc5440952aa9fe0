<script setup lang="ts">
import { WHOLE_EDGE, zoneChosen } from '~/forms/zoneChoice'
import { ZONE_WORD } from '~/words/zoneText'
import { ZONE_KINDS } from '#core/records/blade/zones'
import type { Side } from '#core/records/common/side'
import { ENTRIES, type Strokes } from '#core/log/entry'
import { ofKind } from '#core/log/activeEntries'
import { strokesBefore, strokesMade } from '#core/log/strokesMade'
import { isStrop } from '#core/steel/stones/orders'
import { useStoneDone } from './useStoneDone'
import { useForm } from '~/forms/useForm'
import { useJob } from '~/job/useJob'
import { sheetPath } from '~/navigation/stations'
import { useCollections } from '~/stores/collections'
import { usePreferences } from '~/stores/preferences'
import { momentText } from '~/words/momentText'
import { strokesText } from '~/words/strokesText'

/** Strokes made with the stone on the rod: noted as they are counted, and what they come to stone by stone. */
const job = useJob()
const preferences = usePreferences()
const collections = useCollections()
const names = computed(() => preferences.current.sideNames)
const { form, problems, addProblem, readFigure, validate } = useForm(`strokes:${job.id}`, () => ({
  A: '',
  B: '',
  place: WHOLE_EDGE,
  done: false,
}))
const { recordDone } = useStoneDone()
const kinds = computed(() => ZONE_KINDS.filter((kind) => job.zones.value.some((zone) => zone.kind === kind)))
const places = computed(() => [
  { value: WHOLE_EDGE, label: 'heel to tip' },
  ...kinds.value.map((kind) => ({ value: kind, label: `the ${ZONE_WORD[kind]} alone` })),
])

function note() {
  const zone = zoneChosen(form.value.place)
  const typed = job.sides.value.filter((side) => form.value[side].trim() !== '')
  if (typed.length === 0) return addProblem('A', { code: 'strokes-missing' })
  const entries = typed.map((side): Strokes => {
    const count = readFigure(side, form.value[side], 'count', 'strokes-missing')
    return { ...job.newEntry(), kind: 'strokes', side, count, zone, strop: isStrop(job.stone.value) }
  })
  if (!validate(ENTRIES.strokes.schema, entries, (_, { side }) => side)) return
  // What is added within a sitting takes the place of what it goes on with.
  const before = entries.map((entry) => strokesBefore(job.entries.value, entry))
  const grown = entries.map((entry, i) => ({ ...entry, count: entry.count + (before[i]?.count ?? 0) }))
  job.session.record(
    'strokes',
    grown,
    before.flatMap((one) => one?.id ?? []),
  )
  if (form.value.done) recordDone(typed)
  Object.assign(form.value, { A: '', B: '', done: false })
}
const noted = computed(() => ofKind(job.entriesOfBlade.value, 'strokes'))
const made = computed(() => strokesMade(noted.value))
const stoneName = (id: string | null) => (id === null ? 'a stone' : collections.nameOf(id))
const whatOf = ({ count, side, zone }: Strokes): string =>
  `${count} on ${names.value[side]}${zone ? `, the ${ZONE_WORD[zone]} alone` : ''}`
const retract = ({ id }: Strokes) => void job.session.record('remove an entry', [], [id])
const labelOf = (side: Side) => `${names.value[side]}, strokes`
</script>

<template>
  <SheetPane labelledby="strokes">
    <div class="flex flex-wrap items-baseline justify-between gap-x-4">
      <h2 id="strokes" class="text-lg font-semibold">Strokes made with {{ job.stone.value.name }}</h2>
      <NuxtLink class="text-link" :to="sheetPath(job.id, 'grind', 'bench')">Count them at the stone</NuxtLink>
    </div>
    <form class="mt-2 space-y-3" aria-label="Strokes made" @submit.prevent="note">
      <div class="grid gap-3 sm:grid-cols-3">
        <FigureField
          v-for="side in job.sides.value"
          :key="side"
          v-model="form[side]"
          :label="labelOf(side)"
          :problem="problems[side]"
          whole
          :data-focus="side === job.side.value ? 'strokes' : undefined"
          :data-testid="`strokes-${side}`"
        />
        <LabelledSelect v-model="form.place" label="Where" :items="places" size="xl" />
      </div>
      <UCheckbox v-model="form.done" size="lg" label="The stone has done its work on these sides" />
      <UButton type="submit" size="xl" color="neutral" variant="outline" label="Record them" />
      <p class="text-sm text-muted">Hands behind the edge; no stroke past the tip.</p>
    </form>
    <dl v-if="made.length > 0" class="mt-3 border-t border-default pt-2" data-testid="strokes-made">
      <div v-for="one in made" :key="one.stoneId ?? ''" class="flex flex-wrap gap-x-3">
        <dt class="font-semibold">{{ stoneName(one.stoneId) }}</dt>
        <dd>{{ strokesText(one, names) }}</dd>
      </div>
    </dl>
    <details v-if="noted.length > 0" class="mt-2">
      <summary class="cursor-pointer text-sm text-toned">Each note</summary>
      <ul data-testid="strokes-noted">
        <NotedRow v-for="entry in noted.toReversed()" :key="entry.id" :what="whatOf(entry)" @retract="retract(entry)">
          <span class="min-w-0 flex-1"
            >{{ whatOf(entry) }}
            <span class="block text-sm text-muted"
              >{{ stoneName(entry.stoneId) }}, {{ momentText(entry.at) }}</span
            ></span
          >
        </NotedRow>
      </ul>
    </details>
  </SheetPane>
</template>

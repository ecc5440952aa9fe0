<script setup lang="ts">
import { useAskedFor } from '~/forms/useAskedFor'
import type { InstrumentRecord } from '#core/records/storage/kinds'
import { useCollections } from '~/stores/collections'
import { angleText } from '~/words/angleText'
import { INSTRUMENT_KIND_WORD } from '~/words/recordText'

/** The instruments angles are read with: describe a new one, change, copy or put one away. */
const collections = useCollections()
const chosenId = ref('')
const there = computed(() => collections.instruments.filter((one) => one.archivedAt === null))
const chosen = computed(() => there.value.find((one) => one.id === chosenId.value) ?? null)
const entry = ref<{ from: InstrumentRecord | null; copy: boolean; title: string } | null>(null)
const open = computed({ get: () => entry.value !== null, set: (is) => (entry.value = is ? entry.value : null) })
const describe = (from: InstrumentRecord | null, copy: boolean) =>
  (entry.value = { from, copy, title: !from ? 'A new instrument' : copy ? 'An instrument like this one' : from.name })
useAskedFor('instrument', () => describe(null, false))

function kept({ id }: InstrumentRecord) {
  entry.value = null
  chosenId.value = id
}
</script>

<template>
  <section aria-labelledby="instruments">
    <h2 id="instruments" class="mb-2 text-xl font-semibold">Instruments</h2>
    <ToolActions
      class="mb-3"
      kind="instruments"
      :chosen="chosen"
      :records="collections.instruments"
      word="instrument"
      @describe="describe"
    />
    <p v-if="there.length === 0" class="text-toned">
      None yet, and none is needed to begin. A level gauge or a goniometer with a name says how far its readings can be
      trusted.
    </p>
    <CardChoice
      v-else
      v-slot="{ record }"
      :records="there"
      :chosen="chosenId"
      label="Instrument"
      @choose="chosenId = $event"
      ><RecordTitle class="font-semibold" kind="instruments" :record="record" />
      <span class="flex flex-wrap justify-between gap-x-3 text-sm text-muted"
        ><span>{{ INSTRUMENT_KIND_WORD[record.kind] }}</span
        ><span>± {{ angleText(record.uncertaintyDeg, record.uncertaintyDeg) }}</span></span
      ></CardChoice
    >
    <USlideover
      v-model:open="open"
      :title="entry?.title"
      description="It counts for every reading that is noted with it from now on."
      :ui="{ content: 'max-w-lg' }"
    >
      <template #body><InstrumentEntry v-if="entry" :from="entry.from" :copy="entry.copy" @done="kept" /></template>
    </USlideover>
  </section>
</template>

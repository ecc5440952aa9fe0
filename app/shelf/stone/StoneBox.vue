<script setup lang="ts">
import { useAskedFor, useAskedToMeasure } from '~/forms/useAskedFor'
import type { StoneRecord } from '#core/records/storage/kinds'
import { onRig } from '#core/records/rig/fittedAt'
import type { Rig } from '#core/records/rig/rig'
import { useCollections } from '~/stores/collections'
import { usePreferences } from '~/stores/preferences'
import { stoneGrainText } from '~/words/grainText'
import { lengthText } from '~/words/lengthText'
import { STONE_KIND_WORD } from '~/words/rigText'

/** The stones, coarse to fine: choose one, describe a new one, change, copy or put one away. `rig`: the one in use. */
const props = defineProps<{ title: string; chosen: string; rig?: Rig }>()
const emit = defineEmits<{ choose: [id: string]; described: [stone: StoneRecord] }>()
const collections = useCollections()
const preferences = usePreferences()

const stones = computed(() => collections.stones.filter((s) => s.archivedAt === null || s.id === props.chosen))
/** From the rod to its face, as proofs found it on this rig where they did. */
const faceMm = (one: StoneRecord) => (props.rig ? onRig(props.rig, one) : one).faceOffsetMm
const stone = computed(() => collections.stones.find((one) => one.id === props.chosen) ?? null)
const entry = ref<{ from: StoneRecord | null; copy: boolean; title: string } | null>(null)
const open = computed({ get: () => entry.value !== null, set: (is) => (entry.value = is ? entry.value : null) })
const describe = (from: StoneRecord | null, copy: boolean) =>
  (entry.value = { from, copy, title: !from ? 'A new stone' : copy ? 'A stone like this one' : from.name })
const logOpen = ref(false)
useAskedFor('stone', () => describe(null, false))
useAskedToMeasure(
  () => collections.stones,
  (one) => describe(one, false),
)

function kept(stone: StoneRecord) {
  const isNew = !entry.value?.from || entry.value.copy
  entry.value = null
  if (isNew) emit('described', stone)
}
</script>

<template>
  <section>
    <h2 class="mb-2 text-xl font-semibold">{{ title }}</h2>
    <CardChoice v-slot="{ record }" :records="stones" :chosen="chosen" label="Stone" @choose="emit('choose', $event)">
      <span class="flex flex-wrap items-baseline gap-x-2"
        ><RecordTitle class="font-semibold" kind="stones" :record="record" /><span class="text-sm text-muted">{{
          STONE_KIND_WORD[record.kind]
        }}</span
        ><span class="ml-auto text-sm whitespace-nowrap text-muted"
          >{{ stoneGrainText(record) }} · {{ lengthText(faceMm(record), preferences.unit) }}</span
        ></span
      >
    </CardChoice>
    <p class="mt-2 text-sm text-muted">Grit and grain; then from the rod’s axis to the stone’s face.</p>
    <ToolActions
      class="mt-2"
      kind="stones"
      :chosen="stone"
      :records="collections.stones"
      word="stone"
      @describe="describe"
    >
      <UButton
        color="neutral"
        variant="outline"
        size="lg"
        icon="i-lucide-notebook-pen"
        label="Wear log"
        @click="
          () => {
            logOpen = true
          }
        "
      />
    </ToolActions>
    <USlideover
      v-model:open="open"
      :title="entry?.title"
      description="Measured with a calliper; it counts for every job that uses this stone."
      :ui="{ content: 'max-w-lg' }"
    >
      <template #body><StoneEntry v-if="entry" :from="entry.from" :copy="entry.copy" @done="kept" /></template>
    </USlideover>
    <USlideover
      v-if="stone"
      v-model:open="logOpen"
      :title="`Wear log: ${stone.name}`"
      description="What was measured and done, and what is due."
      :ui="{ content: 'max-w-lg' }"
    >
      <template #body><StoneLog :stone="stone" /></template>
    </USlideover>
  </section>
</template>

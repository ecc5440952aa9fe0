<script setup lang="ts">
import type { KeptStone } from '#core/kept/kept'
import { useBench } from '~/composables/useBench'
import { useBenchActions } from '~/composables/useBenchActions'
import { useCollections } from '~/stores/collections'
import { useJob } from '~/stores/job'
import { usePreferences } from '~/stores/preferences'
import { stoneGrainText } from '~/words/grainText'
import { lengthText } from '~/words/lengthText'
import { STONE_KIND_WORD } from '~/words/rigText'

/** The stones, coarse to fine: choose the one on the rod, describe a new one, change, copy or put one away. */
const collections = useCollections()
const job = useJob()
const bench = useBench()
const actions = useBenchActions()
const preferences = usePreferences()
const toast = useToast()

const stones = computed(() => collections.stones.filter((s) => s.archivedAt === null || s.id === job.content?.stoneId))
const away = computed(() => collections.stones.filter((s) => s.archivedAt !== null))
const entry = ref<{ from: KeptStone | null; copy: boolean; title: string } | null>(null)
const open = computed({ get: () => entry.value !== null, set: (is) => (entry.value = is ? entry.value : null) })
const describe = (from: KeptStone | null, copy: boolean, title: string) => (entry.value = { from, copy, title })

function kept(stone: KeptStone) {
  const isNew = !entry.value?.from || entry.value.copy
  entry.value = null
  if (isNew) actions.chooseStone(stone.id)
}
async function putAway(stone: KeptStone) {
  const answer = await collections.shelveStone(stone, true)
  if (answer.ok) toast.add({ title: `${stone.name} is out of the box`, actions: [{ label: 'Put it back', onClick: () => void collections.shelveStone(answer.value, false) }] })
  else toast.add({ title: answer.problem.message, color: 'error' })
}
</script>

<template>
  <section v-if="job.content">
    <h2 class="mb-2 text-xl font-semibold">Which stone is on the rod?</h2>
    <CardChoice v-slot="{ thing: stone }" :things="stones" :chosen="job.content.stoneId" label="Stone" @choose="actions.chooseStone($event)">
      <span class="flex items-baseline gap-2"><span class="truncate font-semibold">{{ stone.name }}</span><span class="text-sm text-muted">{{ STONE_KIND_WORD[stone.kind] }}</span><span class="ml-auto text-sm whitespace-nowrap text-muted">{{ stoneGrainText(stone) }} · {{ lengthText(stone.faceOffsetMm, preferences.unit) }}</span></span>
    </CardChoice>
    <p class="mt-2 text-sm text-muted">Grit and grain; then from the rod’s axis to the stone’s face.</p>
    <div class="mt-2 flex flex-wrap gap-2">
      <template v-if="bench.stone.value">
        <UButton color="neutral" variant="outline" size="lg" icon="i-lucide-pencil-line" label="Measure anew" :aria-label="`Measure ${bench.stone.value.name} anew`" @click="() => { describe(bench.stone.value, false, bench.stone.value!.name) }" />
        <UButton color="neutral" variant="outline" size="lg" icon="i-lucide-copy" label="Copy" @click="() => { describe(bench.stone.value, true, 'A stone like this one') }" />
        <UButton v-if="bench.stone.value.archivedAt === null" color="neutral" variant="outline" size="lg" icon="i-lucide-archive" label="Put away" @click="putAway(bench.stone.value)" />
      </template>
      <UButton color="neutral" variant="outline" size="lg" icon="i-lucide-plus" label="New stone" @click="() => { describe(null, false, 'A new stone') }" />
    </div>
    <details v-if="away.length > 0" class="mt-3">
      <summary class="cursor-pointer py-1 text-sm">Put away: {{ away.length }}</summary>
      <ul><li v-for="stone in away" :key="stone.id" class="flex items-center justify-between py-1"><span>{{ stone.name }}</span><UButton color="neutral" variant="ghost" label="Put back" @click="async () => { await collections.shelveStone(stone, false) }" /></li></ul>
    </details>
    <USlideover v-model:open="open" :title="entry?.title" description="Measured with a calliper; it counts for every job that uses this stone." :ui="{ content: 'max-w-lg' }">
      <template #body><StoneEntry v-if="entry" :from="entry.from" :copy="entry.copy" @done="kept" /></template>
    </USlideover>
  </section>
</template>

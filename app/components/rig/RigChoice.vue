<script setup lang="ts">
import { useBenchActions } from '~/composables/useBenchActions'
import { stationPath } from '~/stations'
import { useCollections } from '~/stores/collections'
import { useJob } from '~/stores/job'
import { usePreferences } from '~/stores/preferences'
import { lengthText } from '~/words/lengthText'
import { RIG_KIND_WORD, STONE_KIND_WORD } from '~/words/rigText'

const collections = useCollections()
const job = useJob()
const actions = useBenchActions()
const preferences = usePreferences()
const rigs = computed(() => collections.rigs.filter((r) => r.archivedAt === null || r.id === job.content?.rigId))
const stones = computed(() => collections.stones.filter((s) => s.archivedAt === null || s.id === job.content?.stoneId))
</script>

<template>
  <div v-if="job.content" class="grid gap-6 lg:grid-cols-[minmax(0,1fr)_24rem]">
    <section>
      <h1 class="mb-2 text-xl font-semibold">Which rig?</h1>
      <CardChoice v-slot="{ thing: rig }" :things="rigs" :chosen="job.content.rigId" label="Rig" columns @choose="actions.chooseRig($event)">
          <span class="flex items-baseline justify-between gap-2"><span class="truncate text-lg font-semibold">{{ rig.name }}</span><span class="text-sm whitespace-nowrap text-muted">{{ RIG_KIND_WORD[rig.kind] }}</span></span>
          <RigFigure :rig="rig" />
          <span class="block text-sm text-toned">{{ rig.notes }}</span>
          <span class="mt-1 block text-sm text-muted">Pivot {{ lengthText(rig.pivot.setbackMm, preferences.unit) }} {{ rig.kind === 'two-arm' ? 'below the jaws' : rig.jaws ? 'behind the jaws' : 'behind the line' }}</span>
      </CardChoice>
    </section>
    <section>
      <h2 class="mb-2 text-xl font-semibold">Which stone is on the rod?</h2>
      <CardChoice v-slot="{ thing: stone }" :things="stones" :chosen="job.content.stoneId" label="Stone" @choose="actions.chooseStone($event)">
          <span class="flex items-baseline gap-2"><span class="truncate font-semibold">{{ stone.name }}</span><span class="text-sm text-muted">{{ STONE_KIND_WORD[stone.kind] }}</span><span class="ml-auto text-sm whitespace-nowrap text-muted">{{ stone.grainUm }} µm · {{ lengthText(stone.faceOffsetMm, preferences.unit) }}</span></span>
      </CardChoice>
      <p class="mt-2 text-sm text-muted">The length is from the rod’s axis to the stone’s face.</p>
      <UButton class="mt-4" size="xl" trailing-icon="i-lucide-arrow-right" label="Next: the blade" :to="stationPath(job.id!, 'blade')" />
    </section>
  </div>
</template>

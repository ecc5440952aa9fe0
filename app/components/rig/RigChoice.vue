<script setup lang="ts">
import { useBenchActions } from '~/composables/useBenchActions'
import { stationPath } from '~/stations'
import { useCollections } from '~/stores/collections'
import { useJob } from '~/stores/job'
import { usePreferences } from '~/stores/preferences'
import { lengthText } from '~/words/lengthText'
import { RIG_KIND_WORD } from '~/words/rigText'

const collections = useCollections()
const job = useJob()
const actions = useBenchActions()
const preferences = usePreferences()
const rigs = computed(() => collections.rigs.filter((r) => r.archivedAt === null || r.id === job.content?.rigId))
</script>

<template>
  <div v-if="job.content" class="grid gap-6 lg:grid-cols-[minmax(0,1fr)_29rem]">
    <section>
      <h1 class="mb-2 text-xl font-semibold">Which rig?</h1>
      <CardChoice v-slot="{ thing: rig }" :things="rigs" :chosen="job.content.rigId" label="Rig" columns @choose="actions.chooseRig($event)">
          <span class="flex items-baseline justify-between gap-2"><span class="truncate text-lg font-semibold">{{ rig.name }}</span><span class="text-sm whitespace-nowrap text-muted">{{ RIG_KIND_WORD[rig.kind] }}</span></span>
          <RigFigure :rig="rig" />
          <span class="block text-sm text-toned">{{ rig.notes }}</span>
          <span class="mt-1 block text-sm text-muted">Pivot {{ lengthText(rig.pivot.setbackMm, preferences.unit) }} {{ rig.kind === 'two-arm' ? 'below the jaws' : rig.jaws ? 'behind the jaws' : 'behind the line' }}</span>
      </CardChoice>
    </section>
    <div>
      <StoneBox />
      <UButton class="mt-4" size="xl" trailing-icon="i-lucide-arrow-right" label="Next: the blade" :to="stationPath(job.id!, 'blade')" />
    </div>
  </div>
</template>

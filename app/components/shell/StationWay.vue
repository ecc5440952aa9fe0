<script setup lang="ts">
import { stationAt, STATIONS, stationPath, type StationId } from '~/stations'
import { useBench } from '~/composables/useBench'
import { useBenchActions } from '~/composables/useBenchActions'
import { useJob } from '~/stores/job'
import { usePreferences } from '~/stores/preferences'
import { dialText } from '~/words/dialText'
import { lengthText } from '~/words/lengthText'

/** The way through the job: each station says what has been settled there. */
const job = useJob()
const bench = useBench()
const actions = useBenchActions()
const preferences = usePreferences()
const route = useRoute()

const settled = computed<Record<StationId, string>>(() => {
  const setting = actions.dialledNow()
  const out = bench.evaluation.value ? lengthText(bench.evaluation.value.bladeHeightMm, preferences.unit) : ''
  return {
    rig: [bench.rig.value?.name, bench.stone.value?.name].filter(Boolean).join(', '),
    blade: bench.blade.value?.name ?? '',
    clamp: setting && bench.rig.value ? `${out} out, ${dialText(bench.rig.value, setting, preferences.unit)}` : '',
  }
})
const here = (id: StationId) => stationAt(route.path)?.station.id === id
</script>

<template>
  <nav aria-label="The way through this job" class="border-b border-default bg-muted">
    <ol class="mx-auto flex max-w-[120rem] px-2 sm:px-4">
      <li v-for="(station, i) in STATIONS" :key="station.id" class="flex min-w-0 flex-1 items-center">
        <NuxtLink
          :to="stationPath(job.id!, station.id)"
          class="flex min-w-0 flex-1 items-center gap-2 border-b-3 px-2 py-2"
          :class="here(station.id) ? 'border-primary' : 'border-transparent hover:border-accented'"
          :aria-current="here(station.id) ? 'step' : undefined"
        >
          <span
            class="grid size-6 shrink-0 place-items-center rounded-full border text-sm font-semibold"
            :class="here(station.id) ? 'border-primary text-primary' : 'border-accented'"
            >{{ station.key }}</span
          >
          <span class="font-semibold">{{ station.word }}</span>
          <span class="truncate text-sm text-muted max-sm:hidden">{{ settled[station.id] }}</span>
        </NuxtLink>
        <span
          v-if="i < STATIONS.length - 1"
          class="h-px w-4 shrink-0 bg-(--ui-border-accented) sm:w-8"
          aria-hidden="true"
        />
      </li>
    </ol>
  </nav>
</template>

<script setup lang="ts">
import { NuxtLink } from '#components'
import { stationState, type StationId, type StationState } from '#core/process/nextStep/nextStep'
import { useNextStep } from './useNextStep'
import { useJob } from '~/job/useJob'
import { usePreferences } from '~/stores/preferences'
import { UNCERTAINTY, placeAt, sheetPath, STATIONS } from '~/navigation/stations'
import { dialFigures } from '~/words/dialText'
import { lengthText } from '~/words/lengthText'

/**
 * The way through the job: which stations are settled, which is next, which are open; told by shape. Beside it, how
 * sure it all is.
 */
const job = useJob()
const { actions } = job
const preferences = usePreferences()
const { next } = useNextStep()
const route = useRoute()

/** What has been settled at a station, in short. */
const settled = computed<Partial<Record<StationId, string>>>(() => ({
  rig: `${job.rig.value.name}, ${job.stone.value.name}`,
  blade: job.blade.value.name,
  clamp: [
    `${dialFigures(job.rig.value, actions.dialledNow())} ${job.dialled.value[job.side.value].is === 'noted' ? 'dialled' : 'not dialled yet'}`,
    `${lengthText(job.dialFor.value.bladeHeightMm, preferences.unit)} out`,
  ].join(', '),
}))
const here = computed(() => placeAt(route.path)?.room.id)
const stations = computed(() =>
  STATIONS.map((station) => ({
    ...station,
    state: stationState(station.id, next.value),
    here: station.id === here.value,
    byHand: station.sheets.length === 0,
    summary: settled.value[station.id] ?? '',
  })),
)
const STATE_WORD: Record<StationState, string> = { settled: 'settled', next: 'next', open: 'still open' }
</script>

<template>
  <nav
    aria-label="The way through this job"
    class="mx-auto flex w-full max-w-[120rem] border-b border-default bg-muted px-1 sm:px-3"
  >
    <ol class="flex min-w-0 flex-1">
      <li
        v-for="station in stations"
        :key="station.id"
        class="way-stop flex min-w-0"
        :class="{ here: station.here, 'with-summary': station.summary }"
      >
        <component
          :is="station.byHand ? 'span' : NuxtLink"
          :to="station.byHand ? undefined : sheetPath(job.id, station.id)"
          class="flex min-w-0 flex-1 items-center justify-center gap-x-1.5 border-b-3 px-1 py-1.5 max-lg:flex-col lg:justify-start lg:px-2"
          :class="
            station.here
              ? 'border-primary'
              : station.byHand
                ? 'border-transparent text-muted'
                : 'border-transparent hover:border-accented'
          "
          :aria-current="station.here ? 'step' : undefined"
          :data-state="station.state"
          :title="station.byHand ? `${station.word}: done by hand` : station.summary || undefined"
        >
          <svg viewBox="0 0 20 20" class="size-5 shrink-0" aria-hidden="true">
            <template v-if="station.state === 'settled'">
              <circle cx="10" cy="10" r="8.5" fill="var(--ink-soft)" />
              <path d="m6 10.2 2.8 2.8L14.2 7.4" fill="none" stroke="var(--sheet)" stroke-width="2" />
            </template>
            <path v-else-if="station.state === 'next'" d="M2.5 3h9l6.5 7-6.5 7h-9z" fill="var(--accent)" />
            <circle
              v-else
              cx="10"
              cy="10"
              r="7.5"
              fill="none"
              stroke="var(--ink-soft)"
              stroke-width="1.8"
              stroke-dasharray="3 2.4"
            />
          </svg>
          <span class="font-semibold max-lg:text-sm">{{ station.word }}</span>
          <span class="sr-only">{{ STATE_WORD[station.state] }}{{ station.byHand ? ', done by hand' : '' }}</span>
          <span v-if="station.summary" class="truncate text-sm text-muted max-lg:hidden">{{ station.summary }}</span>
        </component>
      </li>
    </ol>
    <NuxtLink
      :to="sheetPath(job.id, UNCERTAINTY.id)"
      class="flex items-center justify-center gap-x-1.5 border-b-3 border-l border-l-default px-1 py-1.5 max-lg:flex-col lg:px-3"
      :class="here === UNCERTAINTY.id ? 'border-b-primary' : 'border-b-transparent hover:border-b-accented'"
      :aria-current="here === UNCERTAINTY.id ? 'step' : undefined"
    >
      <span class="flex size-5 items-center justify-center text-lg leading-none" aria-hidden="true">±</span>
      <span class="font-semibold max-lg:text-sm max-sm:text-xs">{{ UNCERTAINTY.word }}</span>
    </NuxtLink>
  </nav>
</template>

<style scoped>
.way-stop {
  flex: 1 1 0;
}
@media (min-width: 64rem) {
  .way-stop {
    flex: 0 1 auto;
  }
  .way-stop.with-summary {
    flex: 1 1 0;
  }
}
</style>

<script setup lang="ts">
import type { StationId } from '#core/process/steps/step'
import { useJob } from '~/job/useJob'
import { useNextStep } from '~/job/useNextStep'
import { usePreferences } from '~/stores/preferences'
import { UNCERTAINTY, placeAt, sheetPath, STATIONS } from '~/navigation/stations'
import { dialFigures } from '~/words/dialText'
import { lengthText } from '~/words/lengthText'
import { stationFigures, stationStateText } from '~/words/stationText'

/**
 * The way through the job: how each station stands by the facts of its steps, told by shape, and which is next. Beside
 * it, how sure it all is.
 */
const job = useJob()
const { actions } = job
const preferences = usePreferences()
const { next, steps, stations: states } = useNextStep()
const route = useRoute()

/** What is chosen at a station, by its name. */
const chosen = computed<Partial<Record<StationId, string>>>(() => ({
  rig: `${job.rig.value.name}, ${job.stone.value.name}`,
  blade: job.blade.value.name,
}))
/** What came out at a station, in short: as many of the figures as have room, each whole. */
const figures = computed((): Partial<Record<StationId, string[]>> => {
  const noted = job.dialled.value[job.side.value].is === 'noted'
  return {
    clamp: [
      `${dialFigures(job.rig.value, actions.dialledNow())} ${noted ? 'dialled' : 'not dialled yet'}`,
      `${lengthText(job.dialFor.value.bladeHeightMm, preferences.unit)} out`,
    ],
    ...stationFigures(steps.value),
  }
})
const here = computed(() => placeAt(route.path)?.room.id)
const stations = computed(() =>
  STATIONS.map((station) => ({
    ...station,
    state: states.value[station.id],
    isNext: !job.practising && next.value?.station === station.id,
    here: station.id === here.value,
    chosen: chosen.value[station.id],
    figures: figures.value[station.id] ?? [],
  })),
)
const stateText = ({ state, isNext }: (typeof stations.value)[number]): string =>
  `${isNext ? 'next; ' : ''}${stationStateText(state)}`
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
        :class="{ here: station.here, 'with-summary': station.chosen || station.figures.length }"
      >
        <NuxtLink
          :to="sheetPath(job.id, station.id)"
          class="flex min-w-0 flex-1 items-center justify-center gap-x-1.5 border-b-3 px-1 py-1.5 max-lg:flex-col lg:justify-start lg:px-2"
          :class="station.here ? 'border-primary' : 'border-transparent hover:border-accented'"
          :aria-current="station.here ? 'step' : undefined"
          :data-state="station.state.is"
          :data-next="station.isNext || undefined"
          :title="
            [[station.chosen, ...station.figures].filter(Boolean).join(', '), stateText(station)]
              .filter(Boolean)
              .join(': ')
          "
        >
          <StationMark :state="station.state.is" :next="station.isNext" />
          <span class="font-semibold max-lg:text-sm">{{ station.word }}</span>
          <span class="sr-only">{{ stateText(station) }}</span>
          <span v-if="station.chosen" class="truncate text-sm text-muted max-lg:hidden">{{ station.chosen }}</span>
          <span v-else class="figures text-sm text-muted max-lg:hidden"
            ><span v-for="figure in station.figures" :key="figure">{{ figure }}</span></span
          >
        </NuxtLink>
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
  /* What has no room goes to a line that is out of sight. */
  .figures {
    display: flex;
    flex: 1;
    flex-wrap: wrap;
    min-width: 0;
    column-gap: 0.5rem;
    height: 1.25rem;
    overflow: hidden;
  }
  .figures::before {
    height: 100%;
    content: '';
  }
  .figures > span {
    white-space: nowrap;
  }
  .way-stop {
    flex: 0 1 auto;
  }
  .way-stop.with-summary {
    flex: 1 1 0;
  }
}
</style>

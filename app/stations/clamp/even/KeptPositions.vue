<script setup lang="ts">
import { shareOneHold, type KeptPosition, type KeptPositions } from '#core/records/job/positions'
import { useNextStep } from '~/job/useNextStep'
import { useJob } from '~/job/useJob'
import { usePreferences } from '~/stores/preferences'
import { positionText } from '~/words/placementText'
import { theZone, zoneNameAt } from '~/words/zoneText'
import { useKeptPositions } from './useKeptPositions'

/** The positions, or facets, that are kept for the job: each is a button that sets the rig for it. */
const { kept } = defineProps<{ kept: KeptPositions }>()
const job = useJob()
const preferences = usePreferences()
const { failure, isHeld, holdKept, letGo } = useKeptPositions()

const facets = computed(() => shareOneHold(kept))
const facetName = ({ dialForMm }: KeptPosition) => zoneNameAt(job.blade.value, dialForMm)
const { next } = useNextStep()
/** The one that the next step is for; null where it is for none. */
const nextPosition = computed(() => {
  const toDo = next.value?.toDo
  return toDo?.does === 'hold-position' || toDo?.does === 'set-for-facet' ? toDo.position : null
})
</script>

<template>
  <section aria-labelledby="kept-positions">
    <h3 id="kept-positions" class="font-semibold">
      {{ facets ? 'The facets of this job, set one after the other' : 'Positions of this job, printed on its card' }}
    </h3>
    <p v-if="$slots.default" class="text-sm text-muted"><slot /></p>
    <ol class="mt-1">
      <li
        v-for="(position, i) in kept.each"
        :key="i"
        class="flex items-center justify-between gap-3 border-t border-default py-2"
      >
        <p>
          <b>{{ i + 1 }}.</b>
          {{ facets ? facetName(position) : positionText(position, preferences.unit) }}
        </p>
        <b v-if="isHeld(position)" class="whitespace-nowrap">{{ facets ? 'Set for this facet' : 'Held like this' }}</b>
        <UButton
          v-else
          size="lg"
          color="neutral"
          variant="outline"
          :label="facets ? 'Set the rig for it' : 'Hold it like this'"
          :aria-label="facets ? `Set the rig for ${theZone(facetName(position))}` : `Hold it as in position ${i + 1}`"
          :data-focus="i + 1 === nextPosition ? 'next-position' : undefined"
          @click="holdKept(position)"
        />
      </li>
    </ol>
    <UButton
      color="neutral"
      variant="outline"
      size="lg"
      :label="facets ? 'Use one setting for all' : 'Remove the positions'"
      @click="letGo"
    />
    <p v-if="failure" role="alert" class="mt-1 text-error">{{ failure }}</p>
  </section>
</template>

<script setup lang="ts">
import type { ZoneKind } from '#core/records/blade/zones'
import { useEdgeWorked } from './useEdgeWorked'
import { useTally } from './useTally'
import { useJob } from '~/job/useJob'
import { usePreferences } from '~/stores/preferences'
import { BURR_STATE_WORD, burrMissingText, edgeOwedText, scratchesText, stopsText } from '~/words/benchText'
import { momentText } from '~/words/momentText'
import { problemText } from '~/words/problemText'
import { capital } from '~/words/sentence'
import { burrText } from '~/words/sharpnessText'
import { ZONE_WORD } from '~/words/zoneText'

/** Along the edge: where the steel went and which way the scratches run, strokes on one zone alone, and the burr. */
const job = useJob()
const preferences = usePreferences()
const names = computed(() => preferences.current.sideNames)
const tally = useTally()
const worked = useEdgeWorked()
const { stretch, places, shares, leans, starved, owed, stops, kinds, burrSide, burrs, burrIn, lastBurr } = worked
const where = computed(() => [
  { zone: null, label: 'Heel to tip' },
  ...kinds.value.map((zone) => ({ zone, label: capital(ZONE_WORD[zone]) })),
])
const localCount = (zone: ZoneKind) => tally.countOf(job.side.value, job.stone.value.id, zone)
/** Nothing is owed before a first round of strokes. */
const LEAST_TO_TELL = 10
const owedText = computed(() =>
  tally.countOf(job.side.value, job.stone.value.id) < LEAST_TO_TELL && owed.value === 0
    ? ''
    : edgeOwedText(starved.value, owed.value),
)
const noBurr = computed(() => kinds.value.filter((zone) => !burrIn.value.includes(zone)))
const toggleBurr = (zone: ZoneKind) =>
  worked.noteBurr(burrIn.value.includes(zone) ? burrIn.value.filter((one) => one !== zone) : [...burrIn.value, zone])
</script>

<template>
  <SheetPane labelledby="bench-edge" class="flex flex-col gap-3">
    <h3 id="bench-edge" class="text-lg font-semibold">Along the edge</h3>
    <ScratchedEdge v-bind="{ stretch, zones: job.zones.value, places, shares, leans }" />
    <p class="text-toned">{{ scratchesText(leans[0] ?? null, leans.at(-1) ?? null) }}</p>
    <div v-if="kinds.length > 1" role="group" aria-labelledby="bench-where" class="flex flex-wrap items-center gap-2">
      <span id="bench-where" class="w-full text-toned sm:w-auto">Strokes go</span>
      <button
        v-for="one in where"
        :key="one.zone ?? ''"
        type="button"
        class="bench-chip"
        :aria-pressed="tally.zone.value === one.zone"
        :data-testid="`where-${one.zone ?? 'all'}`"
        @click="tally.workOn(one.zone)"
      >
        {{ one.label }}{{ one.zone && localCount(one.zone) > 0 ? ` ${localCount(one.zone)}` : '' }}
      </button>
    </div>
    <p v-if="owedText" role="status" class="text-lg" data-testid="edge-owed">{{ owedText }}</p>
    <div v-if="kinds.length > 1" role="group" aria-labelledby="bench-burr" class="flex flex-wrap items-center gap-2">
      <span id="bench-burr" class="w-full text-toned sm:w-auto">Burr felt on {{ names[burrSide] }}</span>
      <button
        v-for="zone in kinds"
        :key="zone"
        type="button"
        class="bench-chip"
        :aria-pressed="burrIn.includes(zone)"
        :data-testid="`burr-${zone}`"
        @click="toggleBurr(zone)"
      >
        <span>{{ capital(ZONE_WORD[zone]) }}</span>
        <span class="text-sm font-normal">{{ BURR_STATE_WORD[burrs[burrSide].get(zone) ?? 'not-looked'] }}</span>
      </button>
    </div>
    <p v-if="burrIn.length > 0" role="status" data-testid="burr-missing">
      {{
        noBurr.length > 0 ? burrMissingText(noBurr) : `A burr all along ${names[burrSide]}: the apex is reached here.`
      }}
    </p>
    <p v-else-if="lastBurr" class="text-toned">
      {{ capital(burrText(lastBurr.burr!, names)) }}, {{ momentText(lastBurr.at) }}
    </p>
    <p class="text-toned" data-testid="bench-stops">
      {{
        stops.ok ? stopsText(stops, job.stone.value.lengthMm, preferences.unit) : problemText(stops, preferences.unit)
      }}
    </p>
  </SheetPane>
</template>

<style scoped>
.bench-chip {
  min-height: 2.75rem;
  min-width: 2.75rem;
  cursor: pointer;
  border: 1px solid var(--ui-border-accented);
  border-radius: 0.25rem;
  background: var(--ui-bg);
  padding: 0.25rem 0.75rem;
  font-weight: 600;
  display: inline-flex;
  align-items: center;
  gap: 0.375rem;
}
.bench-chip[aria-pressed='true'] {
  background: var(--ui-bg-inverted);
  color: var(--ui-text-inverted);
}
</style>

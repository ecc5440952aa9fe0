<script setup lang="ts">
import type { ZoneKind } from '#core/records/blade/zones'
import { useEdgeWorked } from './useEdgeWorked'
import { useTally } from './useTally'
import { useJob } from '~/job/useJob'
import { sheetPath } from '~/navigation/stations'
import { usePreferences } from '~/stores/preferences'
import { BURR_STATE_WORD, burrMissingText, edgeOwedText, scratchesText, stopsText } from '~/words/benchText'
import { momentText } from '~/words/momentText'
import { scratchesShownText } from '~/words/scratchText'
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
const { stretch, places, shares, leans, starved, owed, stops, kinds, burrSide, burrs, burrIn, lastBurr, shown } = worked
const WHOLE_EDGE = 'all' as const
const strokesGo = (where: ZoneKind | typeof WHOLE_EDGE) => tally.workOn(where === WHOLE_EDGE ? null : where)
const where = computed(() => [
  { key: WHOLE_EDGE, label: 'Heel to tip', isOn: tally.zone.value === null },
  ...kinds.value.map((zone) => ({
    key: zone,
    label: capital(ZONE_WORD[zone]),
    note: localText(zone),
    isOn: tally.zone.value === zone,
  })),
])
const localText = (zone: ZoneKind) => String(tally.countOf(job.side.value, zone) || '')
const burrChips = computed(() =>
  kinds.value.map((zone) => ({
    key: zone,
    label: capital(ZONE_WORD[zone]),
    note: BURR_STATE_WORD[burrs.value[burrSide.value].get(zone) ?? 'not-looked'],
    isOn: burrIn.value.includes(zone),
  })),
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
    <p data-testid="bench-scratches">
      <template v-if="shown"
        >Scratches in the picture of {{ momentText(shown.at) }}: {{ scratchesShownText(shown) }}. </template
      ><NuxtLink class="text-link" :to="sheetPath(job.id, 'grind', 'photo')">Photograph the scratches</NuxtLink>
      ·
      <NuxtLink class="text-link" :to="sheetPath(job.id, 'mark')">Ink it again</NuxtLink>
    </p>
    <ChipRow v-if="kinds.length > 1" label="Strokes go" name="where" :items="where" @press="strokesGo" />
    <p v-if="owed > 0 || starved.length > 0" role="status" class="text-lg" data-testid="edge-owed">
      {{ edgeOwedText(starved, owed) }}
    </p>
    <ChipRow
      v-if="kinds.length > 1"
      :label="`Burr felt on ${names[burrSide]}`"
      name="burr"
      :items="burrChips"
      @press="toggleBurr"
    />
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

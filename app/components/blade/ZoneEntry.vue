<script setup lang="ts">
import { ZONE_KINDS, type Zone, type ZoneKind } from '#core/blade/zones'
import { ZONE_WORD } from '~/words/zoneText'
import { exactFigure } from '~/describing/draft'
import { usePreferences } from '~/stores/preferences'
import { lengthText } from '~/words/lengthText'

type TypedZone = { kind: ZoneKind; fromMm: string; toMm: string }

/** The zones of an edge: as found from its curvature, or set by hand. Null: as found. */
const props = defineProps<{ found: readonly Zone[] }>()
const zones = defineModel<TypedZone[] | null>({ required: true })
const preferences = usePreferences()
const kinds = ZONE_KINDS.map((kind) => ({ value: kind, label: ZONE_WORD[kind] }))
const figure = (mm: number) => exactFigure(Math.round(mm * 10) / 10, preferences.unit)
function byHand() {
  zones.value = props.found.map((zone) => ({ kind: zone.kind, fromMm: figure(zone.fromMm), toMm: figure(zone.toMm) }))
}
/** Where one zone ends the next begins. */
function moveEnd(i: number, text: string) {
  if (!zones.value) return
  zones.value[i]!.toMm = text
  if (zones.value[i + 1]) zones.value[i + 1]!.fromMm = text
}
</script>

<template>
  <fieldset class="space-y-2">
    <legend class="font-medium">Zones of the edge</legend>
    <template v-if="zones === null">
      <p class="text-sm text-toned">
        Found from its curvature:
        {{ found.map((zone) => `${ZONE_WORD[zone.kind]} to ${lengthText(zone.toMm, preferences.unit)}`).join(', ') }}.
      </p>
      <UButton color="neutral" variant="outline" label="Set them by hand" @click="byHand" />
    </template>
    <template v-else>
      <div v-for="(zone, i) in zones" :key="i" class="flex items-center gap-2">
        <USelect v-model="zone.kind" :items="kinds" class="w-32" :aria-label="`Kind of zone ${i + 1}`" />
        <span class="text-sm text-muted">to</span>
        <UInput
          :model-value="zone.toMm"
          inputmode="decimal"
          class="w-28"
          :aria-label="`End of zone ${i + 1}, from the heel, ${preferences.unit}`"
          @update:model-value="moveEnd(i, String($event))"
        />
        <span class="text-sm text-muted">{{ preferences.unit }}</span>
      </div>
      <UButton
        color="neutral"
        variant="outline"
        label="As found"
        @click="
          () => {
            zones = null
          }
        "
      />
    </template>
  </fieldset>
</template>

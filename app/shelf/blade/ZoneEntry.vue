<script setup lang="ts">
import { nth } from '#core/math/list'
import { ZONE_KINDS, type Zone, type ZoneKind } from '#core/records/blade/zones'
import { ZONE_WORD } from '~/words/zoneText'
import { parseLengthMm } from '#core/math/units/length'
import { exactFigure } from '~/forms/draft'
import { usePreferences } from '~/stores/preferences'
import { lengthText } from '~/words/lengthText'

type TypedZone = { kind: ZoneKind; fromMm: string; toMm: string }

/** The zones of an edge: as found from its curvature, or set by hand. Null: as found. */
const props = defineProps<{
  found: readonly Zone[]
  /** What is wrong with the end of a zone. */
  problem: (index: number) => string | undefined
}>()
const zones = defineModel<TypedZone[] | null>({ required: true })
const preferences = usePreferences()
const kinds = ZONE_KINDS.map((kind) => ({ value: kind, label: ZONE_WORD[kind] }))
const figure = (mm: number) => exactFigure(Math.round(mm * 10) / 10, preferences.unit)
function byHand() {
  zones.value = props.found.map((zone) => ({ kind: zone.kind, fromMm: figure(zone.fromMm), toMm: figure(zone.toMm) }))
}
/** A zone more: the last one is parted in its middle, and the new one is at the tip's end. */
function add() {
  const last = zones.value?.at(-1)
  if (!zones.value || !last) return
  const [from, to] = [parseLengthMm(last.fromMm, preferences.unit), parseLengthMm(last.toMm, preferences.unit)]
  const middle = from.ok && to.ok ? figure((from.value + to.value) / 2) : ''
  const before = zones.value.slice(0, -1)
  zones.value = [...before, { ...last, toMm: middle }, { kind: last.kind, fromMm: middle, toMm: last.toMm }]
}
/** What it held goes to its neighbour. */
function drop(i: number) {
  if (!zones.value) return
  const left = zones.value.filter((_, k) => k !== i).map((zone) => ({ ...zone }))
  const gone = nth(zones.value, i)
  if (i === 0) nth(left, 0).fromMm = gone.fromMm
  else nth(left, i - 1).toMm = gone.toMm
  zones.value = left
}
/** Where one zone ends the next begins. */
function moveEnd(i: number, text: string) {
  if (!zones.value) return
  nth(zones.value, i).toMm = text
  if (zones.value[i + 1]) nth(zones.value, i + 1).fromMm = text
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
      <div v-for="(zone, i) in zones" :key="i">
        <div class="flex items-center gap-2">
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
          <UButton
            v-if="zones.length > 1"
            color="neutral"
            variant="ghost"
            icon="i-lucide-x"
            :aria-label="`Remove zone ${i + 1}`"
            @click="drop(i)"
          />
        </div>
        <p v-if="problem(i)" role="alert" class="text-sm text-error">{{ problem(i) }}</p>
      </div>
      <div class="flex gap-2">
        <UButton color="neutral" variant="outline" icon="i-lucide-plus" label="A zone more" @click="add" />
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
      </div>
    </template>
  </fieldset>
</template>

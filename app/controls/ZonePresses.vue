<script setup lang="ts">
import type { ZoneKind } from '#core/records/blade/zones'
import { useJob } from '~/job/useJob'
import { ZONE_WORD } from '~/words/zoneText'

/** Zones of the edge to be pressed, any number of them. */
const zones = defineModel<ZoneKind[]>({ required: true })
/** What is found there, and what none of them pressed says. */
defineProps<{ finds: string; none: string }>()
const job = useJob()
const kinds = computed(() => [...new Set(job.zones.value.map(({ kind }) => kind))])
function toggle(zone: ZoneKind) {
  zones.value = zones.value.includes(zone) ? zones.value.filter((one) => one !== zone) : [...zones.value, zone]
}
</script>

<template>
  <div role="group" :aria-label="finds">
    <p class="text-sm font-medium">
      {{ finds }}
      <span class="text-muted">({{ none }})</span>
    </p>
    <div class="mt-1 flex flex-wrap gap-2">
      <UButton
        v-for="zone in kinds"
        :key="zone"
        :color="zones.includes(zone) ? 'primary' : 'neutral'"
        :variant="zones.includes(zone) ? 'solid' : 'outline'"
        size="lg"
        :label="ZONE_WORD[zone]"
        :aria-pressed="zones.includes(zone)"
        @click="toggle(zone)"
      />
    </div>
  </div>
</template>

<script setup lang="ts">
import { FROM_HEEL, useEdgePlace, type TypedPlace } from './useEdgePlace'
import { usePreferences } from '~/stores/preferences'

/** Where along the edge something was measured. */
const place = defineModel<TypedPlace>({ required: true })
/** What is wrong is told once it was tried. */
defineProps<{ tried: boolean }>()
const preferences = usePreferences()
const { places, problem } = useEdgePlace(place)
</script>

<template>
  <LabelledSelect
    label="On"
    :model-value="place.place"
    :items="places"
    @update:model-value="place = { ...place, place: $event }"
  />
  <UFormField
    v-if="place.place === FROM_HEEL"
    :label="`From the heel, ${preferences.unit}`"
    :error="(tried && problem) || undefined"
    ><UInput
      :model-value="place.fromHeel"
      size="lg"
      inputmode="decimal"
      autocomplete="off"
      class="w-full"
      @update:model-value="place = { ...place, fromHeel: String($event) }"
  /></UFormField>
</template>

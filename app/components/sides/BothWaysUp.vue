<script setup lang="ts">
import { usePreferences } from '~/stores/preferences'

/** The same measured with A up and with B up. */
const props = defineProps<{
  title: string
  how: string
  unit: string
  ways?: [string, string]
  problems: { a: string; b: string }
  name: string
}>()
const pair = defineModel<{ a: string; b: string }>({ required: true })
const preferences = usePreferences()
const words = computed(
  () => props.ways ?? [`${preferences.current.sideNames.A} up`, `${preferences.current.sideNames.B} up`],
)
</script>

<template>
  <fieldset>
    <legend class="font-medium">{{ title }}</legend>
    <p class="text-sm text-muted">{{ how }}</p>
    <div class="mt-1 grid grid-cols-2 gap-3">
      <UFormField
        v-for="(way, i) in ['a', 'b'] as const"
        :key="way"
        :label="`${words[i]}, ${unit}`"
        :error="problems[way] || undefined"
      >
        <UInput
          v-model="pair[way]"
          size="lg"
          inputmode="decimal"
          autocomplete="off"
          class="w-full"
          :data-testid="`${name}-${way}`"
        />
      </UFormField>
    </div>
  </fieldset>
</template>

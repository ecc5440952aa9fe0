<script setup lang="ts">
import { SIDES, type PerSide, type Side } from '#core/records/common/side'
import { usePreferences } from '~/stores/preferences'

/** The same measured with A up and with B up. */
const props = defineProps<{
  title: string
  how: string
  unit: string
  labels?: [string, string]
  problems: PerSide<string>
  name: string
}>()
const pair = defineModel<Record<Side, string>>({ required: true })
const preferences = usePreferences()
const words = computed(
  () => props.labels ?? [`${preferences.current.sideNames.A} up`, `${preferences.current.sideNames.B} up`],
)
</script>

<template>
  <fieldset>
    <legend class="font-medium">{{ title }}</legend>
    <p class="text-sm text-muted">{{ how }}</p>
    <div class="mt-1 grid grid-cols-2 gap-3">
      <UFormField
        v-for="(side, i) in SIDES"
        :key="side"
        :label="`${words[i]}, ${unit}`"
        :error="problems[side] || undefined"
      >
        <UInput
          v-model="pair[side]"
          size="lg"
          inputmode="decimal"
          autocomplete="off"
          class="w-full"
          :data-testid="`${name}-${side}`"
        />
      </UFormField>
    </div>
  </fieldset>
</template>

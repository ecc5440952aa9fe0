<script setup lang="ts" generic="T extends string">
/** What is tapped in a photograph, and the buttons for taps without a pointer. The slot says how to tap it. */
defineProps<{ choices: { value: T; label: string }[]; orientation?: 'horizontal' | 'vertical' }>()
defineEmits<{ removeLast: []; addMiddle: [] }>()
const tapping = defineModel<T>({ required: true })
</script>

<template>
  <div>
    <h3 class="font-semibold">Tap in the picture</h3>
    <URadioGroup
      :model-value="tapping"
      :items="choices as { value: string; label: string }[]"
      :orientation="orientation ?? 'horizontal'"
      size="lg"
      aria-label="What is tapped"
      @update:model-value="tapping = $event as T"
    />
    <p class="mt-1 text-sm text-muted" aria-live="polite"><slot /></p>
    <div class="mt-1 flex flex-wrap gap-2">
      <UButton color="neutral" variant="outline" label="Remove the last" @click="$emit('removeLast')" />
      <UButton color="neutral" variant="outline" label="Add one in the middle" @click="$emit('addMiddle')" />
    </div>
  </div>
</template>

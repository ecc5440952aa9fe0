<script setup lang="ts">
/** A figure that is typed, under its label, with what is wrong with it. */
defineProps<{
  label: string
  problem: string | undefined
  /** What is taken where nothing is typed. */
  usual?: string
  whole?: boolean
}>()
const text = defineModel<string>({ required: true })
defineOptions({ inheritAttrs: false })
</script>

<template>
  <UFormField :label="label" :error="problem"
    ><UInput
      v-model="text"
      size="xl"
      :inputmode="whole ? 'numeric' : 'decimal'"
      autocomplete="off"
      class="w-full"
      :placeholder="usual"
      v-bind="$attrs"
  /></UFormField>
</template>

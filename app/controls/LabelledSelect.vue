<script setup lang="ts" generic="T extends string | number">
/** A choice of one of several with its label above. */
const props = defineProps<{
  label: string
  modelValue?: T
  items: readonly { readonly value: T; readonly label: string }[]
  placeholder?: string
  size?: 'lg' | 'xl'
}>()
const emit = defineEmits<{ 'update:modelValue': [value: T] }>()
defineOptions({ inheritAttrs: false })
/** The kit's select tells no kinds of values apart. */
const chosen = computed((): string | number | undefined => props.modelValue)
const choices = computed((): { value: string | number; label: string }[] =>
  props.items.map(({ value, label }) => ({ value, label })),
)
</script>

<template>
  <UFormField :label="label"
    ><template #hint><TermHelp :label="label" /></template
    ><USelect
      :model-value="chosen"
      :items="choices"
      :size="size ?? 'lg'"
      :placeholder="placeholder"
      class="w-full"
      v-bind="$attrs"
      @update:model-value="emit('update:modelValue', $event as T)"
  /></UFormField>
</template>

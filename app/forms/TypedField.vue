<script setup lang="ts">
import type { Fields } from './useFields'

/** One fact or figure of a record being described, under its label; its unit comes from the record's schema. */
const props = defineProps<{
  fields: Fields
  path: string
  label: string
  help?: string
  placeholder?: string
  problem?: string
}>()
const unit = computed(() => props.fields.unitText(props.path))
</script>

<template>
  <UFormField :label="unit ? `${label}, ${unit}` : label" :help="help" :error="problem"
    ><template #hint><TermHelp :label="label" /></template
    ><UInput
      :model-value="fields.textAt(path)"
      size="lg"
      class="w-full"
      :inputmode="fields.isFigure(path) ? 'decimal' : undefined"
      :maxlength="fields.isFigure(path) ? undefined : 80"
      :placeholder="placeholder"
      @update:model-value="fields.put(path, String($event))"
  /></UFormField>
</template>

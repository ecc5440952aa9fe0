<script setup lang="ts" generic="T extends { id: string }">
/** A choice among records that are shown as cards: radio buttons, arrow keys and all. */
const props = defineProps<{ records: T[]; chosen: string; label: string; columns?: boolean }>()
const emit = defineEmits<{ choose: [id: string] }>()
const items = computed<{ value: string; label: string; record: unknown }[]>(() =>
  props.records.map((record) => ({ value: record.id, label: record.id, record })),
)
const ui = computed(() => ({
  fieldset: props.columns ? 'grid grid-cols-[minmax(0,1fr)] gap-3 sm:grid-cols-2' : 'min-w-0 gap-1.5',
  item: 'choice-card',
  wrapper: 'w-full text-left min-w-0',
  label: 'font-normal',
  container: 'h-0 w-0',
}))
</script>

<template>
  <URadioGroup
    :items="items"
    :model-value="chosen"
    :aria-label="label"
    variant="card"
    indicator="hidden"
    :ui="ui"
    @update:model-value="emit('choose', String($event))"
  >
    <template #label="{ item }"><slot :record="item.record as T" /></template>
  </URadioGroup>
</template>

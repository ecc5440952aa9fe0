<script setup lang="ts" generic="K extends string">
/** A row of buttons that are on or off, behind what they are about. */
defineProps<{
  label: string
  name: string
  items: readonly { readonly key: K; readonly label: string; readonly note?: string; readonly isOn: boolean }[]
}>()
const emit = defineEmits<{ press: [key: K] }>()
const id = useId()
</script>

<template>
  <div role="group" :aria-labelledby="id" class="flex flex-wrap items-center gap-2">
    <span :id="id" class="w-full text-toned sm:w-auto">{{ label }}</span>
    <button
      v-for="item in items"
      :key="item.key"
      type="button"
      class="inline-flex min-h-11 min-w-11 cursor-pointer items-center gap-1.5 rounded-sm border border-accented px-3 py-1 font-semibold"
      :class="item.isOn ? 'bg-inverted text-inverted' : 'bg-default hover:bg-elevated'"
      :aria-pressed="item.isOn"
      :data-testid="`${name}-${item.key}`"
      @click="emit('press', item.key)"
    >
      <span>{{ item.label }}</span>
      <span v-if="item.note" class="text-sm font-normal">{{ item.note }}</span>
    </button>
  </div>
</template>

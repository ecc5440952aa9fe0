<script setup lang="ts">
/** What was put away, put back from here; `left`: how many more there are. */
defineProps<{ total: number; records: readonly { id: string; name: string }[]; left?: number }>()
const emit = defineEmits<{ open: [opened: boolean]; back: [id: string]; more: [] }>()
</script>

<template>
  <details v-if="total > 0" class="mt-2" @toggle="emit('open', ($event.currentTarget as HTMLDetailsElement).open)">
    <summary class="cursor-pointer py-1 text-sm">Archived: {{ total }}</summary>
    <ul>
      <li v-for="record in records" :key="record.id" class="flex items-center justify-between py-1">
        <span>{{ record.name }}</span><UButton
          color="neutral"
          variant="ghost"
          label="Unarchive"
          :aria-label="`Unarchive ${record.name}`"
          @click="emit('back', record.id)"
        />
      </li>
    </ul>
    <UButton
      v-if="left"
      color="neutral"
      variant="ghost"
      size="lg"
      :label="`Show more, ${left} are left`"
      @click="emit('more')"
    />
  </details>
</template>

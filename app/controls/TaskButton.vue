<script setup lang="ts">
/** Starts a task; while it runs, shows how far it is and a way to stop it. */
defineProps<{ label: string; running: boolean; done: number; most: number; progress: string; focus?: string }>()
const emit = defineEmits<{ start: []; stop: [] }>()
</script>

<template>
  <div class="flex min-h-10 items-center gap-3">
    <UButton v-if="!running" size="lg" :label="label" :data-focus="focus" @click="emit('start')" />
    <template v-else>
      <UProgress :model-value="done" :max="most" :aria-label="progress" class="flex-1" />
      <UButton color="neutral" variant="outline" size="lg" label="Stop" @click="emit('stop')" />
    </template>
  </div>
</template>

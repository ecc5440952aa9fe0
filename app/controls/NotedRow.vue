<script setup lang="ts">
/** One line of what was noted, which can be struck out. `what`: as it is called there. */
defineProps<{ what: string }>()
const emit = defineEmits<{ retract: [] }>()
</script>

<template>
  <li class="flex items-center gap-3 border-t border-default py-1.5 first:border-t-0">
    <slot />
    <UButton
      color="neutral"
      variant="ghost"
      icon="i-lucide-x"
      size="lg"
      :aria-label="`Remove ${what}`"
      @click="emit('retract')"
    />
  </li>
</template>

<script setup lang="ts">
/** Says that what is being described was begun earlier, and offers to begin anew. */
defineEmits<{ anew: [] }>()
</script>

<template>
  <p class="flex items-center justify-between gap-2 rounded-sm border border-default px-3 py-1.5 text-sm">
    <span>You began this earlier; it stands as you left it.</span>
    <UButton color="neutral" variant="outline" label="Start over" @click="$emit('anew')" />
  </p>
</template>

<script setup lang="ts">
/** A large button for wet hands; the one that is likely next stands out. */
defineProps<{ label: string; standsOut?: boolean }>()
</script>

<template>
  <UButton
    class="min-h-14 justify-center"
    :ui="{ label: 'text-center' }"
    size="xl"
    :color="standsOut ? 'primary' : 'neutral'"
    :variant="standsOut ? 'solid' : 'outline'"
    :label="label"
  />
</template>

<script setup lang="ts">
/** A pane of a sheet. `labelledby`: the id of its heading. */
defineProps<{ labelledby?: string; label?: string }>()
</script>

<template>
  <section class="pane" :aria-labelledby="labelledby" :aria-label="label"><slot /></section>
</template>

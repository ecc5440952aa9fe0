<script setup lang="ts">
/** An address that is none of ours. */
useHead({ title: 'No such page · Jaw Tilt' })
</script>

<template>
  <main id="work" class="mx-auto max-w-lg p-8">
    <h1 class="text-xl font-semibold">There is no page at this address</h1>
    <p class="mt-2">It may be mistyped, or from an earlier version.</p>
    <UButton class="mt-4" size="lg" to="/" label="All jobs" />
  </main>
</template>

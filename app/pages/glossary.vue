<script setup lang="ts">
/** The words of the trade, on a page of their own. */
useHead({ title: 'Glossary · Jaw Tilt' })
</script>

<template>
  <main id="work" class="mx-auto w-full max-w-3xl px-4 py-6">
    <div class="mb-4 flex flex-wrap items-end justify-between gap-x-4 gap-y-2">
      <h1 class="text-2xl font-semibold">Glossary</h1>
      <UButton to="/" color="neutral" variant="outline" size="xl" label="The bench" icon="i-lucide-arrow-left" />
    </div>
    <div class="pane"><TermList :station="null" /></div>
  </main>
</template>

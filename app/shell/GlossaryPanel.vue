<script setup lang="ts">
import { placeAt } from '~/navigation/stations'
import { useOpenPanel } from '~/stores/openPanel'

/** The words of the trade, beside the sheet where one stands: those of its station first. */
const { panel } = useOpenPanel()
const route = useRoute()
const open = computed({ get: () => panel.value === 'glossary', set: (is) => (panel.value = is ? 'glossary' : null) })
const station = computed(() => placeAt(route.path)?.room.id ?? null)
</script>

<template>
  <USlideover v-model:open="open" title="Glossary" description="The words of the trade; those of this station first.">
    <template #body><TermList :station="station" /></template>
  </USlideover>
</template>

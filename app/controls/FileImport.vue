<script setup lang="ts">
import { useFileImport } from '~/composables/useFileImport'

/** A button that imports a file: how far it is, what was imported, or why it cannot be. */
defineProps<{ label: string }>()
const { importFile, done, problems, job, fraction, underWay } = useFileImport()
</script>

<template>
  <div>
    <div class="flex flex-wrap gap-2">
      <slot />
      <FileButton
        :label="label"
        named="File to import"
        accept=".json,.csv,.tsv,.txt,application/json,text/csv"
        @chosen="importFile"
      />
    </div>
    <div v-if="underWay" class="mt-1 flex items-center gap-3">
      <UProgress
        :model-value="fraction === null ? null : Math.round(fraction * 100)"
        class="flex-1"
        aria-label="Imported"
      />
      <UButton color="neutral" variant="outline" label="Cancel" @click="() => underWay?.abort()" />
    </div>
    <p v-if="done" role="status" class="mt-2">{{ done }}</p>
    <UButton v-if="job" class="mt-2" size="lg" :label="`Open “${job.name}”`" :to="job.path" />
    <ul v-if="problems.length > 0" role="alert" class="mt-2 text-error">
      <li v-for="problem in problems" :key="problem">{{ problem }}</li>
    </ul>
  </div>
</template>

<template>
  <fieldset>
    <legend class="mb-1 font-medium">All data</legend>
    <FileImport label="Import">
      <UButton
        color="neutral"
        variant="outline"
        size="lg"
        icon="i-lucide-download"
        label="Export"
        to="/api/backup"
        external
        download
      />
    </FileImport>
    <p class="mt-1 text-sm text-muted">
      One JSON file. Importing it adds what is missing and what is newer; nothing is removed. The record of a single job
      is imported the same way.
    </p>
  </fieldset>
</template>

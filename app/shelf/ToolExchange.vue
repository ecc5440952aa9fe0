<template>
  <section aria-labelledby="exchange">
    <h2 id="exchange" class="font-semibold">Export and import</h2>
    <p class="text-sm text-muted">
      Rigs and stones as JSON (<a href="/schema/jaw-tilt-tools.schema.json" class="underline" target="_blank"
        >its schema</a
      >), stones also as a table. The record of a job can be imported here too.
    </p>
    <FileImport label="Import a file" class="mt-2">
      <UButton
        color="neutral"
        variant="outline"
        size="lg"
        icon="i-lucide-download"
        label="Rigs and stones"
        to="/api/tools"
        external
        download
      />
      <UButton
        color="neutral"
        variant="outline"
        size="lg"
        icon="i-lucide-download"
        label="Stones as a table"
        to="/api/stones.csv"
        external
        download
      />
    </FileImport>
  </section>
</template>

<script setup lang="ts">
import { broughtBack } from '#core/kept/backup'
import { ask } from '~/saving/api'
import { useCollections } from '~/stores/collections'
import { useJob } from '~/stores/job'

/** Takes all data out as one open file, and brings such a file back. */
const collections = useCollections()
const job = useJob()
const told = ref('')
const problems = ref<string[]>([])
const MOST_PROBLEMS_TOLD = 5

async function bringBack(file: File) {
  told.value = ''
  problems.value = []
  let content: unknown
  try {
    content = JSON.parse(await file.text())
  } catch {
    problems.value = [`${file.name} is no JSON file. Nothing was changed.`]
    return
  }
  const answer = await ask(broughtBack, '/api/backup', 'POST', content)
  if (!answer.ok) {
    const named = answer.problem.fields
      .slice(0, MOST_PROBLEMS_TOLD)
      .map((f) => (f.field ? `${f.field}: ${f.message}` : f.message))
    problems.value = [
      `${file.name} cannot be brought back. Nothing was changed.`,
      ...(named.length > 0 ? named : [answer.problem.message]),
    ]
    return
  }
  const { added, updated, left } = answer.value
  told.value = `${added} added, ${updated} brought up to date, ${left} left as they are.`
  await collections.load()
  if (job.id) await job.open(job.id)
}
</script>

<template>
  <fieldset>
    <legend class="mb-1 font-medium">All data</legend>
    <div class="flex flex-wrap gap-2">
      <UButton
        color="neutral"
        variant="outline"
        size="lg"
        icon="i-lucide-download"
        label="Take out"
        to="/api/backup"
        external
        download
      />
      <FileButton label="Bring back" named="File to bring back" accept="application/json,.json" @chosen="bringBack" />
    </div>
    <p class="mt-1 text-sm text-muted">
      One JSON file. Bringing it back adds what is missing and what is newer; nothing is taken away.
    </p>
    <p v-if="told" role="status" class="mt-1">{{ told }}</p>
    <ul v-if="problems.length > 0" role="alert" class="mt-1 text-error">
      <li v-for="problem in problems" :key="problem">{{ problem }}</li>
    </ul>
  </fieldset>
</template>

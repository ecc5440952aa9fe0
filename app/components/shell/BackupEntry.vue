<script setup lang="ts">
import { broughtBack } from '#core/kept/backup'
import { useWords } from '~/composables/useWords'
import { ask } from '~/saving/api'
import { useReloadAll } from '~/stores/reloadAll'

/** Takes all data out as one open file, and brings such a file back. */
const reloadAll = useReloadAll()
const words = useWords()
const done = ref('')
const problems = ref<string[]>([])
const MOST_SHOWN = 5
/** Many pictures take their time. */
const BROUGHT_BACK_WITHIN_MS = 600_000

async function bringBack(file: File) {
  done.value = ''
  problems.value = []
  let content: unknown
  try {
    content = JSON.parse(await file.text())
  } catch {
    problems.value = [`${file.name} is no JSON file. Nothing was changed.`]
    return
  }
  const answer = await ask(broughtBack, '/api/backup', 'POST', content, BROUGHT_BACK_WITHIN_MS)
  if (!answer.ok) {
    const { fields } = answer.problem
    const named = fields.slice(0, MOST_SHOWN).map((one) => `${one.field}: ${words.problem(one, one.field)}`)
    problems.value = [
      `${file.name} cannot be brought back. Nothing was changed.`,
      ...(named.length > 0 ? named : [words.problem(answer.problem)]),
    ]
    return
  }
  const { added, updated, left, unreadable } = answer.value
  done.value = `${added} added, ${updated} brought up to date, ${left} left as they are.`
  problems.value = unreadable.map(
    (one) => `“${one.name || one.id}” cannot be read by this version: it is kept as it is.`,
  )
  await reloadAll()
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
    <p v-if="done" role="status" class="mt-1">{{ done }}</p>
    <ul v-if="problems.length > 0" role="alert" class="mt-1 text-error">
      <li v-for="problem in problems" :key="problem">{{ problem }}</li>
    </ul>
  </fieldset>
</template>

<script setup lang="ts">
import type { FileProblem } from '#core/exchange/files/fileProblem'
import { lineOfField, readToolFile } from '#core/exchange/files/readToolFile'
import { readStoneCsv } from '#core/exchange/files/stoneCsv'
import { takenIn } from '#core/exchange/files/toolFile'
import { ask } from '~/saving/api'
import { useWords } from '~/words/useWords'
import { useLog } from '~/stores/log'
import { useCollections } from '~/stores/collections'

/** Hands rigs and stones on as files, and takes such files in: all of one or nothing. */
const collections = useCollections()
const log = useLog()
const words = useWords()
const done = ref('')
const failed = ref('')
const problems = ref<readonly FileProblem[]>([])
const MOST_SHOWN = 6
const MOST_BYTES = 5_000_000

async function takeIn(file: File) {
  done.value = failed.value = ''
  problems.value = []
  if (file.size > MOST_BYTES)
    return void (failed.value = `${file.name} is larger than 5 MB: that is no file of rigs and stones. Nothing was changed.`)
  const text = await file.text()
  const isTable = /\.(csv|tsv|txt)$/i.test(file.name)
  const read = isTable ? readStoneCsv(text) : readToolFile(text)
  if (!read.ok) return refuse(file.name, read.problems)
  const tools = Array.isArray(read.content)
    ? { format: 'jaw-tilt-tools', version: 1, rigs: [], stones: read.content }
    : read.content
  const answer = await ask(takenIn, '/api/tools', 'POST', tools)
  if (!answer.ok) {
    if (answer.problem.fields.length === 0) return void (failed.value = words.problem(answer.problem))
    return refuse(
      file.name,
      answer.problem.fields.map((one) => ({ ...one, line: isTable ? 1 : lineOfField(text, one.field) })),
    )
  }
  const { added, already } = answer.value
  done.value = `${added} added${already > 0 ? `, ${already} were here already` : ''}.`
  await Promise.all([collections.load(), log.load()])
}
function refuse(name: string, all: readonly FileProblem[]) {
  failed.value = `${name} cannot be taken in. Nothing was changed.`
  problems.value = all
}
</script>

<template>
  <section aria-labelledby="exchange">
    <h2 id="exchange" class="font-semibold">Hand on, take in</h2>
    <p class="text-sm text-muted">
      Rigs and stones as JSON (<a href="/schema/jaw-tilt-tools.schema.json" class="underline" target="_blank"
        >its schema</a
      >), stones also as a table.
    </p>
    <div class="mt-2 flex flex-wrap gap-2">
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
      <FileButton
        label="Take in a file"
        named="File of rigs or stones"
        accept=".json,.csv,.tsv,application/json,text/csv"
        @chosen="takeIn"
      />
    </div>
    <p v-if="done" role="status" class="mt-2">{{ done }}</p>
    <div v-if="failed" role="alert" class="mt-2 text-error">
      <p>{{ failed }}</p>
      <ul>
        <li v-for="(problem, i) in problems.slice(0, MOST_SHOWN)" :key="i">
          Line {{ problem.line }}{{ problem.field ? `, ${problem.field}` : '' }}:
          {{ words.problem(problem, problem.field) }}
        </li>
        <li v-if="problems.length > MOST_SHOWN">and {{ problems.length - MOST_SHOWN }} more</li>
      </ul>
    </div>
  </section>
</template>

<script setup lang="ts">
import { z } from 'zod'
import { broughtBack } from '#core/exchange/backup/backup'
import { useWords } from '~/words/useWords'
import { ask } from '~/saving/api'
import { useReloadAll } from '~/job/reloadAll'

/** Takes all data out as one open file, and brings such a file back. */
const reloadAll = useReloadAll()
const words = useWords()
const done = ref('')
const problems = ref<string[]>([])
const MOST_SHOWN = 5
/** Many pictures take their time. */
const BROUGHT_BACK_WITHIN_MS = 600_000

/** How far it has come, as a share; null while the file is on its way. */
const share = ref<number | null>(null)
const under = shallowRef<AbortController | null>(null)
const progress = z.object({ progress: z.object({ rows: z.number(), of: z.number() }).nullable() })
const LOOK_EVERY_MS = 400
async function look() {
  const answer = await ask(progress, '/api/backup-progress')
  const came = answer.ok ? answer.value.progress : null
  share.value = came && came.of > 0 ? came.rows / came.of : null
}

async function bringBack(file: File) {
  done.value = ''
  problems.value = []
  share.value = null
  const calling = (under.value = new AbortController())
  const looking = setInterval(() => void look(), LOOK_EVERY_MS)
  const answer = await ask(broughtBack, '/api/backup', 'POST', file, BROUGHT_BACK_WITHIN_MS, calling.signal)
  clearInterval(looking)
  under.value = null
  if (calling.signal.aborted) return void (done.value = 'Called off. Nothing was changed.')
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
    <div v-if="under" class="mt-1 flex items-center gap-3">
      <UProgress
        :model-value="share === null ? null : Math.round(share * 100)"
        class="flex-1"
        aria-label="Brought back"
      />
      <UButton color="neutral" variant="outline" label="Call it off" @click="() => under?.abort()" />
    </div>
    <p v-if="done" role="status" class="mt-1">{{ done }}</p>
    <ul v-if="problems.length > 0" role="alert" class="mt-1 text-error">
      <li v-for="problem in problems" :key="problem">{{ problem }}</li>
    </ul>
  </fieldset>
</template>

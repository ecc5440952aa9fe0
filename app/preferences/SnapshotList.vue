<script setup lang="ts">
import { z } from 'zod'
import { broughtBack } from '#core/exchange/backup/backup'
import { listedSnapshot, lookedInto, type ListedSnapshot, type LookedInto } from '#core/exchange/api/snapshots'
import { useWords } from '~/words/useWords'
import { ask } from '~/saving/api'
import { useReloadAll } from '~/job/reloadAll'
import { usePreferences } from '~/stores/preferences'
import { skippedText } from '~/words/skippedText'
import { momentText } from '~/words/momentText'

/**
 * Snapshots that were kept by themselves: looked into, then brought back as a merge or in whole, which can be undone.
 */
const words = useWords()
const preferences = usePreferences()
const reloadAll = useReloadAll()
const there = ref<ListedSnapshot[]>([])
const all = ref(false)
const FEW = 5
const shown = computed(() => (all.value ? there.value : there.value.slice(0, FEW)))
async function load() {
  const answer = await ask(z.array(listedSnapshot), '/api/snapshots')
  if (answer.ok) there.value = answer.value
}
onMounted(load)

const open = ref<{ name: string; holds: LookedInto } | null>(null)
const failure = ref('')
const done = ref('')
const skipped = ref<string[]>([])
/** The snapshot that was kept before something was brought back. */
const before = ref('')
async function look(name: string) {
  failure.value = ''
  if (open.value?.name === name) return void (open.value = null)
  const answer = await ask(lookedInto, `/api/snapshots/${name}`)
  if (answer.ok) open.value = { name, holds: answer.value }
  else failure.value = 'This snapshot cannot be read. The others may.'
}
const BROUGHT_BACK_WITHIN_MS = 600_000
const broughtFrom = broughtBack.extend({ before: z.string() })
const busy = ref(false)
async function bringBack(name: string, whole: boolean) {
  busy.value = true
  failure.value = ''
  const answer = await ask(broughtFrom, `/api/snapshots/${name}/bring-back`, 'POST', { whole }, BROUGHT_BACK_WITHIN_MS)
  busy.value = false
  if (!answer.ok) return void (failure.value = `${words.problem(answer.problem)} Nothing was changed.`)
  const { added, updated, skipped: rows, before: kept } = answer.value
  skipped.value = skippedText(rows, preferences.unit)
  done.value = whole ? 'All is as it was in the snapshot.' : `${added} added, ${updated} updated.`
  before.value = kept
  open.value = null
  await Promise.all([reloadAll(), load()])
}
async function undo() {
  const kept = before.value
  await bringBack(kept, true)
  before.value = ''
  if (!failure.value) done.value = 'Undone.'
}
const sizeText = (bytes: number) =>
  bytes < 100_000 ? `${Math.max(1, Math.round(bytes / 1000))} kB` : `${(bytes / 1e6).toFixed(1)} MB`
const holdsText = ({ counts, entries }: LookedInto) =>
  `${counts.jobs} jobs, ${counts.rigs} rigs, ${counts.blades} blades, ${counts.stones} stones, ${counts.instruments} instruments, ${counts.owners} owners, ${entries} entries of the log.`
const MOST_NAMES = 6
</script>

<template>
  <fieldset>
    <legend class="mb-1 font-medium">Snapshots</legend>
    <p class="text-sm text-muted">
      Kept by themselves every ten minutes in which something changed, and at each end, beside the data: the last ten,
      one a day for a month, one a month.
    </p>
    <p v-if="there.length === 0" class="mt-1 text-sm">None yet.</p>
    <ul v-else class="mt-1" data-testid="snapshots">
      <li v-for="one in shown" :key="one.name" class="border-t border-default py-1 first:border-t-0">
        <div class="flex items-center gap-3">
          <span class="figure flex-1">{{ momentText(one.at) }}</span>
          <span class="text-sm text-muted">{{ sizeText(one.bytes) }}</span>
          <UButton
            color="neutral"
            variant="ghost"
            size="lg"
            label="View"
            :aria-label="`View the snapshot of ${momentText(one.at)}`"
            :aria-expanded="open?.name === one.name"
            @click="look(one.name)"
          />
        </div>
        <div v-if="open?.name === one.name" class="space-y-2 pb-2">
          <p>{{ holdsText(open.holds) }}</p>
          <p v-if="open.holds.jobs.length > 0" class="text-sm text-toned">
            {{ open.holds.jobs.slice(0, MOST_NAMES).join('; ')
            }}<template v-if="open.holds.jobs.length > MOST_NAMES"
              >; and {{ open.holds.jobs.length - MOST_NAMES }} more</template
            >
          </p>
          <div class="flex flex-wrap gap-2">
            <UButton
              color="neutral"
              variant="outline"
              label="Add what is missing"
              :disabled="busy"
              @click="bringBack(one.name, false)"
            />
            <UButton
              color="neutral"
              variant="outline"
              label="Restore it, replacing everything"
              :disabled="busy"
              @click="bringBack(one.name, true)"
            />
          </div>
        </div>
      </li>
    </ul>
    <UButton
      v-if="there.length > FEW && !all"
      color="neutral"
      variant="link"
      :label="`All ${there.length}`"
      @click="() => void (all = true)"
    />
    <p v-if="done" role="status" class="mt-1">
      {{ done }}
      <UButton v-if="before" color="neutral" variant="link" label="Undo" :disabled="busy" @click="undo" />
    </p>
    <ul v-if="skipped.length > 0" role="alert" class="mt-1 text-error">
      <li v-for="one in skipped" :key="one">{{ one }}</li>
    </ul>
    <p v-if="failure" role="alert" class="mt-1 text-error">{{ failure }}</p>
  </fieldset>
</template>

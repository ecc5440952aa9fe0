<script setup lang="ts">
import { download } from '~/saving/download'
import type { RefusedEntry } from '~/saving/outbox'
import { correctedEntry, wrongFields } from '~/shell/correctEntry'
import { useLog } from '~/stores/log'
import { entryWord } from '~/words/entryText'
import { momentText } from '~/words/momentText'
import { useWords } from '~/words/useWords'

/** What the server would not take of the log: why, and a way out for each. Shown on every page until it is empty. */
const log = useLog()
const words = useWords()
const open = ref(false)
watch(
  () => log.refused.length,
  (count) => count === 0 && (open.value = false),
)
/** What was typed over, by entry and field. */
const typed = ref<Readonly<Record<string, Record<string, string>>>>({})
const shown = computed(() =>
  log.refused.map((one) => ({ one, id: one.stored.id, fields: wrongFields(one.stored, one.problems) })),
)
const type = (id: string, field: string, text: string) =>
  (typed.value = { ...typed.value, [id]: { ...typed.value[id], [field]: text } })

async function save({ stored }: RefusedEntry) {
  await log.sendAgain(correctedEntry(stored, typed.value[stored.id] ?? {}))
}
function saveFile() {
  const content = JSON.stringify(log.refused, null, 2)
  download('entries-not-saved.json', content, 'application/json')
}
</script>

<template>
  <div v-if="log.refused.length > 0">
    <p
      role="alert"
      class="flex flex-wrap items-center gap-3 border-b border-error bg-default px-4 py-1.5 text-sm text-error"
      data-testid="refused"
    >
      <UIcon name="i-lucide-triangle-alert" class="size-5" />
      {{ log.refused.length === 1 ? 'One entry was' : `${log.refused.length} entries were` }} not saved. This browser
      keeps {{ log.refused.length === 1 ? 'it' : 'them' }}.
      <UButton color="error" variant="outline" label="Show" @click="() => void (open = true)" />
    </p>
    <UModal
      v-model:open="open"
      title="Entries that were not saved"
      description="The server refused them. Correct the field and save again, or download them."
    >
      <template #body>
        <ul class="grid gap-4">
          <li
            v-for="{ one, id, fields } in shown"
            :key="id"
            class="border-b border-default pb-3"
            data-testid="refused-entry"
          >
            <h3 class="font-semibold">{{ entryWord(one.stored.kind) }}, {{ momentText(one.stored.at) }}</h3>
            <p v-if="fields.length === 0" class="text-sm text-muted">The reason was not recorded. Save it again.</p>
            <UFormField
              v-for="{ problem, text } in fields"
              :key="problem.field"
              :label="problem.field || 'Entry'"
              :error="words.problem(problem, problem.field)"
              class="mt-1"
            >
              <UInput
                v-if="text !== null && problem.field !== ''"
                size="lg"
                class="w-full"
                :model-value="typed[id]?.[problem.field] ?? text"
                @update:model-value="(to) => type(id, problem.field, String(to))"
              />
            </UFormField>
            <div class="mt-2 flex flex-wrap gap-2">
              <UButton size="lg" label="Save again" @click="save(one)" />
              <UButton size="lg" color="error" variant="outline" label="Remove" @click="log.discard(id)" />
            </div>
          </li>
        </ul>
      </template>
      <template #footer>
        <UButton
          size="lg"
          color="neutral"
          variant="outline"
          icon="i-lucide-download"
          label="Download all"
          @click="saveFile"
        />
      </template>
    </UModal>
  </div>
</template>

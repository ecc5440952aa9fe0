<script setup lang="ts">
import { reactive, ref, watch } from 'vue'
import { useChangesElsewhere } from '~/shell/useChangesElsewhere'
import { useOpenPanel } from '~/stores/openPanel'
import { useDroppedFiles } from '~/shell/useDroppedFiles'
import { useFieldKeys } from '~/shell/useFieldKeys'
import { useRadioKeys } from '~/shell/useRadioKeys'
import { useServerAway } from '~/shell/useServerAway'
import { useCollections } from '~/stores/collections'
import { isRecordKind } from '~/stores/known'
import { useCopies } from '~/stores/copies'
import { useLog } from '~/stores/log'
import { usePreferences } from '~/stores/preferences'

const collections = useCollections()
const preferences = usePreferences()
const log = useLog()
const copies = useCopies()
// Asked for at once: what is drawn meanwhile is drawn while the server works.
void Promise.all([collections.load(), preferences.load(), log.load(), copies.load()])

const fetchAgain = (replaced = false) => void Promise.all([collections.load(true, replaced), log.load(), copies.load()])
const away = useServerAway(() => fetchAgain())
/** What changes elsewhere, on another device too, is shown here. */
useChangesElsewhere((where) => {
  if (!collections.loaded) return
  const known = [...where].every((one) => one === 'log' || isRecordKind(one))
  if (!known) return fetchAgain(['backup', 'snapshots'].some((one) => where.has(one)))
  if (where.has('log')) void log.load()
  for (const kind of where) if (isRecordKind(kind)) void collections.reload(kind)
})

useFieldKeys()
useRadioKeys()
useDroppedFiles()

/** Panels are fetched when they are first asked for. */
const { panel } = useOpenPanel()
const opened = reactive(new Set<string>())
watch(panel, (now) => now && opened.add(now))
/** So is what shows notices. */
const { toasts } = useToast()
const noticed = ref(false)
watch(toasts, (now) => now.length > 0 && (noticed.value = true), { deep: true, immediate: true })
</script>

<template>
  <div>
    <a href="#work" class="sr-only focus:not-sr-only focus:absolute focus:z-50 focus:bg-default focus:p-3"
      >To the work</a
    >
    <NuxtRouteAnnouncer />
    <AppHeader />
    <p v-if="away" role="status" class="border-b border-default bg-elevated px-4 py-1.5 text-sm">
      The server is out of reach: this is what was opened last. Changes stay in this browser and are sent when it
      answers.
    </p>
    <p
      v-if="copies.state?.failed"
      role="status"
      class="flex flex-wrap items-center gap-3 border-b border-default bg-elevated px-4 py-1.5 text-sm"
    >
      The copy in {{ copies.state.folder }} was not made.
      <UButton
        size="sm"
        color="neutral"
        variant="outline"
        label="Look into it"
        @click="() => void (panel = 'preferences')"
      />
    </p>
    <LazyRefusedEntries v-if="log.refused.length > 0" />
    <NuxtPage />
    <LazyCommandPanel v-if="opened.has('palette')" />
    <LazyKeysPanel v-if="opened.has('keys')" />
    <LazyGlossaryPanel v-if="opened.has('glossary')" />
    <LazyPreferencesPanel v-if="opened.has('preferences')" />
    <LazyUToaster v-if="noticed" position="bottom-center" />
  </div>
</template>

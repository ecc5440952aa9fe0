<script setup lang="ts">
import { refDebounced } from '@vueuse/core'
import { useFoundPart } from '~/composables/useFoundPart'
import { sheetPath } from '~/navigation/stations'
import { useCollections } from '~/stores/collections'
import { useOpenPanel } from '~/stores/openPanel'
import { keysShown, type Command } from './commands/command'
import { useCommands } from './commands/useCommands'

const { panel } = useOpenPanel()
const { available } = useCommands()
const open = computed({ get: () => panel.value === 'palette', set: (is) => (panel.value = is ? 'palette' : null) })

const run = (command: Command) => {
  open.value = false
  void nextTick(command.run)
}
/** Jobs are looked for by what is typed, once the typing has come to rest. */
const collections = useCollections()
const typed = ref('')
watch(open, () => (typed.value = ''))
const sought = refDebounced(typed, 200)
const MOST_JOBS = 6
const { ids } = useFoundPart(collections.findJobs, () => {
  const search = sought.value.trim()
  return open.value && search !== '' ? { away: false, search, limit: MOST_JOBS } : null
})
const jobs = computed(() => ({
  id: 'Jobs',
  label: 'Jobs',
  ignoreFilter: true,
  items:
    typed.value.trim() === ''
      ? []
      : ids.value.slice(0, MOST_JOBS).flatMap((id) => {
          const job = collections.jobs.find((one) => one.id === id)
          const go = () => {
            open.value = false
            void navigateTo(sheetPath(id, 'clamp'))
          }
          return job
            ? [{ label: job.name, icon: 'i-lucide-notebook-text', suffix: bladeOf(job.bladeId), onSelect: go }]
            : []
        }),
}))
const bladeOf = (id: string) => collections.blades.find((blade) => blade.id === id)?.name ?? ''
const groups = computed(() => [
  ...(['Bench', 'Angles', 'Go', 'Job', 'Look'] as const).map((group) => ({
    id: group,
    label: group,
    items: available.value
      .filter((c) => c.group === group && c.id !== 'palette')
      .map((c) => ({
        label: c.label,
        finds: c.finds,
        icon: c.icon,
        kbds: c.keys ? keysShown(c.keys) : undefined,
        onSelect: () => run(c),
      })),
  })),
  jobs.value,
])

/** The kit's list has no name of its own, and scrolls without being reachable: both are given here. */
function nameList(list: Element | null) {
  list?.querySelector('[role="listbox"]')?.setAttribute('aria-label', 'Commands')
  const viewport = list?.querySelector('[data-slot="viewport"]')
  viewport?.setAttribute('role', 'group')
  viewport?.setAttribute('tabindex', '0')
}
const frame = ref<HTMLElement | null>(null)
watch(frame, () => nameList(frame.value), { flush: 'post' })
</script>

<template>
  <UModal v-model:open="open" title="Commands" description="Type what you want to do" :ui="{ content: 'max-w-xl' }">
    <template #content>
      <div ref="frame" class="contents">
        <UCommandPalette
          v-model:search-term="typed"
          :groups="groups"
          placeholder="What do you want to do?"
          :fuse="{ fuseOptions: { keys: ['label', 'finds'], threshold: 0.25, ignoreLocation: true } }"
          class="h-[26rem] max-h-[80vh]"
          close
          @update:open="open = $event"
        >
          <template #empty="{ searchTerm }">
            Nothing found for “{{ searchTerm }}”. Try what you want to have: a sheet, an angle, a stone, a job. All
            keys: ?
          </template>
        </UCommandPalette>
      </div>
    </template>
  </UModal>
</template>

<script setup lang="ts">
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
const groups = computed(() =>
  (['Bench', 'Angles', 'Go', 'Job', 'Look'] as const).map((group) => ({
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
)

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
          :groups="groups"
          placeholder="What do you want to do?"
          :fuse="{ fuseOptions: { keys: ['label', 'finds'], threshold: 0.25, ignoreLocation: true } }"
          class="h-[26rem] max-h-[80vh]"
          close
          @update:open="open = $event"
        >
          <template #empty="{ searchTerm }">
            Nothing here does “{{ searchTerm }}”. Try what you want to have: a sheet, an angle, a stone, a key. All
            keys: ?
          </template>
        </UCommandPalette>
      </div>
    </template>
  </UModal>
</template>

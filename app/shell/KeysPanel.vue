<script setup lang="ts">
import { useOpenPanel } from '~/stores/openPanel'
import { keysShown } from './commands/command'
import { useCommands } from './commands/useCommands'

const { panel } = useOpenPanel()
const { commands } = useCommands()
const open = computed({ get: () => panel.value === 'keys', set: (is) => (panel.value = is ? 'keys' : null) })
const groups = computed(() =>
  (['Bench', 'Angles', 'Go', 'Job', 'Look'] as const).map((group) => ({
    group,
    commands: commands.value.filter((c) => c.group === group && c.keys),
  })),
)
const inDrawing = [
  { keys: ['Tab'], does: 'To the next handle of the drawing' },
  { keys: ['arrowleft', 'arrowright', 'arrowup', 'arrowdown'], does: 'Move the handle one step' },
  { keys: ['shift'], does: 'with an arrow: ten steps' },
  { keys: ['home', 'end'], does: 'The place along the edge: to the heel, to the tip' },
]
</script>

<template>
  <UModal
    v-model:open="open"
    title="Keys"
    description="Single keys work while no field is being typed in; Preferences can switch them off."
    :ui="{ content: 'max-w-3xl' }"
  >
    <template #body>
      <!-- Focusable, so that it can be scrolled by keys. -->
      <div class="grid gap-x-8 gap-y-5 sm:grid-cols-2" role="group" aria-label="All keys" tabindex="0">
        <section v-for="{ group, commands: rows } in groups" :key="group">
          <h3 class="mb-1 font-semibold">{{ group }}</h3>
          <dl>
            <div
              v-for="row in rows"
              :key="row.id"
              class="flex items-center justify-between gap-3 border-t border-default py-1"
            >
              <dt>{{ row.label }}</dt>
              <dd class="flex gap-1"><UKbd v-for="key in keysShown(row.keys!)" :key="key" :value="key" size="lg" /></dd>
            </div>
          </dl>
        </section>
        <section>
          <h3 class="mb-1 font-semibold">In the drawing</h3>
          <dl>
            <div
              v-for="row in inDrawing"
              :key="row.does"
              class="flex items-center justify-between gap-3 border-t border-default py-1"
            >
              <dt>{{ row.does }}</dt>
              <dd class="flex gap-1"><UKbd v-for="key in row.keys" :key="key" :value="key" size="lg" /></dd>
            </div>
          </dl>
        </section>
      </div>
    </template>
  </UModal>
</template>

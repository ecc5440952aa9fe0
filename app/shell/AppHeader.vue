<script setup lang="ts">
import { useOpenPanel } from '~/stores/openPanel'
import { keysShown } from './commands/command'
import { useCommands } from './commands/useCommands'
import { useShownJob } from '~/job/shownJob'
import { usePreferences } from '~/stores/preferences'

const job = useShownJob()
const preferences = usePreferences()
const { panel } = useOpenPanel()
const { available } = useCommands()

/** Plain keys can be switched off by those whom they get in the way of; chords stay. */
const shortcuts = computed(() =>
  Object.fromEntries(
    available.value
      .filter((c) => c.keys && (preferences.singleKeys || c.keys.includes('_')))
      .map((c) => [c.keys!, { handler: c.run, usingInput: c.fromFields === true }]),
  ),
)
defineShortcuts(shortcuts)
function openPanel(which: 'palette' | 'glossary' | 'preferences') {
  panel.value = which
}
</script>

<template>
  <header class="border-b border-default bg-default">
    <div class="mx-auto flex h-12 max-w-[120rem] items-center gap-3 px-4">
      <NuxtLink to="/" class="rounded-sm" aria-label="Jaw Tilt, all jobs"><WordMark :short="job !== null" /></NuxtLink>
      <JobTitle v-if="job" :key="job.id" :job="job" />
      <span v-else class="flex-1" />
      <UButton
        class="max-sm:hidden"
        color="neutral"
        variant="ghost"
        icon="i-lucide-book-open"
        size="lg"
        aria-label="Glossary"
        @click="openPanel('glossary')"
      />
      <UButton
        color="neutral"
        variant="ghost"
        icon="i-lucide-command"
        size="lg"
        aria-label="All commands"
        @click="openPanel('palette')"
      >
        <span class="flex gap-1 max-lg:hidden"
          ><UKbd v-for="key in keysShown('meta_k')" :key="key" :value="key"
        /></span>
      </UButton>
      <UButton
        color="neutral"
        variant="ghost"
        icon="i-lucide-sliders-horizontal"
        size="lg"
        aria-label="Preferences"
        @click="openPanel('preferences')"
      />
    </div>
    <p class="sr-only" role="status" aria-live="polite">{{ job?.session.lastStep.value }}</p>
  </header>
</template>

<script setup lang="ts">
import { keysShown, useCommands, useOpenPanel } from '~/composables/useCommands'
import { useJob } from '~/stores/job'
import { usePreferences } from '~/stores/preferences'

const job = useJob()
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

const name = ref('')
const nameProblem = ref('')
watch(
  () => job.content?.name,
  (now) => ((name.value = now ?? ''), (nameProblem.value = '')),
  { immediate: true },
)
function rename() {
  if (name.value !== job.content?.name) nameProblem.value = job.change('name', { name: name.value }) ?? ''
}
</script>

<template>
  <header class="border-b border-default bg-default">
    <div class="mx-auto flex h-12 max-w-[120rem] items-center gap-3 px-4">
      <NuxtLink to="/" class="rounded-sm" aria-label="Jaw Tilt, all jobs"><WordMark /></NuxtLink>
      <template v-if="job.content">
        <span class="text-dimmed max-sm:hidden" aria-hidden="true">/</span>
        <div class="relative min-w-0 flex-1">
          <input
            v-model="name"
            class="w-full max-w-sm truncate rounded-sm border border-transparent bg-transparent px-1.5 py-1 font-semibold hover:border-default focus:border-accented"
            aria-label="Name of this job"
            :aria-invalid="nameProblem !== ''"
            @change="rename"
            @keydown.enter="rename"
          />
          <p
            v-if="nameProblem"
            role="alert"
            class="absolute top-full left-0 z-20 bg-default px-2 py-1 text-sm text-error"
          >
            {{ nameProblem }}
          </p>
        </div>
        <SaveState />
        <UButton
          color="neutral"
          variant="ghost"
          icon="i-lucide-undo-2"
          size="lg"
          :disabled="!job.canUndo"
          :aria-label="job.canUndo ? `Undo: ${job.canUndo}` : 'Nothing to undo'"
          class="max-sm:hidden"
          @click="job.goBack()"
        />
        <UButton
          color="neutral"
          variant="ghost"
          icon="i-lucide-redo-2"
          size="lg"
          :disabled="!job.canRedo"
          :aria-label="job.canRedo ? `Do again: ${job.canRedo}` : 'Nothing to do again'"
          class="max-sm:hidden"
          @click="job.goForward()"
        />
      </template>
      <span v-else class="flex-1" />
      <UButton
        color="neutral"
        variant="ghost"
        icon="i-lucide-command"
        size="lg"
        aria-label="All commands"
        @click="
          () => {
            panel = 'palette'
          }
        "
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
        @click="
          () => {
            panel = 'preferences'
          }
        "
      />
    </div>
    <p class="sr-only" role="status" aria-live="polite">{{ job.lastStep }}</p>
  </header>
</template>

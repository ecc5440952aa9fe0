<script setup lang="ts">
import type { JobView } from '~/job/view'

/** The job's name, how its saving stands, undo and redo: its part of the header. */
const props = defineProps<{ job: JobView }>()
const { canUndo, canRedo, goBack, goForward } = props.job.session

const name = ref('')
const problem = ref('')
watch(
  () => props.job.content.value.name,
  (now) => ((name.value = now), (problem.value = '')),
  { immediate: true },
)
function rename() {
  if (name.value !== props.job.content.value.name) problem.value = props.job.change('name', { name: name.value }) ?? ''
}
</script>

<template>
  <span class="text-dimmed max-sm:hidden" aria-hidden="true">/</span>
  <span v-if="job.practising" class="min-w-0 flex-1 truncate font-semibold"
    >Practice: {{ job.content.value.name }}</span
  >
  <div v-else class="relative min-w-0 flex-1">
    <input
      v-model="name"
      class="w-full max-w-sm truncate rounded-sm border border-transparent bg-transparent px-1.5 py-1 font-semibold hover:border-default focus:border-accented"
      aria-label="Name of this job"
      :aria-invalid="problem !== ''"
      @change="rename"
      @keydown.enter="rename"
    />
    <p v-if="problem" role="alert" class="absolute top-full left-0 z-20 bg-default px-2 py-1 text-sm text-error">
      {{ problem }}
    </p>
  </div>
  <SaveState :job="job" />
  <UButton
    color="neutral"
    variant="ghost"
    icon="i-lucide-undo-2"
    size="lg"
    :disabled="!canUndo"
    :aria-label="canUndo ? `Undo: ${canUndo}` : 'Nothing to undo'"
    @click="() => void goBack()"
  />
  <UButton
    color="neutral"
    variant="ghost"
    icon="i-lucide-redo-2"
    size="lg"
    :disabled="!canRedo"
    :aria-label="canRedo ? `Do again: ${canRedo}` : 'Nothing to do again'"
    class="max-sm:hidden"
    @click="() => void goForward()"
  />
</template>

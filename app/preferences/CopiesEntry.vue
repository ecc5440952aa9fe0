<script setup lang="ts">
import type { Problem } from '#core/schema/problem'
import { useWords } from '~/words/useWords'
import { useCopies } from '~/stores/copies'
import { momentText } from '~/words/momentText'

/** A second folder for copies of the snapshots: named by its path on the bench's machine. */
const copies = useCopies()
const words = useWords()
const path = ref('')
watch(
  () => copies.state?.folder,
  (folder) => (path.value = folder ?? ''),
  { immediate: true },
)
onMounted(copies.load)
const problem = shallowRef<Problem | null>(null)
const busy = ref(false)
async function name(folder: string | null) {
  busy.value = true
  const answer = await copies.name(folder)
  busy.value = false
  problem.value = answer.ok ? null : answer.problem
}
const told = computed(() => {
  if (problem.value) return words.problem(problem.value)
  const failed = copies.state?.failed
  return failed ? words.problem({ code: `copy-${failed}` }) : undefined
})
</script>

<template>
  <form class="space-y-2" @submit.prevent="name(path.trim() || null)">
    <UFormField
      label="Second folder for copies"
      help="A stick, or a folder that is synchronised: each snapshot is copied there."
      :error="told"
    >
      <div class="flex gap-2">
        <UInput v-model="path" size="lg" class="flex-1" placeholder="none" spellcheck="false" maxlength="1000" />
        <UButton type="submit" color="neutral" variant="outline" label="Copy there" :loading="busy" />
      </div>
    </UFormField>
    <p v-if="copies.state?.lastAt" class="text-sm" role="status">Last copy {{ momentText(copies.state.lastAt) }}.</p>
  </form>
</template>

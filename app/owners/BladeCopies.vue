<script setup lang="ts">
import { blade as bladeSchema } from '#core/records/blade/blade'
import type { BladeRecord } from '#core/records/storage/kinds'
import { useForm } from '~/forms/useForm'
import { useCollections } from '~/stores/collections'
import { useWords } from '~/words/useWords'

/** Several blades like one of an owner's: described once, then each with a name and measures of its own. */
const props = defineProps<{ blades: readonly BladeRecord[]; owner: string }>()
const emit = defineEmits<{ made: [] }>()
const collections = useCollections()
const words = useWords()
const MOST = 48
const { form, beginAnew, problems, addProblem, hasProblems } = useForm('blade-copies', () => ({ like: '', count: '' }))
const items = computed(() => props.blades.map(({ id, name }) => ({ value: id, label: name })))
const like = computed(() => props.blades.find(({ id }) => id === form.value.like) ?? props.blades[0] ?? null)
const going = ref(false)
const failure = ref('')

async function make() {
  const count = Number(form.value.count.trim())
  if (form.value.count.trim() === '') addProblem('count', { code: 'missing' })
  else if (!Number.isInteger(count)) addProblem('count', { code: 'not-whole' })
  else if (count < 1) addProblem('count', { code: 'too-small', figures: { least: 1 } })
  else if (count > MOST) addProblem('count', { code: 'too-large', figures: { most: MOST } })
  const from = like.value
  if (hasProblems() || !from) return
  going.value = true
  failure.value = ''
  const taken = new Set(props.blades.map(({ name }) => name))
  for (let made = 0, n = 2; made < count; n++) {
    const name = `${from.name} ${n}`
    if (taken.has(name)) continue
    // What was proved of one blade, and what is wrong with it, is said of no other.
    const content = bladeSchema.parse({ ...from, name, owner: props.owner, bevelDeg: null, complaint: '', notes: '' })
    const answer = await collections.keep('blades', content, null)
    if (!answer.ok) {
      failure.value = words.problem(answer.problem)
      break
    }
    made++
  }
  going.value = false
  if (failure.value === '') await beginAnew()
  emit('made')
}
</script>

<template>
  <form class="grid items-start gap-3 sm:grid-cols-[minmax(0,1fr)_9rem_auto]" @submit.prevent="make">
    <LabelledSelect
      :model-value="like?.id ?? ''"
      label="More like"
      :items="items"
      @update:model-value="form.like = String($event)"
    />
    <UFormField label="How many" :error="problems.count"
      ><UInput v-model="form.count" size="lg" inputmode="numeric" autocomplete="off" class="w-full"
    /></UFormField>
    <UButton
      type="submit"
      size="lg"
      color="neutral"
      variant="outline"
      icon="i-lucide-copy-plus"
      class="sm:mt-6"
      :loading="going"
      label="Add them"
    />
    <p class="text-sm text-muted sm:col-span-3">
      The same shape, steel and use; each is measured by itself before its angle can be trusted.
    </p>
    <p v-if="failure" role="alert" class="text-error sm:col-span-3">{{ failure }}</p>
  </form>
</template>

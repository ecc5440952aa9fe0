<script setup lang="ts">
import { job as jobSchema } from '#core/records/job/job'
import { useForm } from '~/forms/useForm'
import { useCollections } from '~/stores/collections'
import { useWords } from '~/words/useWords'

/** Jobs for several blades in one go: the same angle and the same day for all, each with its own measures. */
const props = defineProps<{ bladeIds: readonly string[]; owner?: string }>()
const emit = defineEmits<{ started: [bladeId: string] }>()
const collections = useCollections()
const words = useWords()
const router = useRouter()
const { form, beginAnew, problems, readFigure, validate, hasProblems } = useForm('batch', () => ({
  deg: '',
  why: '',
  dueOn: '',
}))
/** How many were started, of how many; null while none is being started. */
const going = ref<{ readonly started: number; readonly of: number } | null>(null)

async function start() {
  const { deg, why, dueOn } = form.value
  const typed = deg.trim() === '' ? null : readFigure('deg', deg, 'deg', 'wanted-missing')
  const wanted = typed === null ? undefined : { deg: { A: typed, B: typed }, linked: true, why: why.trim() }
  const asked = { dueOn: dueOn || null, ...(wanted && { wanted }) }
  const fields = jobSchema.pick({ dueOn: true, wanted: true }).partial()
  if (hasProblems() || !validate(fields, [asked], (path) => (path.startsWith('wanted.deg') ? 'deg' : path))) return
  const ids = [...props.bladeIds]
  for (const [started, id] of ids.entries()) {
    going.value = { started, of: ids.length }
    const begun = await collections.startJob(id, asked)
    // What stands against one stands against the others: they stay chosen, and it is said.
    if (!begun) return void (going.value = null)
    emit('started', id)
  }
  going.value = null
  await beginAnew()
  const account = collections.owners.find(({ name }) => name === props.owner)
  await router.push(account ? `/owners/${account.id}` : '/')
}
const status = computed(() => {
  if (going.value) return `Starting ${going.value.started + 1} of ${going.value.of}…`
  const { length } = props.bladeIds
  if (length === 0) return 'Choose blades below, then start a job for each.'
  return length === 1 ? 'One blade chosen.' : `${length} blades chosen.`
})
const label = computed(() => {
  const { length } = props.bladeIds
  return length === 0 ? 'Start jobs' : length === 1 ? 'Start one job' : `Start ${length} jobs`
})
</script>

<template>
  <form class="pane grid items-start gap-3 sm:grid-cols-3" aria-label="Several at once" @submit.prevent="start">
    <UFormField label="Wanted angle per side" help="Empty: as each blade had it last." :error="problems.deg"
      ><UInput v-model="form.deg" size="xl" inputmode="decimal" autocomplete="off" class="w-full"
    /></UFormField>
    <UFormField label="Why" :error="problems['wanted.why']"
      ><UInput v-model="form.why" size="xl" autocomplete="off" maxlength="300" class="w-full"
    /></UFormField>
    <UFormField label="Wanted back on" :error="problems.dueOn"
      ><UInput v-model="form.dueOn" type="date" size="xl" min="2000-01-01" max="2999-12-31" class="w-full"
    /></UFormField>
    <p class="self-center text-muted sm:col-span-2" role="status">{{ status }}</p>
    <UButton type="submit" size="xl" block :disabled="bladeIds.length === 0" :loading="going !== null" :label="label" />
    <p v-if="collections.problem" role="alert" class="text-error sm:col-span-3">
      {{ words.problem(collections.problem) }}
    </p>
  </form>
</template>

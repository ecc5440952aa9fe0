<script setup lang="ts">
import { job as jobSchema } from '#core/records/job/job'
import { useForm } from '~/forms/useForm'
import { useCollections } from '~/stores/collections'
import { useWords } from '~/words/useWords'

/** Jobs for several blades in one go: the same angle and the same day for all, each with its own measures. */
const props = defineProps<{ bladeIds: readonly string[] }>()
const emit = defineEmits<{ started: [] }>()
const collections = useCollections()
const words = useWords()
const router = useRouter()
const { form, beginAnew, problems, readFigure, validate, hasProblems } = useForm('batch', () => ({
  deg: '',
  why: '',
  dueOn: '',
}))
const startedSoFar = ref<number | null>(null)

async function start() {
  const { deg, why, dueOn } = form.value
  const typed = deg.trim() === '' ? null : readFigure('deg', deg, 'deg', 'wanted-missing')
  const wanted = typed === null ? undefined : { deg: { A: typed, B: typed }, linked: true, why: why.trim() }
  const asked = { dueOn: dueOn || null, ...(wanted && { wanted }) }
  const fields = jobSchema.pick({ dueOn: true, wanted: true }).partial()
  if (hasProblems() || !validate(fields, [asked], (path) => (path.startsWith('wanted.deg') ? 'deg' : path))) return
  startedSoFar.value = 0
  for (const id of props.bladeIds) {
    const begun = await collections.startJob(id, asked)
    // What stands against one stands against the others; those that were started are on the bench.
    if (!begun) break
    startedSoFar.value++
  }
  const all = startedSoFar.value === props.bladeIds.length
  startedSoFar.value = null
  if (!all) return
  await beginAnew()
  emit('started')
  await router.push('/')
}
</script>

<template>
  <form class="pane grid items-end gap-3 sm:grid-cols-3" aria-label="Several at once" @submit.prevent="start">
    <UFormField label="Wanted angle per side" help="Empty: as each blade had it last." :error="problems.deg"
      ><UInput v-model="form.deg" size="xl" inputmode="decimal" autocomplete="off" class="w-full"
    /></UFormField>
    <UFormField label="Why" :error="problems['wanted.why']"
      ><UInput v-model="form.why" size="xl" autocomplete="off" maxlength="300" class="w-full"
    /></UFormField>
    <UFormField label="Wanted back on" :error="problems.dueOn"
      ><UInput v-model="form.dueOn" type="date" size="xl" min="2000-01-01" max="2999-12-31" class="w-full"
    /></UFormField>
    <p class="text-muted sm:col-span-2" role="status">
      {{
        startedSoFar !== null
          ? `Starting ${startedSoFar + 1} of ${bladeIds.length}…`
          : bladeIds.length === 0
            ? 'Press the blades below, then start a job for each.'
            : `${bladeIds.length === 1 ? 'One blade' : `${bladeIds.length} blades`} chosen.`
      }}
    </p>
    <UButton
      type="submit"
      size="xl"
      block
      :disabled="bladeIds.length === 0"
      :loading="startedSoFar !== null"
      :label="bladeIds.length === 1 ? 'Start one job' : `Start ${bladeIds.length} jobs`"
    />
    <p v-if="collections.problem" role="alert" class="text-error sm:col-span-3">
      {{ words.problem(collections.problem) }}
    </p>
  </form>
</template>

<script setup lang="ts">
import { leaveOutText } from '~/words/stepText'
import { useJob } from '~/job/useJob'
import { useNextStep } from '~/job/useNextStep'
import { goToControl } from '~/navigation/stepControls'
import { useOpenPanel } from '~/stores/openPanel'

/** What to do next, with what and why: the same line on every page of the job, and the way to where it is done. */
const job = useJob()
const { next, text } = useNextStep()
const { angle } = useOpenPanel()
const router = useRouter()
/** A hold that is none is an alarm; where there is one near it, it is one press away. */
const alarm = computed(() => next.value?.toDo.does === 'mend-grip')
const instead = computed(() => (next.value?.toDo.does === 'mend-grip' ? next.value.toDo.instead : null))
const failure = ref('')
watch(next, () => (failure.value = ''))

async function go() {
  const step = next.value
  if (!step) return
  if (step.side && step.side !== job.side.value) {
    job.turnOver()
    // The controls of the other side are there by then.
    await nextTick()
  }
  // What is read and proved is read and proved where the step asks for it.
  job.lookAtMm.value = step.placeMm
  if (step.toDo.does === 'put-on' && step.stoneId) return job.actions.chooseStone(step.stoneId, step.forMicroBevel)
  if (step.toDo.does === 'say-wanted') return void (angle.value = 'wanted')
  await goToControl(router, job.id, step.toDo.does)
}
function leaveOut() {
  const step = next.value
  if (!step) return
  const { id, side, zone, position, placeMm } = step
  job.session.record('leave a step out', [
    { ...job.newEntry(), kind: 'left-out', step: id, side, zone, position, placeMm },
  ])
}
</script>

<template>
  <div
    class="border-b bg-default px-3 py-1.5 sm:px-4"
    :class="alarm ? 'border-error' : 'border-default'"
    :role="alarm ? 'alert' : undefined"
    aria-live="polite"
    data-testid="next-step"
    :data-does="next?.toDo.does ?? 'nothing'"
  >
    <div class="mx-auto flex max-w-[120rem] min-w-0 flex-wrap items-center gap-x-3 gap-y-1 sm:flex-nowrap">
      <span v-if="alarm" class="shrink-0 text-sm font-bold text-error">No hold</span>
      <span v-else class="shrink-0 text-sm text-muted">Next</span>
      <button
        v-if="next"
        type="button"
        class="group flex min-h-8 min-w-0 cursor-pointer items-center gap-2 text-left"
        data-testid="go-to-step"
        @click="go"
      >
        <span class="min-w-0"
          ><b class="underline-offset-3 group-hover:underline">{{ text.do }}</b
          ><span class="text-toned">: {{ failure || text.why }}{{ failure ? '' : '.' }}</span></span
        >
        <UIcon name="i-lucide-arrow-right" class="size-5 shrink-0 text-primary" aria-hidden="true" />
      </button>
      <span v-else class="min-w-0"
        ><b>{{ text.do }}</b
        ><span class="text-toned">: {{ text.why }}.</span></span
      >
      <button
        v-if="instead"
        type="button"
        class="text-link shrink-0"
        @click="failure = job.actions.holdSo(instead) ?? ''"
      >
        Hold it like this
      </button>
      <button
        v-if="next?.leavable"
        type="button"
        class="text-link ml-auto shrink-0 text-sm"
        data-testid="leave-out"
        @click="leaveOut"
      >
        {{ leaveOutText(next) }}
      </button>
    </div>
  </div>
</template>

<script setup lang="ts">
import { useNextStep } from './useNextStep'
import { useJob } from '~/job/useJob'

/** What to do next, with what and why: the same line on every page of the job. */
const job = useJob()
const { next, text } = useNextStep()
/** A hold that is none is an alarm; where there is one near it, it is one press away. */
const alarm = computed(() => next.value.does === 'mend-grip')
const instead = computed(() => (next.value.does === 'mend-grip' ? next.value.instead : null))
const failure = ref('')
watch(next, () => (failure.value = ''))
</script>

<template>
  <p
    class="border-b bg-default px-3 py-1.5 sm:px-4"
    :class="alarm ? 'border-error' : 'border-default'"
    :role="alarm ? 'alert' : undefined"
    aria-live="polite"
    data-testid="next-step"
    :title="`${text.do}: ${text.why}`"
  >
    <span class="mx-auto flex max-w-[120rem] min-w-0 items-baseline gap-2">
      <span v-if="alarm" class="shrink-0 text-sm font-bold text-error">No hold</span>
      <span v-else class="shrink-0 text-sm text-muted">Next</span>
      <span class="min-w-0 sm:truncate"
        ><b>{{ text.do }}</b
        ><span class="text-toned">: {{ failure || text.why }}{{ failure ? '' : '.' }}</span></span
      >
      <button
        v-if="instead"
        type="button"
        class="text-link shrink-0"
        @click="failure = job.actions.holdSo(instead) ?? ''"
      >
        Hold it so
      </button>
    </span>
  </p>
</template>

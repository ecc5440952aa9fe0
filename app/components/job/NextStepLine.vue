<script setup lang="ts">
import { useNextStep } from '~/composables/useNextStep'

/** What to do next, with what and why: the same line on every page of the job. */
const { text } = useNextStep()
</script>

<template>
  <p
    class="border-b border-default bg-default px-3 py-1.5 sm:px-4"
    aria-live="polite"
    data-testid="next-step"
    :title="`${text.do}: ${text.why}`"
  >
    <span class="mx-auto flex max-w-[120rem] min-w-0 items-baseline gap-2">
      <span class="shrink-0 text-sm text-muted">Next</span>
      <span class="min-w-0 sm:truncate"
        ><b>{{ text.do }}</b
        ><span class="text-toned">: {{ text.why }}.</span></span
      >
    </span>
  </p>
</template>

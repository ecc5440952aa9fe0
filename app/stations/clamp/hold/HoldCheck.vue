<script setup lang="ts">
import type { Verdict } from '#core/geometry/hold/holdChecks'

/** One check of a hold: good, to be watched, or bad; told by mark and word, not by colour alone. */
defineProps<{ verdict: Verdict; title: string }>()
const MARK = { good: 'i-lucide-check', watch: 'i-lucide-triangle-alert', bad: 'i-lucide-x' } as const
const WORD = { good: 'good', watch: 'watch', bad: 'no' } as const
</script>

<template>
  <li class="flex gap-3 border-t border-default py-2.5 first:border-t-0">
    <span
      class="flex w-20 shrink-0 items-center gap-1.5 self-start font-semibold"
      :class="{ 'text-error': verdict === 'bad' }"
      ><UIcon :name="MARK[verdict]" class="size-5 shrink-0" />{{ WORD[verdict] }}</span
    >
    <div>
      <p class="font-semibold">{{ title }}</p>
      <p class="text-toned"><slot /></p>
    </div>
  </li>
</template>

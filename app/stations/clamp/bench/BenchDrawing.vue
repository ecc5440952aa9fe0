<script setup lang="ts">
import { useJob } from '~/job/useJob'

/** The measured drawing: plan and section of the real rig, blade and stone, each to scale. */
const job = useJob()
</script>

<template>
  <SheetPane label="The bench, drawn to scale" class="relative flex p-0 min-h-0 flex-col">
    <SideSwitch class="absolute top-1.5 right-2 z-10" />
    <div
      v-if="job.drawn.value"
      class="grid min-h-0 flex-1 grid-rows-[22rem_22rem] divide-default max-lg:divide-y lg:grid-cols-[11fr_12fr] lg:grid-rows-1 lg:divide-x"
      :class="{ 'opacity-60': job.trouble.value }"
    >
      <PlanView class="max-lg:order-2" />
      <SectionView />
    </div>
    <p
      v-if="job.trouble.value"
      role="alert"
      class="absolute inset-x-3 bottom-3 rounded-sm border border-error bg-default px-3 py-2 text-error"
    >
      {{ job.trouble.value }}
    </p>
  </SheetPane>
</template>

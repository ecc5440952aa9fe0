<script setup lang="ts">
import { useBench } from '~/composables/useBench'

/** The measured drawing: plan and section of the real rig, blade and stone, each to scale. */
const bench = useBench()
</script>

<template>
  <section
    aria-label="The bench, drawn to scale"
    class="relative flex min-h-0 flex-col rounded-sm border border-default bg-default"
  >
    <SideSwitch class="absolute top-1.5 right-2 z-10" />
    <div
      v-if="bench.drawn.value"
      class="grid min-h-0 flex-1 grid-rows-[22rem_22rem] divide-default max-lg:divide-y lg:grid-cols-[11fr_12fr] lg:grid-rows-1 lg:divide-x"
      :class="{ 'opacity-60': bench.trouble.value }"
    >
      <PlanView class="max-lg:order-2" />
      <SectionView />
    </div>
    <p
      v-if="bench.trouble.value"
      role="alert"
      class="absolute inset-x-3 bottom-3 rounded-sm border border-error bg-default px-3 py-2 text-error"
    >
      {{ bench.trouble.value }}
    </p>
  </section>
</template>

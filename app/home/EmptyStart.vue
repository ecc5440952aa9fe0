<script setup lang="ts">
import { useCollections } from '~/stores/collections'

/** Where a new user begins: a rig, a blade and a stone of their own, one after the other; or the samples. */
const collections = useCollections()
const steps = computed(() => [
  {
    done: collections.rigs.length > 0,
    title: 'Your rig',
    means: 'Pivot, jaws and how its height is set, with a rule and a calliper. Once for each rig.',
    label: 'Describe your rig',
    to: '/shelf/rig',
  },
  {
    done: collections.bladesInUse > 0,
    title: 'Your blade',
    means: 'The shape of its edge, its thickness, its grind.',
    label: 'Describe your blade',
    to: '/shelf/blade',
  },
  {
    done: collections.stones.length > 0,
    title: 'Your stone',
    means: 'From the rod’s axis to its face, and its grit.',
    label: 'Describe your stone',
    to: '/shelf?new=stone',
  },
])
const next = computed(() => steps.value.findIndex((step) => !step.done))
</script>

<template>
  <section class="pane p-6" aria-label="Getting started">
    <p class="text-lg">A job needs a rig, a blade and a stone.</p>
    <ol class="mt-3">
      <li
        v-for="(step, i) in steps"
        :key="step.title"
        class="flex flex-wrap items-center justify-between gap-3 border-t border-default py-3"
      >
        <div class="min-w-0">
          <p class="font-semibold">
            {{ i + 1 }}. {{ step.title
            }}<span v-if="step.done" class="font-normal text-muted">{{ ' is described' }}</span>
          </p>
          <p class="text-sm text-muted">{{ step.means }}</p>
        </div>
        <UButton
          v-if="!step.done"
          size="xl"
          :variant="i === next ? 'solid' : 'outline'"
          :color="i === next ? 'primary' : 'neutral'"
          :label="step.label"
          :to="step.to"
        />
      </li>
    </ol>
  </section>
</template>

<script setup lang="ts">
import { useInk } from '~/composables/useInk'
import { usePractice } from '~/stations/mark/practice/usePractice'
import { passesText } from '~/words/inkText'

/** In a practice: a light pass on the hidden blade, and what it exposed, to be told by eye. */
const ink = useInk()
const practice = usePractice()
const [TOP, FACE] = [22, 70]
/** A stone stops in a ragged line; the face’s own ends are straight. */
const ragged = (down: number, i: number) =>
  down <= 0 || down >= 1 ? 0 : 2.4 * Math.sin(i * 2.399) + 1.6 * Math.sin(i * 5.1 + 1)
const TEETH = 24
const shapes = computed(() =>
  (practice.shown.value ?? []).map((runs) =>
    runs.map(([from, to]) => {
      const line = (down: number) =>
        Array.from({ length: TEETH + 1 }, (_, i) => [(100 * i) / TEETH, TOP + FACE * down + ragged(down, i)] as const)
      return [...line(from), ...line(to).reverse()].map((p) => p.map((one) => one.toFixed(2)).join(',')).join(' ')
    }),
  ),
)
</script>

<template>
  <div class="rounded-sm border border-dashed border-inverted p-3" data-testid="practice-pass">
    <div class="flex flex-wrap items-center justify-between gap-3">
      <p>{{ practice.shown.value ? passesText(practice.passes.value) : 'Ink is on: make a light pass.' }}</p>
      <UButton size="lg" label="Make a light pass" @click="practice.makePass" />
    </div>
    <div v-if="practice.shown.value" class="mt-2 flex gap-1" aria-hidden="true">
      <svg
        v-for="(zone, i) in ink.zones.value"
        :key="i"
        class="block h-24 min-w-14 basis-0"
        :style="{ flexGrow: Math.max(8, zone.toMm - zone.fromMm) }"
        viewBox="0 0 100 100"
        preserveAspectRatio="none"
      >
        <rect class="flat" width="100" :height="TOP" />
        <rect class="inked" y="8" width="100" :height="TOP - 8 + FACE" />
        <line x1="0" x2="100" :y1="TOP" :y2="TOP" class="shoulder" />
        <polygon v-for="(points, p) in shapes[i]" :key="p" class="bare" :points="points" />
      </svg>
    </div>
    <p v-if="practice.shown.value" class="mt-1 text-sm text-muted">
      What the pass exposed, heel to tip, edge below. Tell it on the strip under this, zone by zone, as you see it.
    </p>
  </div>
</template>

<style scoped>
.flat {
  fill: var(--steel);
}
.inked {
  fill: var(--ink);
}
.bare {
  fill: var(--sheet);
}
.shoulder {
  stroke: var(--steel);
  stroke-dasharray: 3 3;
  vector-effect: non-scaling-stroke;
}
</style>

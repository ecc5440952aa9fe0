<script setup lang="ts">
import type { TermPart, TermView } from '~/words/glossary'

/** A small drawing with the part that a term is of marked. */
const props = defineProps<{ view: TermView; part: TermPart }>()
/** Where each part lies, in the drawing's own units: a line, or a dot where a place is meant. */
const MARKS: Readonly<Record<TermPart, string | readonly [x: number, y: number]>> = {
  bevel: 'M14 40 L44 33.5',
  primary: 'M44 33.5 L112 22',
  behind: 'M44 33.5 V46.5',
  'micro-bevel': 'M14 40 L20 37',
  included: 'M34 35.7 A20 20 0 0 1 34 44.3',
  'per-side': 'M34 35.7 A20 20 0 0 1 34 40',
  burr: 'M14 40 q-5 -1 -5 -6',
  belly: 'M70 50 Q98 48 112 26',
  spine: 'M22 18 L96 18 Q106 19 112 26',
  setback: 'M22 66 H80',
  'face-offset': 'M58 31 L61 38',
  'blade-height': 'M70 52 H92',
  apex: [14, 40],
  shoulder: [44, 33.5],
  choil: [26, 48],
  heel: [30, 50],
  tip: [112, 26],
  pivot: [22, 14],
  collar: [22, 30],
}
const mark = computed(() => MARKS[props.part])
</script>

<template>
  <svg viewBox="0 0 120 72" class="term h-18 w-30 shrink-0" aria-hidden="true">
    <template v-if="view === 'section'">
      <path class="steel" d="M14 40 L44 33.5 L112 22 V58 L44 46.5 Z" />
      <path v-if="part === 'per-side' || part === 'included'" class="thin" d="M14 40 H112" />
    </template>
    <template v-else-if="view === 'blade'">
      <path class="thin" d="M4 22 H22 V44 H4 Z" />
      <path class="steel" d="M22 18 L96 18 Q106 19 112 26 Q98 48 70 50 L30 50 Q28 46 24 48 L22 44 Z" />
    </template>
    <template v-else>
      <path class="thin" d="M22 66 V10 M10 66 H112" />
      <path class="thin" d="M22 14 L104 50" />
      <path class="steel" d="M48 25 L78 38 L76 43 L46 30 Z" />
      <path class="steel" d="M70 47 H52 V57 H70 Z" />
      <path class="thin" d="M70 52 L92 46" />
    </template>
    <path v-if="typeof mark === 'string'" class="mark" :d="mark" />
    <circle v-else class="dot" :cx="mark[0]" :cy="mark[1]" r="3.5" />
  </svg>
</template>

<style scoped>
.steel {
  fill: var(--steel);
  stroke: var(--steel-line);
}
.thin {
  fill: none;
  stroke: var(--ui-text-muted);
}
.mark {
  fill: none;
  stroke: var(--accent);
  stroke-width: 3.5;
  stroke-linecap: round;
}
.dot {
  fill: var(--accent);
}
</style>

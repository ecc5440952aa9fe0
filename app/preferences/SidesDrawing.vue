<script setup lang="ts">
import { SIDES, type PerSide } from '#core/records/common/side'

/** Which side is which: a blade with its handle at the left and its edge up shows side A; turned over, side B. */
defineProps<{ names: PerSide<string> }>()
const OUTLINE = {
  A: { blade: 'M40 44 H128 Q118 22 92 16 H40 Z', handle: 8, letterX: 78 },
  B: { blade: 'M100 44 H12 Q22 22 48 16 H100 Z', handle: 100, letterX: 66 },
} as const
const MEANS = { A: 'handle left, edge up', B: 'handle right, edge up' } as const
</script>

<template>
  <div class="mt-2 flex gap-4">
    <figure v-for="side in SIDES" :key="side" class="min-w-0 flex-1">
      <svg viewBox="0 0 140 56" class="w-full max-w-44" aria-hidden="true">
        <path :d="OUTLINE[side].blade" fill="var(--iron)" fill-opacity="0.35" stroke="var(--ink)" />
        <rect :x="OUTLINE[side].handle" y="17" width="32" height="26" rx="2" fill="none" stroke="var(--ink)" />
        <text :x="OUTLINE[side].letterX" y="37" text-anchor="middle" font-size="18" font-weight="600" fill="var(--ink)">
          {{ side }}
        </text>
      </svg>
      <figcaption class="text-sm wrap-anywhere text-muted">
        Side {{ side }}{{ names[side] === side ? '' : ` (“${names[side]}”)` }}: {{ MEANS[side] }}
      </figcaption>
    </figure>
  </div>
</template>

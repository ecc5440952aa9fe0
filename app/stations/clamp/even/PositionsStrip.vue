<script setup lang="ts">
import type { Position, Seam } from '#core/placement/longBlade'
import { positionsView } from './positionsView'

/** Which position works which stretch of the edge, how far each can be blended, and where they meet. */
const props = defineProps<{ positions: readonly Position[]; seams: readonly Seam[] }>()
const view = computed(() => positionsView(props.positions, props.seams))
const along = ({ from, width }: { from: number; width: number }) => ({ left: `${from}%`, width: `${width}%` })
</script>

<template>
  <figure class="my-3">
    <div
      class="relative"
      role="img"
      :aria-label="`${positions.length} positions from heel to tip, overlapping where they are blended`"
    >
      <div v-for="(row, i) in view.rows" :key="i" class="relative h-8">
        <div class="covers absolute inset-y-1 rounded-sm" :style="along(row.covers)" />
        <div class="own absolute inset-y-1 grid place-items-center rounded-sm font-semibold" :style="along(row.own)">
          {{ i + 1 }}
        </div>
      </div>
      <div
        v-for="(seam, i) in view.seams"
        :key="`s${i}`"
        class="seam absolute inset-y-0"
        :style="{ left: `${seam}%` }"
      />
    </div>
    <figcaption class="flex justify-between gap-3 text-sm text-muted">
      <span>heel</span
      ><span class="text-center">solid: its own stretch; striped: can be blended; dashed: blend here</span
      ><span>tip</span>
    </figcaption>
  </figure>
</template>

<style scoped>
.covers {
  border: 1px solid var(--angle-set);
  background: repeating-linear-gradient(135deg, transparent 0 5px, var(--rule) 5px 7px);
}
.own {
  background: var(--accent);
  color: var(--sheet);
}
.seam {
  border-left: 2px dashed var(--ink);
}
</style>

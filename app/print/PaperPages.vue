<script setup lang="ts">
import { nth } from '#core/math/list'
import type { CardPage } from './paper'
import { pointList } from '~/drawing/viewport'

/** Pages of lines and texts as they will be printed. `label`: what they are of. */
const props = defineProps<{ pages: readonly CardPage[]; label: string }>()
const first = computed(() => nth(props.pages, 0))
// The printed page is the paper's, without the browser's own margins.
useHead({
  style: [
    () =>
      `@page { size: ${first.value.width}mm ${first.value.height}mm; margin: 0 }
      @media print { .clamp-card { width: ${first.value.width}mm !important; height: ${first.value.height}mm !important } }`,
  ],
})
</script>

<template>
  <div class="card-pages space-y-3">
    <svg
      v-for="(page, k) in pages"
      :key="k"
      :viewBox="`0 0 ${page.width} ${page.height}`"
      class="clamp-card w-full rounded-sm border border-default"
      role="img"
      :aria-label="pages.length > 1 ? `${label}, page ${k + 1} of ${pages.length}` : label"
    >
      <rect :width="page.width" :height="page.height" fill="#fff" />
      <g fill="none" stroke="#1a1a1e" stroke-linejoin="round">
        <component
          :is="line.closed ? 'polygon' : 'polyline'"
          v-for="(line, i) in page.lines"
          :key="i"
          :points="pointList(line.points)"
          :stroke-width="line.width"
          :stroke-dasharray="line.dashed ? '1.6 1.2' : undefined"
        />
      </g>
      <text
        v-for="(text, i) in page.texts"
        :key="i"
        :x="text.x"
        :y="text.y"
        :font-size="text.size"
        :font-weight="text.bold ? 700 : 400"
        fill="#1a1a1e"
      >
        {{ text.text }}
      </text>
    </svg>
  </div>
</template>

<script setup lang="ts">
import { useViewport } from '~/drawing/useViewport'
import { rigDimensions, rigSheetBounds, type RigSheet } from './sheet/rigSheet'
import { lineOf, pointList, toPixels } from '~/drawing/viewport'
import type { Vec2 } from '#core/math/vector/vec2'

/**
 * One view of a rig being described: to scale, with the measures of the step at hand; the one being taken stands out.
 */
const props = defineProps<{
  sheet: RigSheet
  view: 'side' | 'above'
  /** Whether a measure belongs to the step. */
  shown: (path: string) => boolean
  active: string
  figure: (path: string) => string
}>()
const frame = ref<HTMLElement | null>(null)
const grabbed = ref(false)
const { viewport, box } = useViewport(
  frame,
  () => rigSheetBounds(props.sheet, props.view, props.shown('rodLengthMm')),
  grabbed,
  { x: 58, top: 56, bottom: 66 },
)
const px = (p: Vec2) => toPixels(p, viewport.value!)
const points = (all: readonly Vec2[]) => pointList(all.map(px))
const line = ([from, to]: readonly [Vec2, Vec2]) => lineOf([px(from), px(to)])
const dimensions = computed(() =>
  viewport.value ? rigDimensions(props.sheet, props.view, props.shown, viewport.value) : [],
)
/** The measure being taken is drawn last, over the others. */
const ordered = computed(() =>
  [...dimensions.value].sort((a, b) => Number(a.path === props.active) - Number(b.path === props.active)),
)
const title = computed(() =>
  props.view === 'above'
    ? props.sheet.upright
      ? 'From the side'
      : 'From above'
    : props.sheet.upright
      ? 'From the front'
      : 'From the side',
)
</script>

<template>
  <figure class="relative min-h-0 min-w-0">
    <figcaption class="absolute top-1 left-2 text-sm text-muted">
      <b class="text-default">{{ title }}</b>
    </figcaption>
    <div ref="frame" class="absolute inset-0">
      <svg
        v-if="viewport"
        :viewBox="box"
        class="drawing block size-full"
        role="img"
        :aria-label="`${title}: the rig to scale with the measures of this step`"
      >
        <template v-if="view === 'side'">
          <polygon v-if="sheet.side.table" :points="points(sheet.side.table)" class="jaw" fill="url(#hatch)" />
          <line v-bind="line(sheet.side.plane)" class="plane" />
          <line v-for="(post, i) in sheet.side.posts" :key="`post-${i}`" v-bind="line(post)" class="post" />
          <polygon v-for="(stone, i) in sheet.side.stones" :key="`stone-${i}`" :points="points(stone)" class="stone" />
          <line v-for="(rod, i) in sheet.side.rods" :key="`rod-${i}`" v-bind="line(rod)" class="rod" />
          <polygon v-for="(blade, i) in sheet.side.blades" :key="`blade-${i}`" :points="points(blade)" class="blade" />
          <polygon
            v-for="(jaw, i) in sheet.side.jaws"
            :key="`jaw-${i}`"
            :points="points(jaw)"
            class="jaw"
            fill="url(#hatch)"
          />
          <circle
            v-for="(pivot, i) in sheet.side.pivots"
            :key="`pivot-${i}`"
            :cx="px(pivot)[0]"
            :cy="px(pivot)[1]"
            r="6"
            class="pivot"
          />
        </template>
        <template v-else>
          <polygon :points="points(sheet.above.blade)" class="blade" />
          <polygon v-if="sheet.above.jaws" :points="points(sheet.above.jaws)" class="jaw" fill="url(#hatch)" />
          <line v-bind="line(sheet.above.line)" class="front" />
          <line v-bind="line(sheet.above.middle)" class="plane" />
          <line v-bind="line(sheet.above.rod)" class="rod" />
          <line v-if="sheet.above.slide" v-bind="line(sheet.above.slide)" class="post" />
          <path
            v-for="(mark, i) in sheet.above.marks"
            :key="`mark-${i}`"
            :d="`M${px(mark)[0]} ${px(mark)[1]}v-9`"
            class="front"
          />
          <circle
            v-for="(pivot, i) in sheet.above.pivots"
            :key="`pivot-${i}`"
            :cx="px(pivot)[0]"
            :cy="px(pivot)[1]"
            r="6"
            class="pivot"
          />
        </template>
        <g
          v-for="{ path, dimension } in ordered"
          :key="path"
          :class="{ active: path === active, aside: active && path !== active }"
        >
          <DimensionLine :dimension="dimension" :text="figure(path)" :focus="`rig-${path}`" />
        </g>
      </svg>
    </div>
  </figure>
</template>

<style scoped>
.stone {
  opacity: 0.75;
}
.aside {
  opacity: 0.55;
}
.active :deep(line) {
  stroke: var(--accent);
  stroke-width: 2;
}
.active :deep(text) {
  fill: var(--accent);
  font-weight: 700;
}
</style>

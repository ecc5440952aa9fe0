<script setup lang="ts">
import { isOneOf, keysOf } from '#core/schema/keys'
import type { MarkGroup } from '~/photographs/PhotoMarks.vue'
import type { Trace } from './useTrace'
import type { Vec2 } from '#core/math/vector/vec2'

/**
 * The photograph with its marks: corners or two points for the scale, the spine's line, and the edge from heel to tip.
 * Pressing beside them adds to the edge.
 */
const props = defineProps<{ trace: Trace }>()
const { photo, scaleBy, corners, scalePoints, spine, edge, zoom, snapped, unsure, touched } = props.trace

const byPoints = computed(() => scaleBy.value === 'two points')
const marksOf = computed(() => ({ scale: byPoints.value ? scalePoints : corners, spine, edge }))
const groups = computed((): MarkGroup[] => [
  {
    id: 'scale',
    word: byPoints.value ? 'Scale point' : 'Corner of the sheet',
    marks: marksOf.value.scale.value,
    closed: !byPoints.value,
    look: 'scale',
  },
  { id: 'spine', word: 'Point on the spine', marks: spine.value, look: 'spine' },
  {
    id: 'edge',
    word: 'Point on the edge',
    marks: edge.value,
    ...(snapped.value.length > 0 ? { line: snapped.value, look: 'snapped' } : { look: 'edge' }),
  },
  ...unsure.value.map((stretch, i): MarkGroup => ({
    id: `unsure-${i}`,
    word: '',
    marks: [],
    line: stretch,
    look: 'unsure',
  })),
])
function move(id: string, i: number, to: Vec2) {
  if (!isOneOf(keysOf(marksOf.value), id)) return
  const marks = marksOf.value[id]
  marks.value = marks.value.map((mark, j) => (j === i ? to : mark))
  touched()
}
function add(at: Vec2) {
  edge.value = [...edge.value, at]
  touched()
}
</script>

<template>
  <PhotoMarks v-if="photo" v-model:zoom="zoom" :photo="photo" :groups="groups" @move="move" @add="add" />
</template>

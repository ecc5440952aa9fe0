<script setup lang="ts">
import { useDropZone, useEventListener } from '@vueuse/core'
import type { Vec2 } from '#core/math/vector/vec2'
import type { ShownPhotograph } from './usePhotograph'
import type { MarkGroup } from './PhotoMarks.vue'

/**
 * The pane of a photograph: one that is dropped or pasted is taken as one that was chosen. The slot shows while empty.
 */
defineProps<{ photo: ShownPhotograph | null; groups: readonly MarkGroup[] }>()
const zoom = defineModel<{ times: number; x: number; y: number }>('zoom', { required: true })
const emit = defineEmits<{
  taken: [picture: File]
  refused: [why: string]
  add: [at: Vec2]
  move: [group: string, mark: number, to: Vec2]
}>()
const pane = ref<HTMLElement | null>(null)
const firstPicture = (files: Iterable<File> | null | undefined) =>
  [...(files ?? [])].find(({ type }) => type.startsWith('image/'))
const { isOverDropZone } = useDropZone(pane, {
  onDrop(files) {
    const picture = firstPicture(files)
    if (picture) emit('taken', picture)
    else emit('refused', 'What was dropped is no picture.')
  },
})
useEventListener('paste', (event: ClipboardEvent) => {
  const picture = firstPicture(event.clipboardData?.files)
  if (picture) emit('taken', picture)
})
</script>

<template>
  <section
    ref="pane"
    class="pane relative p-0"
    :class="[photo ? 'h-[26rem]' : 'lg:h-[26rem]', { 'ring-2 ring-inverted': isOverDropZone }]"
    aria-label="The photograph"
  >
    <PhotoMarks
      v-if="photo"
      v-model:zoom="zoom"
      :photo="photo"
      :groups="groups"
      @add="emit('add', $event)"
      @move="(group, i, to) => emit('move', group, i, to)"
    />
    <div v-else class="space-y-2 p-6 text-muted"><slot /></div>
  </section>
</template>

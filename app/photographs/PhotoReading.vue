<script setup lang="ts">
import type { Ref } from 'vue'
import type { Vec2 } from '#core/math/vector/vec2'
import type { MarkGroup } from './PhotoMarks.vue'
import type { ShownPhotograph } from './usePhotograph'

/** A photograph that is tapped and read, and what is done with it. */
interface ReadPhotograph {
  readonly photo: Ref<ShownPhotograph | null>
  readonly busy: Ref<boolean>
  readonly failure: Ref<string>
  take(picture: File): Promise<void>
  tap(at: Vec2): Promise<void> | void
  read(): Promise<void>
  stop(): void
  forget(): Promise<void>
}

/**
 * A sheet on which a photograph is chosen, tapped and read. Slots: `hint` is shown while there is no picture, `found`
 * below the picture, `about` above the buttons that choose one, `taps` below them (`addMiddle` adds a tap by keyboard),
 * and `caution` last.
 */
const { of } = defineProps<{
  of: ReadPhotograph
  groups: readonly MarkGroup[]
  heading: string
  /** What the picture is of. */
  named: string
  /** The button that photographs the simulated stand-in; false where there is none. */
  simulated: string | false
  readLabel: string
}>()
defineEmits<{ move: [group: string, mark: number, to: Vec2]; simulate: [] }>()
const zoom = defineModel<{ times: number; x: number; y: number }>('zoom', { required: true })
const { photo, busy, failure } = of
function addMiddle() {
  if (photo.value) void of.tap([photo.value.width / 2, photo.value.height / 2])
}
</script>

<template>
  <div class="panes lg:grid-cols-[minmax(0,1fr)_26rem]">
    <div class="space-y-3">
      <PhotoPane
        v-model:zoom="zoom"
        :photo="photo"
        :groups="groups"
        @taken="of.take"
        @refused="failure = $event"
        @add="of.tap"
        @move="(group, i, to) => $emit('move', group, i, to)"
      >
        <slot name="hint" />
      </PhotoPane>
      <slot name="found" />
    </div>
    <SheetPane labelledby="photo-steps" class="space-y-3">
      <h2 id="photo-steps" class="text-lg font-semibold">{{ heading }}</h2>
      <slot name="about" />
      <PhotoSource :named="named" :busy="busy" :simulated="simulated" @taken="of.take" @simulate="$emit('simulate')" />
      <p v-if="failure" role="alert" class="text-error">{{ failure }}</p>
      <slot name="taps" :add-middle="addMiddle" />
      <div v-if="photo" class="flex flex-wrap items-center gap-2">
        <UButton v-if="!busy" size="xl" :label="readLabel" @click="of.read" />
        <template v-else>
          <UProgress aria-label="Reading the picture" class="flex-1" />
          <UButton color="neutral" variant="outline" size="lg" label="Stop" @click="of.stop" />
        </template>
        <UButton color="neutral" variant="ghost" label="Remove the picture" @click="of.forget" />
      </div>
      <slot name="caution" />
    </SheetPane>
  </div>
</template>

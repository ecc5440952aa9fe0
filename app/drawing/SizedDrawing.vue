<script setup lang="ts">
import { useElementSize } from '@vueuse/core'
import { watchEffect } from 'vue'

/** A drawing that fills its frame, in pixels: its slot is drawn once there is room. Of a fixed height where one is given. */
const props = defineProps<{
  label: string
  /** A picture that is only looked at, or a group with records to take hold of. */
  role?: 'img' | 'group'
  height?: number
}>()
const size = defineModel<{ width: number; height: number }>('size', { required: true })
defineSlots<{ default(): unknown; over(): unknown }>()
const frame = ref<HTMLElement | null>(null)
const { width, height: tall } = useElementSize(frame)
watchEffect(() => (size.value = { width: width.value, height: props.height ?? tall.value }))
</script>

<template>
  <div ref="frame" class="relative">
    <svg
      v-if="width > 0"
      :viewBox="`0 0 ${width} ${height ?? tall}`"
      :height="height"
      class="drawing select-none"
      :class="height === undefined ? 'absolute top-0 left-0' : 'block w-full'"
      :style="height === undefined ? { width: `${width}px`, height: `${tall}px` } : undefined"
      :role="role ?? 'group'"
      :aria-label="label"
    >
      <slot />
    </svg>
    <slot name="over" />
  </div>
</template>

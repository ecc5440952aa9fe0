<script setup lang="ts">
/** A button that lets a file be chosen. `named`: what the file is, for those who do not see the button. */
defineProps<{
  label: string
  named: string
  accept: string
  icon?: string
  size?: 'md' | 'lg'
  capture?: 'environment'
  loading?: boolean
}>()
const emit = defineEmits<{ chosen: [file: File] }>()
const chooser = ref<HTMLInputElement | null>(null)
function chosen() {
  const input = chooser.value
  const file = input?.files?.[0]
  // The same file can be chosen again.
  if (input) input.value = ''
  if (file) emit('chosen', file)
}
</script>

<template>
  <UButton
    color="neutral"
    variant="outline"
    :size="size ?? 'lg'"
    :icon="icon ?? 'i-lucide-upload'"
    :label="label"
    :loading="loading"
    @click="chooser?.click()"
  />
  <input
    ref="chooser"
    type="file"
    :accept="accept"
    :capture="capture"
    class="sr-only"
    :aria-label="named"
    tabindex="-1"
    @change="chosen"
  />
</template>

<script setup lang="ts">
/** Where a photograph comes from: a file, the camera, or the make-believe device where one is offered. */
defineProps<{ named: string; busy: boolean; simulated?: string | false }>()
const emit = defineEmits<{ taken: [picture: File]; simulate: [] }>()
const camera = ref(false)
const hasCamera = ref(false)
onMounted(() => (hasCamera.value = !!navigator.mediaDevices?.getUserMedia))
function taken(picture: File) {
  camera.value = false
  emit('taken', picture)
}
</script>

<template>
  <div class="flex flex-wrap gap-2">
    <FileButton label="Choose a photograph" :named="named" accept="image/*" :loading="busy" @chosen="taken" />
    <UButton
      v-if="hasCamera"
      color="neutral"
      variant="outline"
      size="lg"
      icon="i-lucide-camera"
      label="Camera"
      @click="() => void (camera = true)"
    />
    <UButton
      v-if="simulated"
      color="neutral"
      variant="outline"
      size="lg"
      icon="i-lucide-wand-sparkles"
      :label="simulated"
      @click="emit('simulate')"
    />
  </div>
  <LiveCamera v-if="camera" @taken="taken" @away="camera = false" />
</template>

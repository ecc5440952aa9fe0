<script setup lang="ts">
import { context2d } from '~/workers/context2d'
/** The device's camera as a live picture, of which one is taken; where the browser refuses it, says so. */
const emit = defineEmits<{ taken: [picture: File]; away: [] }>()
const video = ref<HTMLVideoElement | null>(null)
const failure = ref('')
let stream: MediaStream | null = null
onMounted(async () => {
  try {
    stream = await navigator.mediaDevices.getUserMedia({ video: { facingMode: 'environment', width: { ideal: 4096 } } })
    if (video.value) video.value.srcObject = stream
  } catch {
    failure.value = 'The browser gives no camera here: take the picture with the device and choose it.'
  }
})
onBeforeUnmount(() => stream?.getTracks().forEach((track) => track.stop()))
async function take() {
  if (!video.value?.videoWidth) return
  const { videoWidth, videoHeight } = video.value
  const canvas = new OffscreenCanvas(videoWidth, videoHeight)
  context2d(canvas).drawImage(video.value, 0, 0)
  const blob = await canvas.convertToBlob({ type: 'image/jpeg', quality: 0.95 })
  emit('taken', new File([blob], 'camera.jpg', { type: blob.type }))
}
</script>

<template>
  <div class="space-y-2">
    <p v-if="failure" role="alert" class="text-error">{{ failure }}</p>
    <video v-else ref="video" autoplay playsinline muted class="w-full rounded-sm" aria-label="What the camera sees" />
    <div class="flex gap-2">
      <UButton v-if="!failure" size="lg" label="Take it" @click="take" />
      <UButton color="neutral" variant="outline" size="lg" label="Close" @click="emit('away')" />
    </div>
  </div>
</template>

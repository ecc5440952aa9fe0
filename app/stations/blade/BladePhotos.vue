<script setup lang="ts">
import { z } from 'zod'
import { bladePhoto, MOST_PHOTOS, type BladePhoto } from '#core/records/storage/bladePhoto'
import { useWords } from '~/words/useWords'
import { ask } from '~/saving/api'
import { smallPicture } from '~/photographs/smallPicture'

/** Pictures of a blade, as it came and as it was handed back. */
const props = defineProps<{ bladeId: string; name: string }>()
const toast = useToast()
const words = useWords()
const photos = ref<BladePhoto[]>([])
const failure = ref('')
const busy = ref(false)
watch(
  () => props.bladeId,
  async (id) => {
    photos.value = []
    const answer = await ask(z.array(bladePhoto), `/api/blade-photos?blade=${id}`)
    if (answer.ok && id === props.bladeId) photos.value = answer.value
  },
  { immediate: true },
)

async function add(file: File) {
  failure.value = ''
  busy.value = true
  const image = await smallPicture(file)
  if (image.ok)
    await put({ bladeId: props.bladeId, caption: new Date().toLocaleDateString('sv'), image: image.address })
  else failure.value = words.problem(image)
  busy.value = false
}
async function put(photo: Pick<BladePhoto, 'bladeId' | 'caption' | 'image'>) {
  const answer = await ask(bladePhoto, '/api/blade-photos', 'POST', photo)
  if (answer.ok) photos.value = [...photos.value, answer.value]
  else failure.value = words.problem(answer.problem)
}
async function remove(photo: BladePhoto) {
  const answer = await ask(z.object({ ok: z.literal(true) }), `/api/blade-photos/${photo.id}`, 'DELETE')
  if (!answer.ok) return void (failure.value = words.problem(answer.problem))
  photos.value = photos.value.filter((one) => one.id !== photo.id)
  toast.add({ title: 'Picture removed', actions: [{ label: 'Undo', onClick: () => void put(photo) }] })
}
</script>

<template>
  <section aria-label="Pictures of this blade">
    <ul v-if="photos.length > 0" class="mt-3 grid grid-cols-3 gap-2">
      <li v-for="(photo, i) in photos" :key="photo.id" class="relative">
        <a :href="photo.image" :download="`${name} ${photo.caption}.jpg`"
          ><img
            :src="photo.image"
            :alt="`${name}, ${photo.caption}, picture ${i + 1}`"
            class="h-20 w-full rounded-sm border border-default object-cover"
        /></a>
        <UButton
          class="absolute top-0.5 right-0.5"
          color="neutral"
          variant="solid"
          icon="i-lucide-x"
          :aria-label="`Remove picture ${i + 1}`"
          @click="remove(photo)"
        />
      </li>
    </ul>
    <div v-if="photos.length < MOST_PHOTOS" class="mt-2">
      <FileButton
        label="Add a picture"
        named="Picture of the blade"
        accept="image/*"
        capture="environment"
        icon="i-lucide-camera"
        size="md"
        :loading="busy"
        @chosen="add"
      />
    </div>
    <p v-if="failure" role="alert" class="mt-1 text-error">{{ failure }}</p>
  </section>
</template>

<script setup lang="ts">
import { useWords } from '~/words/useWords'
import type { MarkGroup } from '~/photographs/PhotoMarks.vue'
import { MARKED, useBevelPicture, type Marked } from './useBevelPicture'
import { usePreferences } from '~/stores/preferences'
import { widthText } from '~/words/bevelText'

const words = useWords()

/** A close-up of the bevel: a known length in it, its edge and its shoulder are marked, and the width comes of it. */
const emit = defineEmits<{ width: [mm: number, uncertaintyMm: number] }>()
const preferences = usePreferences()
const { form, photo, busy, failure, width, take, add, move, takeBack, forget } = useBevelPicture()
const WORD: Record<Marked, string> = { scale: 'Scale', edge: 'Edge', shoulder: 'Shoulder' }
const marking = MARKED.map((value) => ({ value, label: WORD[value] }))
const LOOK = { scale: 'scale', edge: 'edge', shoulder: 'shoulder' } as const
const groups = computed((): MarkGroup[] =>
  MARKED.map((id) => ({ id, word: WORD[id], marks: form.value[id], look: LOOK[id] })),
)
const addMiddle = () => add([photo.value!.width / 2, photo.value!.height / 2])
const found = computed(() => (width.value.ok ? width.value : null))
async function use() {
  const { widthMm, uncertaintyMm } = found.value!
  emit('width', widthMm, uncertaintyMm)
  await forget()
}
</script>

<template>
  <div class="space-y-3">
    <PhotoPane
      v-if="photo"
      v-model:zoom="form.zoom"
      :photo="photo"
      :groups="groups"
      @taken="take"
      @refused="failure = $event"
      @add="add"
      @move="(group, i, to) => move(group as Marked, i, to)"
    />
    <div class="flex flex-wrap items-center gap-2">
      <PhotoSource named="Close-up of the bevel" :busy="busy" @taken="take" />
      <UButton v-if="photo" color="neutral" variant="ghost" label="Remove the picture" @click="() => void forget()" />
    </div>
    <p v-if="failure" role="alert" class="text-error">{{ failure }}</p>
    <p v-if="!photo" class="text-sm text-muted">Square to the bevel’s face, with a scale lying beside it.</p>
    <template v-else>
      <URadioGroup v-model="form.marking" legend="Tap the" orientation="horizontal" size="lg" :items="marking" />
      <div class="flex flex-wrap gap-2">
        <UButton color="neutral" variant="outline" label="Add one in the middle" @click="addMiddle" />
        <UButton
          color="neutral"
          variant="outline"
          label="Take the last back"
          :disabled="form[form.marking].length === 0"
          @click="takeBack"
        />
      </div>
      <UFormField :label="`Between the marks of the scale, ${preferences.unit}`"
        ><UInput v-model="form.scaleLength" size="lg" inputmode="decimal" autocomplete="off" class="w-40"
      /></UFormField>
      <p aria-live="polite" data-testid="picture-width">
        <template v-if="found"
          ><b class="figure text-2xl">{{ widthText(found.widthMm, found.uncertaintyMm, preferences.unit) }}</b
          ><span class="ml-1 text-muted"
            >± {{ widthText(found.uncertaintyMm, found.uncertaintyMm, preferences.unit) }}</span
          ></template
        ><template v-else-if="!width.ok">{{ words.problem(width) }}</template>
      </p>
      <UButton size="lg" label="Take the width over" :disabled="!found" @click="() => void use()" />
    </template>
  </div>
</template>

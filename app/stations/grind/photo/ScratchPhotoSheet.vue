<script setup lang="ts">
import { isDone } from '#core/photo/scratches/readScratchPhoto'
import type { MarkGroup } from '~/photographs/PhotoMarks.vue'
import { useTally } from '../bench/useTally'
import { useSimulatedBevel } from './useSimulatedBevel'
import { useScratchPhoto, type Tapped } from './useScratchPhoto'
import { useJob } from '~/job/useJob'
import { useSimulatedOffered } from '~/job/useSimulatedOffered'
import { sheetPath } from '~/navigation/stations'
import { pictureFile } from '~/photographs/pictureFile'
import { usePreferences } from '~/stores/preferences'
import { moreStrokesText, scratchPartText } from '~/words/scratchText'

/** Whether a stone has done its work, from a close-up: the old scratches that are left, and what is not reached. */
const job = useJob()
const preferences = usePreferences()
const photo = useScratchPhoto()
const { form, tapping, parts, recorded } = photo
const { countOf } = useTally()
const names = computed(() => preferences.current.sideNames)
const TAPPINGS: { value: Tapped; label: string }[] = [
  { value: 'edge', label: 'the edge' },
  { value: 'shoulder', label: 'the shoulder' },
  { value: 'old', label: 'along an old scratch' },
  { value: 'new', label: 'along a new one' },
]
const groups = computed((): MarkGroup[] => [
  { id: 'shoulder', word: 'Tap on the shoulder', marks: form.value.shoulder, look: 'shoulder' },
  { id: 'edge', word: 'Tap on the edge', marks: form.value.edge, look: 'edge' },
  { id: 'old', word: 'Tap along an old scratch', marks: form.value.old, look: 'scale' },
  { id: 'new', word: 'Tap along a new scratch', marks: form.value.new, look: 'snapped' },
])
const WHERE = ['Left third', 'Middle third', 'Right third']
const allDone = computed(() => parts.value.length > 0 && parts.value.every((part) => part.ok && isDone(part)))
const more = computed(() => moreStrokesText(parts.value, countOf(job.side.value)))
const offered = useSimulatedOffered()
const simulatedBevel = useSimulatedBevel()
async function simulate() {
  const { picture, taps } = simulatedBevel()
  await photo.takeMade(await pictureFile(picture, 'simulated-bevel.png'), taps)
}
const isLine = computed(() => tapping.value === 'old' || tapping.value === 'new')
</script>

<template>
  <PhotoReading
    v-model:zoom="form.zoom"
    :of="photo"
    :groups="groups"
    :heading="`${names[job.side.value]} after ${job.stone.value.name}`"
    named="Photograph of the scratches"
    :simulated="offered && 'Photograph the simulated bevel'"
    read-label="Read the picture"
    @move="(group, i, to) => photo.moveTap(group as Tapped, i, to)"
    @simulate="simulate"
  >
    <template #hint>
      <p>A close-up of the bevel through a loupe, wiped clean: choose it, drop it here, or paste it.</p>
      <p>Light it from one side, low over the steel. It reads where this stone’s strokes cross those before it.</p>
    </template>
    <template #found>
      <SheetPane v-if="parts.length > 0" labelledby="scratches" class="space-y-2">
        <h2 id="scratches" class="text-lg font-semibold" data-testid="scratch-verdict">
          {{ allDone ? 'This stone has done its work here' : 'Not yet' }}
        </h2>
        <dl data-testid="scratch-parts">
          <div
            v-for="(part, i) in parts"
            :key="WHERE[i]"
            class="flex flex-wrap gap-x-3 border-t border-default py-1.5 first:border-t-0"
          >
            <dt class="min-w-28 font-semibold">{{ WHERE[i] }}</dt>
            <dd>{{ scratchPartText(part) }}</dd>
          </div>
        </dl>
        <p v-if="more">{{ more }}</p>
        <UButton v-if="!recorded" size="xl" label="Record it" data-testid="scratch-record" @click="photo.record" />
        <p v-else role="status">
          Recorded.
          <NuxtLink class="text-link" :to="sheetPath(job.id, 'grind', 'bench')">Back to the stone</NuxtLink>
        </p>
        <p class="text-sm text-muted">
          Look along the rest of the edge too. Where heel or tip would cost years of the blade, leave it to the next
          sharpening.
        </p>
      </SheetPane>
    </template>
    <template #about><SideSwitch /></template>
    <template #taps="{ addMiddle }">
      <TapChoice
        v-if="photo.photo.value"
        v-model="tapping"
        :choices="TAPPINGS"
        orientation="vertical"
        @remove-last="photo.takeBack"
        @add-middle="addMiddle"
      >
        {{ form[tapping].length }} taps.
        {{ isLine ? 'Two along one scratch, far apart.' : 'Along it from left to right, five or so.' }}
      </TapChoice>
    </template>
  </PhotoReading>
</template>

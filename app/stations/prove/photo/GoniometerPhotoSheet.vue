<script setup lang="ts">
import { nth } from '#core/math/list'
import { SIDES } from '#core/records/common/side'
import { MARK_KINDS, type MarkKind } from '#core/photo/goniometer/readGoniometerPhoto'
import { goniometerPhotograph } from '#core/simulation/standIn/goniometerPhotograph'
import type { MarkGroup } from '~/photographs/PhotoMarks.vue'
import { useGoniometerPhoto } from './useGoniometerPhoto'
import { useSimulatedScreen } from '~/stations/prove/useSimulatedScreen'
import { pictureFile } from '~/photographs/pictureFile'
import { useJob } from '~/job/useJob'
import { sheetPath } from '~/navigation/stations'
import { usePreferences } from '~/stores/preferences'
import { angleText } from '~/words/angleText'
import { FINISH_WORD, MARK_WORD, NO_EDGE } from '~/words/goniometerText'

/** A photograph of the goniometer's screen: its ticks tapped, what shines on it read, named and taken over. */
const job = useJob()
const preferences = usePreferences()
const photo = useGoniometerPhoto()
const { form } = photo
const names = computed(() => preferences.current.sideNames)
const sideItems = computed(() => SIDES.map((side) => ({ value: side, label: names.value[side] })))
const kinds = MARK_KINDS.map((value) => ({ value, label: MARK_WORD[value] }))

const LOOK = { edge: 'edge', primary: 'shoulder', glare: 'spine', other: 'spine' } as const
/** Ends of what is no dot can be moved too. */
const groups = computed((): MarkGroup[] => [
  { id: 'ticks', word: 'Tick', marks: form.value.ticks.map(({ at }) => at), look: 'scale' },
  ...form.value.marks.map(({ kind, finish, at, from, to }, i): MarkGroup => {
    const ends = kind === 'edge' && finish !== 'crisp'
    return {
      id: `mark:${i}`,
      word: `${MARK_WORD[kind]} ${i + 1}, place`,
      marks: ends ? [at, from, to] : [at],
      line: [from, to],
      look: LOOK[kind],
    }
  }),
])
function move(group: string, i: number, to: readonly [number, number]) {
  if (group === 'ticks') photo.changeTick(i, { at: to })
  else photo.moveMark(Number(group.split(':')[1]), nth(['at', 'from', 'to'] as const, i), to)
}
const degText = (mark: (typeof form.value.marks)[number]) =>
  mark.finish === 'crisp' ? angleText(mark.middleDeg) : `${angleText(mark.fromDeg)} to ${angleText(mark.toDeg)}`

async function accept() {
  await photo.accept()
  await navigateTo(sheetPath(job.id, 'prove'))
}

const { offered, thrown, seed } = useSimulatedScreen()
async function simulate() {
  const { picture } = goniometerPhotograph({
    seed: seed.value,
    screen: photo.screen.value,
    sides: form.value.lower === 'A' ? thrown.value : [thrown.value[1], thrown.value[0]],
    askewDeg: 0.4,
    tiltDeg: 1.2,
    laser: 'red',
    bright: 0.9,
    noise: 4,
  })
  await photo.take(await pictureFile(picture, 'simulated-screen.png'))
}
</script>

<template>
  <PhotoReading
    v-model:zoom="form.zoom"
    :of="photo"
    :groups="groups"
    heading="The screen in a photograph"
    named="Photograph of the screen"
    :simulated="offered && 'Photograph the simulated screen'"
    read-label="Read the screen"
    @move="move"
    @simulate="simulate"
  >
    <template #hint>
      <p>The goniometer’s screen with its scale: choose the picture, drop it here, or paste it.</p>
      <p>The whole scale in it, the camera square to the screen, the room dark. The laser off before you come near.</p>
    </template>
    <template #found>
      <SheetPane v-if="form.marks.length > 0" labelledby="shines">
        <h2 id="shines" class="text-lg font-semibold">What shines along the scale <TermHelp label="Goniometer" /></h2>
        <ul data-testid="screen-marks">
          <li
            v-for="(mark, i) in form.marks"
            :key="i"
            class="flex flex-wrap items-center gap-x-3 gap-y-1 border-t border-default py-1.5 first:border-t-0"
          >
            <span class="figure w-32">{{ degText(mark) }}</span>
            <span class="w-14 text-muted">{{ FINISH_WORD[mark.finish] }}</span>
            <USelect
              :model-value="mark.kind"
              :items="kinds"
              size="lg"
              class="w-40"
              :aria-label="`What shines at ${degText(mark)}`"
              @update:model-value="photo.callMark(i, $event as MarkKind)"
            />
          </li>
        </ul>
        <p v-if="photo.shown.value.length === 0" role="alert" class="mt-1 text-error">{{ NO_EDGE }}</p>
        <UButton class="mt-2" size="xl" label="Apply" :disabled="photo.shown.value.length === 0" @click="accept" />
        <p class="mt-1 text-sm text-muted">Nothing is recorded yet: the figures go to Prove, to be checked.</p>
      </SheetPane>
    </template>
    <template #about><InstrumentChoice of="proof" /></template>
    <template #taps="{ addMiddle }">
      <template v-if="photo.photo.value">
        <div>
          <h3 class="font-semibold">Ticks of the scale</h3>
          <p class="text-sm text-muted" aria-live="polite">
            <template v-if="photo.next.value !== null"
              >Tap the tick of {{ angleText(photo.next.value, 1) }} in the picture; it snaps to the line.</template
            ><template v-else>Two are enough, three take a slanting camera out.</template>
          </p>
          <ul class="mt-1 space-y-1">
            <li v-for="(tick, i) in form.ticks" :key="i" class="flex items-center gap-2">
              <UInputNumber
                :model-value="tick.deg"
                :min="-60"
                :max="60"
                :step="1"
                size="lg"
                class="w-36"
                :aria-label="`Degrees of tick ${i + 1}`"
                @update:model-value="photo.changeTick(i, { deg: Number($event) })"
              /><span>°</span>
              <UButton
                color="neutral"
                variant="ghost"
                size="lg"
                icon="i-lucide-x"
                :aria-label="`Remove tick ${i + 1}`"
                @click="photo.removeTick(i)"
              />
            </li>
          </ul>
          <UButton
            v-if="!photo.full.value"
            class="mt-1"
            color="neutral"
            variant="outline"
            label="Add one in the middle"
            @click="addMiddle"
          />
        </div>
        <UFormField label="Side at lower degrees"
          ><USelect v-model="form.lower" :items="sideItems" size="lg" class="w-40"
        /></UFormField>
      </template>
    </template>
  </PhotoReading>
</template>

<script setup lang="ts">
import { nth } from '#core/math/list'
import { zoneAt } from '#core/records/blade/zones'
import { INK_PATTERNS, type InkPattern } from '#core/log/choices'
import { inkPhotograph } from '#core/simulation/standIn/inkPhotograph'
import type { MarkGroup } from '~/photographs/PhotoMarks.vue'
import { useInk } from '~/composables/useInk'
import { useInkPhoto, type Tapping } from './useInkPhoto'
import { usePractice } from '~/stations/mark/practice/usePractice'
import { useSimulatedBlade } from '~/stations/mark/practice/useSimulatedBlade'
import { pictureFile } from '~/photographs/pictureFile'
import { hasFraction } from '~/stations/mark/inkView'
import { useJob } from '~/job/useJob'
import { sheetPath } from '~/navigation/stations'
import { usePreferences } from '~/stores/preferences'
import { INK_WORD, PART_PROBLEM, fractionText } from '~/words/inkText'

/** A look from a close-up: edge and shoulder tapped, the bevel laid straight, what is bare proposed zone by zone. */
const job = useJob()
const ink = useInk()
const preferences = usePreferences()
const photo = useInkPhoto()
const { form, tapping } = photo
const names = computed(() => preferences.current.sideNames)

const TAPPINGS: { value: Tapping; label: string }[] = [
  { value: 'edge', label: 'the edge' },
  { value: 'shoulder', label: 'the shoulder' },
  { value: 'ink', label: 'the ink' },
]
const groups = computed((): MarkGroup[] => [
  { id: 'shoulder', word: 'Tap on the shoulder', marks: form.value.shoulder, look: 'shoulder' },
  { id: 'edge', word: 'Tap on the edge', marks: form.value.edge, look: 'edge' },
])

const patterns = INK_PATTERNS.map((value) => ({ value, label: INK_WORD[value] }))
const FIRST_FRACTION = 0.25
function seeAs(i: number, seen: InkPattern) {
  const fraction = nth(photo.proposals.value, i).observed?.fraction
  const partly = fraction && fraction > 0 && fraction < 1 ? fraction : FIRST_FRACTION
  photo.correct(i, { seen, fraction: seen === 'all' ? 1 : hasFraction(seen) ? partly : 0 })
}
const usable = computed(() => photo.proposals.value.some(({ observed }) => observed))
async function accept() {
  await photo.accept()
  await navigateTo(sheetPath(job.id, 'mark'))
}

const practice = usePractice()
const { offered, blade: simulatedBlade } = useSimulatedBlade()
async function simulate() {
  const blade = simulatedBlade()
  const { fromMm, toMm, tipLeft } = form.value
  const side = job.side.value
  if (job.practising) practice.makePass()
  const number = job.practising ? practice.passes.value : ink.looks.value.length
  const { picture } = inkPhotograph({
    seed: (number * 0.37 + 0.11) % 1,
    ink: 'blue',
    cover: 0.95,
    background: 'dark',
    glare: true,
    tiltDeg: 2,
    bow: 0.2,
    blurPx: 1,
    inkAbove: 0.4,
    bareAbove: 0,
    bare(along) {
      const mm = tipLeft ? toMm - along * (toMm - fromMm) : fromMm + along * (toMm - fromMm)
      const zone = zoneAt(ink.zones.value, mm)
      const deg = ink.setDeg.value[zone]
      return deg === null || deg === undefined ? [] : blade.pass(side, nth(ink.names.value, zone), deg, number)
    },
  })
  await photo.take(await pictureFile(picture, 'simulated.png'))
}
</script>

<template>
  <PhotoReading
    v-model:zoom="form.zoom"
    :of="photo"
    :groups="groups"
    :heading="`A marker test of ${names[job.side.value]} from a photograph`"
    named="Photograph of the bevel"
    :simulated="(offered || job.practising) && 'Photograph the simulated blade'"
    read-label="Read the picture"
    @move="(group, i, to) => photo.moveTap(group as 'edge' | 'shoulder', i, to)"
    @simulate="simulate"
  >
    <template #hint>
      <p>A close-up of the inked bevel after its light pass: choose it, drop it here, or paste it.</p>
      <p>Fill the picture with the bevel, edge and shoulder both in it, and keep the lamp’s mirror image off it.</p>
    </template>
    <template #found>
      <SheetPane v-if="photo.band.value" labelledby="band" class="space-y-2">
        <h2 id="band" class="text-lg font-semibold">What is bare, zone by zone</h2>
        <StraightBand :photo="photo" />
        <ul data-testid="proposals">
          <li
            v-for="(one, i) in photo.proposals.value"
            :key="one.zone"
            class="flex flex-wrap items-center gap-x-3 gap-y-1 border-t border-default py-1.5 first:border-t-0"
          >
            <b class="min-w-20">{{ ink.names.value[one.zone] }}</b>
            <USelect
              :model-value="one.observed?.seen"
              :items="patterns"
              size="lg"
              class="w-56"
              placeholder="not recognised"
              :aria-label="`Where ${ink.names.value[one.zone]} is bare`"
              @update:model-value="seeAs(i, $event as InkPattern)"
            />
            <span v-if="one.observed" class="figure" :data-testid="`proposed-${ink.names.value[one.zone]}`">{{
              fractionText(one.observed.fraction)
            }}</span>
            <span v-else-if="one.problem" class="text-error">{{ PART_PROBLEM[one.problem] }}</span>
          </li>
        </ul>
        <UButton size="xl" label="Use in this test" :disabled="!usable" @click="accept" />
        <p class="text-sm text-muted">
          Nothing is recorded yet: it goes to the Ink sheet, where more pictures or your own eye can add to it.
        </p>
      </SheetPane>
    </template>
    <template #about><SideSwitch /></template>
    <template #taps="{ addMiddle }">
      <TapChoice
        v-if="photo.photo.value"
        v-model="tapping"
        :choices="TAPPINGS"
        @remove-last="photo.takeBack"
        @add-middle="addMiddle"
      >
        <template v-if="tapping === 'ink'">{{
          form.colour.length === 3
            ? 'Its colour was pointed at.'
            : 'Its colour is found automatically; point at it where that fails.'
        }}</template><template v-else
          >{{ form[tapping].length }} taps. Along it from left to right, five or so; they snap to what is seen
          there.</template
        >
      </TapChoice>
      <div>
        <h3 class="font-semibold">Which stretch of the edge lies between the taps</h3>
        <EdgeWindow
          v-model:from="form.fromMm"
          v-model:to="form.toMm"
          @update:from="photo.touched"
          @update:to="photo.touched"
        />
        <UCheckbox
          v-model="form.tipLeft"
          size="xl"
          class="mt-4"
          label="The tip is at the picture’s left"
          @update:model-value="photo.touched"
        />
      </div>
    </template>
    <template #caution>
      <p class="text-sm text-muted">
        Gloves, hands behind the edge; solvent with air and away from flame; ink off before food.
      </p>
    </template>
  </PhotoReading>
</template>

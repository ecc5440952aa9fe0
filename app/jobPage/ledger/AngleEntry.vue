<script setup lang="ts">
import { SIDES, type Side } from '#core/records/common/side'
import { parseDecimal } from '#core/math/units/length'
import { useReadings } from '~/composables/useReadings'
import { useForm } from '~/forms/useForm'
import { useJob } from '~/job/useJob'
import { ANGLES, sheetPath, type AngleId } from '~/navigation/stations'
import { usePreferences } from '~/stores/preferences'

/** Enters a wanted, read or proved angle, per side. */
const props = defineProps<{ angle: Exclude<AngleId, 'set'> }>()
const emit = defineEmits<{ done: [] }>()
const job = useJob()
const preferences = usePreferences()
const readings = useReadings()
const about = computed(() => ANGLES.find((a) => a.id === props.angle)!)
const oneBevel = computed(() => job.blade.value.bevels === 'A')
const wanted = computed(() => props.angle === 'wanted')

const nowDeg = (side: Side): number | null =>
  props.angle === 'wanted'
    ? job.content.value.wanted.deg[side]
    : readings.shownDeg(props.angle === 'read' ? 'reading' : 'proof', side)
const figure = (deg: number | null) => (deg === null ? '' : String(Math.round(deg * 100) / 100))
const { form, takenUp, beginAnew, problems, addProblem, hasProblems, readFigure } = useForm(
  `angle:${job.keptAs}:${props.angle}`,
  () => ({
    A: figure(nowDeg('A')),
    B: figure(nowDeg('B')),
    linked: job.content.value.wanted.linked,
    why: job.content.value.wanted.why,
  }),
)
const shownSides = computed(() => (oneBevel.value || (wanted.value && form.value.linked) ? (['A'] as const) : SIDES))

/** What stands in a side's field: what was there where it was not touched. */
function read(side: Side): number | null {
  if (form.value[side] === figure(nowDeg(side))) return nowDeg(side)
  const empty = form.value[side].trim() === ''
  if (empty && !wanted.value) return null
  return readFigure(side, form.value[side], 'deg', empty ? 'wanted-missing' : 'angle-missing')
}

const included = computed(() => {
  const [a, b] = [
    parseDecimal(form.value.A),
    parseDecimal(wanted.value && form.value.linked ? form.value.A : form.value.B),
  ]
  if (!a.ok || oneBevel.value) return null
  return b.ok ? a.value + b.value : null
})

function keep() {
  const A = read('A')
  const both = shownSides.value.length === 1
  const B = both ? A : read('B')
  if (hasProblems()) return
  const refused =
    props.angle === 'wanted'
      ? job.session.change('wanted angle', {
          wanted: { deg: { A: A ?? 0, B: B ?? 0 }, linked: form.value.linked, why: form.value.why },
        })[0]
      : readings.putInstead(props.angle === 'read' ? 'reading' : 'proof', oneBevel.value ? { A } : { A, B })
  if (refused) return addProblem('A', refused)
  void beginAnew()
  emit('done')
}
</script>

<template>
  <form class="w-80 space-y-3 p-4" :aria-label="`${about.word} angle`" @submit.prevent="keep">
    <p class="flex items-center gap-2">
      <AngleMark :angle="angle" /><span
        ><b>{{ about.word }}</b
        >: {{ about.means }}</span
      >
    </p>
    <TakenUpNote v-if="takenUp" @anew="beginAnew" />
    <div class="flex gap-3">
      <UFormField
        v-for="(side, i) in shownSides"
        :key="side"
        :label="
          shownSides.length === 1 && !oneBevel ? 'Per side, both' : `${preferences.current.sideNames[side]}, per side`
        "
        :error="problems[side]"
        class="flex-1"
      >
        <UInput
          v-model="form[side]"
          size="xl"
          inputmode="decimal"
          autocomplete="off"
          class="w-full"
          :autofocus="i === 0"
          :data-testid="`${angle}-${side}`"
        >
          <template #trailing><span aria-hidden="true">°</span></template>
        </UInput>
      </UFormField>
    </div>
    <p v-if="included !== null" class="text-sm text-muted">Included: {{ included.toFixed(1) }}°</p>
    <template v-if="wanted">
      <UCheckbox v-if="!oneBevel" v-model="form.linked" label="The same on both sides" />
      <UFormField label="Why" hint="Use, steel, what happened last time"
        ><UInput v-model="form.why" size="lg" maxlength="300" class="w-full"
      /></UFormField>
      <p class="text-sm text-muted">
        Starting ranges per side: thin hard kitchen 10–15°, softer kitchen 15–20°, pocket and general 17–22°, hard use
        20–25°, chopping 25–30°. Then by trying, one degree at a time.
      </p>
    </template>
    <p v-else-if="angle === 'read'" class="text-sm text-muted">
      Stand the gauge along the rod on the stone, the stone’s middle over the point on the edge. Leave a side empty
      while it is not read.
      <NuxtLink class="underline" :to="sheetPath(job.id, 'clamp', 'gauge')" @click="emit('done')"
        >How to zero it, and where to put it</NuxtLink
      >
    </p>
    <p v-else class="text-sm text-muted">
      Ink first. Then the goniometer, with the blade square to the beam; your eyes never to the laser or its mirror
      image.
      <NuxtLink class="underline" :to="sheetPath(job.id, 'prove')" @click="emit('done')"
        >All that was read and proved</NuxtLink
      >
    </p>
    <UButton type="submit" size="lg" label="Save" />
  </form>
</template>

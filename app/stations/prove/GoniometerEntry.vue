<script setup lang="ts">
import type { Side } from '#core/records/common/side'
import { FINISHES, type Finish } from '#core/log/choices'
import { FIGURES, useGoniometer, type TypedFigure } from './useGoniometer'
import { useSimulatedScreen } from './useSimulatedScreen'
import { useJob } from '~/job/useJob'
import { sheetPath } from '~/navigation/stations'
import { usePreferences } from '~/stores/preferences'
import { angleText, sumText } from '~/words/angleText'
import { FINISH_MEANS, FINISH_WORD, shiftText, turnedText, unevenText } from '~/words/goniometerText'

/** What the goniometer shows, both sides at once: what it comes to stands below it before it is noted. */
const job = useJob()
const preferences = usePreferences()
const gonio = useGoniometer()
const { form, pattern } = gonio
const included = computed(() => {
  const { sides, includedUncertaintyDeg } = pattern.value ?? { sides: [], includedUncertaintyDeg: null }
  if (includedUncertaintyDeg === null) return null
  return sumText(
    sides.map(({ edgeDeg: deg, uncertaintyDeg }) => ({ deg, uncertaintyDeg })),
    includedUncertaintyDeg,
  )
})
const names = computed(() => preferences.current.sideNames)
const finishes = FINISHES.map((value) => ({ value, label: `${FINISH_WORD[value]}: ${FINISH_MEANS[value]}` }))
const LABEL: Record<TypedFigure, string> = {
  edge: 'Edge',
  from: 'from',
  to: 'to',
  width: 'How wide',
  primary: 'Primary face',
}
const labelOf = (side: Side, figure: TypedFigure) =>
  `${figure === 'edge' && form.value[side].finish === 'hazy' ? 'Its middle' : LABEL[figure]}, ${unit.value}`
const unit = computed(() => (gonio.inLengths.value ? preferences.unit : '°'))
const APEX = [
  { value: 'yes', label: 'yes, a burr came up' },
  { value: 'no', label: 'not yet' },
]
const simulated = useSimulatedScreen()
const watching = ref(false)
const failure = ref('')
/** Nobody is scolded for a field not reached yet. */
const tried = ref(false)
const problemAt = (field: string) => (tried.value ? gonio.problems.value[field] : undefined)
async function note() {
  tried.value = true
  failure.value = gonio.note() ?? ''
  if (failure.value)
    await nextTick(() => document.querySelector<HTMLElement>('[data-goniometer] [aria-invalid="true"]')?.focus())
  else tried.value = false
}
watch([form, () => gonio.problems.value], () => (failure.value = ''), { deep: true })
const uncut = computed(() => gonio.sides.value.filter((side) => !gonio.cutNoted(side)))
</script>

<template>
  <form class="space-y-3" aria-label="What the goniometer shows" data-goniometer @submit.prevent="note">
    <TakenUpNote v-if="gonio.takenUp.value" @anew="gonio.beginAnew" />
    <InstrumentChoice of="proof" />
    <template v-if="simulated.offered.value">
      <UButton
        v-if="!watching"
        color="neutral"
        variant="outline"
        icon="i-lucide-wand-sparkles"
        label="Watch the simulated screen"
        @click="() => void (watching = true)"
      />
      <SimulatedScreen v-else />
    </template>
    <UCheckbox
      v-if="gonio.distanceMm.value !== null"
      v-model="form.inLengths"
      size="xl"
      :label="`Spots by their distance from the middle, ${preferences.unit}`"
    />
    <div class="grid gap-4" :class="{ 'min-[24rem]:grid-cols-2': gonio.sides.value.length > 1 }">
      <fieldset v-for="side in gonio.sides.value" :key="side" class="min-w-0 space-y-2">
        <legend class="text-lg font-semibold">{{ names[side] }}</legend>
        <LabelledSelect
          label="The edge throws"
          :model-value="form[side].finish"
          :items="finishes"
          @update:model-value="gonio.put(side, { finish: $event as Finish })"
        />
        <UFormField
          v-for="figure in FIGURES[form[side].finish]"
          :key="figure"
          :label="labelOf(side, figure)"
          :error="problemAt(gonio.fieldOf(side, figure))"
          ><UInput
            :model-value="form[side][figure]"
            size="xl"
            inputmode="decimal"
            autocomplete="off"
            class="w-full"
            :placeholder="figure === 'primary' ? 'if it shows' : undefined"
            :data-testid="`gonio-${side}-${figure}`"
            @update:model-value="gonio.put(side, { [figure]: String($event) })"
        /></UFormField>
      </fieldset>
    </div>
    <UFormField
      :label="`Edge’s spots off the scale’s centre line, ${unit}`"
      help="0 where they stand in line with the primary spots: turn the blade flat until they do. Empty if you did not look."
      :error="problemAt('beside')"
      ><UInput
        v-model="form.beside"
        size="xl"
        inputmode="decimal"
        autocomplete="off"
        class="w-full"
        data-testid="gonio-beside"
    /></UFormField>
    <div v-if="pattern" aria-live="polite" class="border-t border-default pt-3" data-testid="gonio-says">
      <p class="flex flex-wrap gap-x-5">
        <span v-for="one in pattern.sides" :key="one.side"
          ><span class="mr-1 text-muted">{{ names[one.side] }}</span
          ><b class="figure text-2xl">{{ angleText(one.edgeDeg, one.uncertaintyDeg) }}</b
          ><span class="ml-1 text-muted">± {{ angleText(one.uncertaintyDeg, one.uncertaintyDeg) }}</span></span
        ><span v-if="included !== null"
          ><span class="mr-1 text-muted">included</span><b class="figure text-2xl">{{ included }}</b></span
        >
      </p>
      <p class="mt-1 text-sm text-toned">{{ shiftText(pattern, names) }}</p>
      <p class="mt-1 text-sm text-toned">{{ turnedText(pattern) }}</p>
      <p v-if="gonio.uneven.value !== null" class="mt-1 text-sm text-toned">
        {{ unevenText(gonio.uneven.value, names) }}
      </p>
    </div>
    <div class="grid gap-3 sm:grid-cols-2">
      <PlaceOnEdge v-model="gonio.on.value" :tried="tried" />
      <LabelledSelect v-model="form.apex" label="Cut through to the apex" :items="APEX" placeholder="not said" />
    </div>
    <p v-if="uncut.length > 0" class="text-sm text-muted">
      No strokes recorded on {{ uncut.map((side) => names[side]).join(', ') }}: this is the bevel as it was found. It
      tells nothing of the rig.
    </p>
    <p v-if="failure" role="alert" class="text-error">{{ failure }}</p>
    <div class="flex flex-wrap items-center gap-3">
      <UButton type="submit" size="xl" label="Record it" />
      <NuxtLink class="text-link" :to="sheetPath(job.id, 'prove', 'photo')">From a photograph</NuxtLink>
    </div>
    <p class="text-sm text-muted">
      Gloves; the blade square to the beam; your eyes never to the laser or its mirror image.
    </p>
  </form>
</template>

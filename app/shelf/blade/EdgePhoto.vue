<script setup lang="ts">
import { tracedHeadingDeg } from './bladeDraft'
import type { ScaleBy, Trace } from './useTrace'
import { usePreferences } from '~/stores/preferences'
import { angleText } from '~/words/angleText'
import { lengthText } from '~/words/lengthText'

/** The steps of tracing an edge in a photograph; the picture itself stands beside them. */
const props = defineProps<{ trace: Trace }>()
const { photo, failure, busy, scaleBy, own, edge, result, proposed, take, snap, touched } = props.trace
const { bowed, burntOut, line, bladeFound, sheetSize, proposeBlade, takeLine, otherSide, otherEnd } = props.trace
const preferences = usePreferences()
const scales: { value: ScaleBy; label: string }[] = [
  { value: 'a4', label: 'an A4 sheet, corner to corner' },
  { value: 'a5', label: 'an A5 sheet' },
  { value: 'card', label: 'a bank card' },
  { value: 'own sheet', label: 'another rectangle' },
  { value: 'two points', label: 'two points, looked at squarely' },
]
/** Where a bevel shines, the edge is the outer of two lines; where a shadow lies beside it, the inner. */
const LINES = { outer: 'Two lines: the outer is the edge', inner: 'Two lines: the inner is the edge' } as const
const unsureMm = computed(() => (result.value?.unsure ?? []).reduce((sum, { fromMm, toMm }) => sum + toMm - fromMm, 0))
function keepFirst(count: number) {
  edge.value = edge.value.slice(0, count)
  touched()
}
function addMiddle() {
  if (!photo.value) return
  edge.value = [...edge.value, [photo.value.width / 2, photo.value.height / 2]]
  touched()
}
</script>

<template>
  <div class="space-y-3">
    <p class="text-sm text-muted">
      Lay the blade on a sheet of paper, photograph both, the handle over the sheet’s border. The corners of the sheet
      take the perspective out; sheet and blade are found where they stand out. Nothing is used until you save the
      blade.
    </p>
    <FileButton
      label="Choose a photograph"
      named="Photograph of the blade"
      accept="image/*"
      :loading="busy"
      @chosen="take"
    />
    <p v-if="failure" role="alert" class="text-error">{{ failure }}</p>
    <template v-if="photo">
      <LabelledSelect v-model="scaleBy" label="1. The scale is in" :items="scales" />
      <p v-if="proposed && scaleBy !== 'two points'" role="status" class="text-sm" data-testid="proposed">
        <b>A sheet was found</b>: look whether the four marks stand on its corners, its long side along the top.
      </p>
      <p v-else class="text-sm text-muted">
        {{
          scaleBy === 'two points'
            ? 'Move the two marks at the bottom to the points.'
            : 'Move the four marks to its corners, upper left first and then round; its long side along the top.'
        }}
      </p>
      <div v-if="scaleBy === 'own sheet'" class="grid grid-cols-2 gap-3">
        <UFormField :label="`Along the top, ${preferences.unit}`"
          ><UInput v-model="own.width" size="lg" inputmode="decimal" class="w-full" /></UFormField
        ><UFormField :label="`Down the side, ${preferences.unit}`"
          ><UInput v-model="own.height" size="lg" inputmode="decimal" class="w-full"
        /></UFormField>
      </div>
      <UFormField v-if="scaleBy === 'two points'" :label="`They are apart by, ${preferences.unit}`"
        ><UInput v-model="own.distance" size="lg" inputmode="decimal" class="w-full"
      /></UFormField>
      <div v-if="bladeFound" role="status" data-testid="blade-found">
        <p class="text-sm">
          <b>A blade was found</b>: look whether its line runs along the edge, from heel to tip, and two marks stand on
          the spine. Move what does not.
        </p>
        <div class="mt-1 flex flex-wrap gap-2">
          <UButton
            color="neutral"
            variant="outline"
            label="The edge is on the other side"
            :disabled="busy"
            @click="otherSide"
          /><UButton
            color="neutral"
            variant="outline"
            label="The tip is at the other end"
            :disabled="busy"
            @click="otherEnd"
          />
        </div>
      </div>
      <UButton
        v-else-if="sheetSize && edge.length === 0"
        color="neutral"
        variant="outline"
        label="Find the blade on the sheet"
        :loading="busy"
        @click="proposeBlade()"
      />
      <p><b>2. The spine.</b> <span class="text-sm text-muted">Two marks on its straight part, heel first.</span></p>
      <div>
        <p>
          <b class="mr-1">3. The edge.</b>
          <span class="text-sm text-muted"
            >Press along it from heel to tip, a choil and all, every centimetre or so and on each corner:
            {{ edge.length }} marks.</span
          >
        </p>
        <div class="mt-1 flex flex-wrap gap-2">
          <UButton
            color="neutral"
            variant="outline"
            label="Remove the last"
            :disabled="edge.length === 0"
            @click="keepFirst(edge.length - 1)"
          /><UButton
            color="neutral"
            variant="outline"
            label="Remove all"
            :disabled="edge.length === 0"
            @click="keepFirst(0)"
          /><UButton color="neutral" variant="outline" label="Add one in the middle" @click="addMiddle" />
        </div>
      </div>
      <p v-if="result" data-testid="traced" aria-live="polite">
        {{ result.segments.length }} pieces, within
        {{ lengthText(Math.max(result.residualMm, 0.05), preferences.unit) }} of the outline; its direction to ±&nbsp;{{
          angleText(tracedHeadingDeg(result.uncertainty), 0.1)
        }}, less well towards its ends.
      </p>
      <p v-if="result?.unsure.length" role="status" data-testid="unsure">
        <b>Unsure on {{ lengthText(unsureMm, preferences.unit) }}</b
        >, dotted in the picture: something else there could as well be the edge (a shadow, a bright bevel), or nothing
        stands out. Set marks on the edge itself, close together, or take the picture in even light on paper of another
        brightness.
      </p>
      <div v-if="result && (result.unsure.length > 0 || line)" class="flex flex-wrap gap-2">
        <UButton
          v-for="(word, which) in LINES"
          :key="which"
          color="neutral"
          :variant="line === which ? 'solid' : 'outline'"
          :aria-pressed="line === which"
          :label="word"
          :disabled="busy"
          @click="takeLine(which)"
        />
      </div>
      <p v-if="burntOut" class="text-sm" data-testid="burnt-out">
        The paper is burnt out beside the edge: a bevel that shines as much would not be seen on it. Look whether the
        line runs on the very edge.
      </p>
      <p v-if="bowed" class="text-sm text-muted" data-testid="bowed">
        The lens bows the sheet’s sides: that is taken out.
      </p>
      <UButton size="lg" label="Snap to the outline" :loading="busy" @click="snap" />
    </template>
  </div>
</template>

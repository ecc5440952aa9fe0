<script setup lang="ts">
import { curveLength } from '#core/curve/arcLength'
import { fitPoints } from '#core/curve/fitPoints'
import type { DrawnPath } from '#core/exchange/edges/drawnPath'
import { readDxf } from '#core/exchange/edges/dxf'
import { placeEdge } from '#core/exchange/edges/placeEdge'
import { readPoints } from '#core/exchange/edges/points'
import { readSvg } from '#core/exchange/edges/svg'
import type { Drawn } from '~/describing/bladeDraft'
import { MM_PER_INCH, MM_PER_PIXEL, parseLengthMm } from '#core/units/length'
import { exactLength } from '~/words/lengthText'
import { useUnitSwitch } from '~/composables/useUnitSwitch'
import { useWords } from '~/composables/useWords'
import { usePreferences } from '~/stores/preferences'

/**
 * Takes an edge from a drawing or a table of points: which path, in which unit, which way round; the sheet shows what
 * comes of it.
 */
const props = defineProps<{ keptAs: string }>()
const emit = defineEmits<{ placed: [drawn: Drawn] }>()
const preferences = usePreferences()
const words = useWords()
const file = shallowRef<{
  name: string
  paths: readonly DrawnPath[]
  residual: number | null
  leftOut: readonly string[]
} | null>(null)
const chosen = ref(0)
const unit = ref<'mm' | 'in' | 'px' | 'as drawn'>('mm')
const drawnUnit = ref<number | null>(null)
const tipAtLeft = ref(false)
const edgeBelow = ref(false)
const width = ref('')
useUnitSwitch((inNewUnit) => (width.value = inNewUnit(width.value)))
const failure = ref('')
const MOST_BYTES = 8_000_000
const FIT_MM = 0.05
const MM_PER = { mm: 1, in: MM_PER_INCH, px: MM_PER_PIXEL } as const
const units = computed(() =>
  [...(drawnUnit.value === null ? [] : ['as drawn' as const]), 'mm' as const, 'in' as const, 'px' as const].map(
    (value) => ({
      value,
      label: value === 'as drawn' ? `as the drawing says (${Number(drawnUnit.value!.toPrecision(4))} mm)` : value,
    }),
  ),
)

async function take(given: File) {
  failure.value = ''
  if (given.size > MOST_BYTES)
    return void (failure.value = `${given.name} is larger than 8 MB: that is no drawing of an edge. What was here is kept.`)
  const text = await given.text()
  if (/\.(csv|txt|tsv)$/i.test(given.name)) {
    const read = readPoints(text)
    if (!read.ok)
      return void (failure.value = `${given.name}, line ${read.line}: ${words.problem(read)} What was here is kept.`)
    const fitted = fitPoints(read.points, FIT_MM)
    return begin(given.name, [{ name: 'points', segments: fitted.segments }], null, fitted.residualMm, [])
  }
  const read = /\.svg$/i.test(given.name) ? readSvg(text) : /\.dxf$/i.test(given.name) ? readDxf(text) : null
  if (!read) return void (failure.value = `${given.name}: take an SVG, a DXF or a CSV. What was here is kept.`)
  if (!read.ok) return void (failure.value = `${words.problem(read)} What was here is kept.`)
  begin(given.name, read.paths, read.mmPerUnit, null, read.leftOut)
}
function begin(
  name: string,
  paths: readonly DrawnPath[],
  mmPerUnit: number | null,
  residual: number | null,
  leftOut: readonly string[],
) {
  const longest = paths.reduce(
    (best, path, i) => (curveLength(path.segments) > curveLength(paths[best]!.segments) ? i : best),
    0,
  )
  file.value = { name, paths, residual, leftOut }
  drawnUnit.value = mmPerUnit
  unit.value = mmPerUnit === null ? 'mm' : 'as drawn'
  chosen.value = longest
}
const mmPerUnit = computed(() => (unit.value === 'as drawn' ? (drawnUnit.value ?? 1) : MM_PER[unit.value]))
const placed = computed(() => {
  const path = file.value?.paths[chosen.value]
  if (!path) return null
  const typed = parseLengthMm(width.value, preferences.unit)
  const extent = Math.max(
    ...path.segments.flatMap((piece) =>
      piece.type === 'line'
        ? [piece.from[1], piece.to[1]]
        : piece.type === 'bezier'
          ? piece.points.map((p) => p[1])
          : [piece.centre[1]],
    ),
  )
  return placeEdge(
    path,
    { mmPerUnit: mmPerUnit.value, tipAtLeft: tipAtLeft.value, edgeBelow: edgeBelow.value },
    typed.ok ? typed.value : Math.max(5, extent * mmPerUnit.value),
  )
})
const residualMm = computed(() =>
  Math.max((file.value?.residual ?? 0) * mmPerUnit.value, placed.value?.ok ? placed.value.residualMm : 0),
)
watch(placed, (now) => now?.ok && emit('placed', { edge: now.edge, spine: now.spine, choil: now.choil }))
const lengths = computed(
  () =>
    file.value?.paths.map((path, i) => ({
      value: i,
      label: `${path.name}, ${(curveLength(path.segments) * mmPerUnit.value).toFixed(0)} mm`,
    })) ?? [],
)
</script>

<template>
  <div class="space-y-3">
    <p class="text-sm text-muted">
      An SVG path, a DXF (lines, arcs, polylines, splines) or a table of points. A closed outline is parted into edge
      and spine.
    </p>
    <FileButton label="Choose a drawing" named="Drawing of the edge" accept=".svg,.dxf,.csv,.txt,.tsv" @chosen="take" />
    <p v-if="failure" role="alert" class="text-error">{{ failure }}</p>
    <template v-if="file">
      <p>
        {{ file.name
        }}<span v-if="residualMm > 0" class="text-muted"
          >, its points fitted within {{ exactLength(Math.max(residualMm, 0.01), preferences.unit) }}</span
        >
      </p>
      <p v-if="file.leftOut.length > 0" class="text-sm text-toned">
        Not read: {{ file.leftOut.join(', ') }}. Draw them as paths if they are of the edge.
      </p>
      <UFormField v-if="file.paths.length > 1" label="Which path is the edge?"
        ><USelect v-model="chosen" :items="lengths" size="lg" class="w-full"
      /></UFormField>
      <UFormField label="One unit of the drawing is"
        ><USelect v-model="unit" :items="units" size="lg" class="w-full"
      /></UFormField>
      <div class="flex flex-wrap gap-x-6 gap-y-2">
        <UCheckbox v-model="tipAtLeft" size="lg" label="The tip is at its left" /><UCheckbox
          v-model="edgeBelow"
          size="lg"
          label="The edge is below the spine"
        />
      </div>
      <UFormField
        :label="`Width at its widest, ${preferences.unit}`"
        help="Where the drawing has no spine: from the spine to the edge."
        ><UInput v-model="width" size="lg" inputmode="decimal" class="w-full"
      /></UFormField>
      <p v-if="placed && !placed.ok" role="alert" class="text-error">{{ words.problem(placed) }}</p>
    </template>
  </div>
</template>

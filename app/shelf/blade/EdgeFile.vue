<script setup lang="ts">
import { nth } from '#core/math/list'
import { curveLength } from '#core/math/curve/arcLength'
import { recognised } from '#core/exchange/edges/recognised'
import type { DrawnPath, WrittenBlade } from '#core/exchange/edges/drawnPath'
import type { EdgeFile } from '#core/exchange/edges/readEdgeFile'
import { placeEdge } from '#core/exchange/edges/placeEdge'
import { MM_PER_INCH, MM_PER_PIXEL, parseLengthMm } from '#core/math/units/length'
import { exactLength } from '~/words/lengthText'
import { edgeFileKey, type Drawn } from './bladeDraft'
import { keptFile } from '~/photographs/keptFile'
import { useForm } from '~/forms/useForm'
import { useWords } from '~/words/useWords'
import { usePreferences } from '~/stores/preferences'
import { goesElsewhere } from '~/words/fileWords'
import { kindOfFile } from '~/workers/kindOfFile'
import { readFileAside } from '~/workers/readFileAside'

/**
 * Takes an edge from a drawing or a table of points: which path, in which unit, which way round; the sheet shows what
 * comes of it.
 */
const props = defineProps<{ keptAs: string }>()
const emit = defineEmits<{ placed: [drawn: Drawn | null] }>()
const preferences = usePreferences()
const words = useWords()
const file = shallowRef<{
  name: string
  paths: readonly DrawnPath[]
  residual: number | null
  leftOut: readonly string[]
  written: WrittenBlade | null
} | null>(null)
const drawnUnit = ref<number | null>(null)
/** What was said of the drawing; where its tip and its edge are is empty until it is. */
interface EdgeFileForm {
  chosen: number
  unit: 'mm' | 'in' | 'px' | 'as drawn'
  tip: '' | 'left' | 'right'
  edgeSide: '' | 'above' | 'below'
  width: string
}
const { form } = useForm<EdgeFileForm>(
  edgeFileKey(props.keptAs),
  () => ({ chosen: 0, unit: 'mm', tip: '', edgeSide: '', width: '' }),
  (of, inNewUnit) => ({ ...of, width: inNewUnit(of.width) }),
)
const kept = keptFile(edgeFileKey(props.keptAs))
/** The drawing that was chosen before is there again, with what was said of it. */
onMounted(async () => {
  const before = await kept.read()
  const said = { ...form.value }
  if (before && (await read(before))) form.value = said
})
const failure = ref('')
const busy = ref(false)
const MOST_BYTES = 8_000_000
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
  if (await read(given)) await kept.keep(given)
}
/** Reads a file into what is asked about it; answers whether it could be read. */
async function read(given: File): Promise<boolean> {
  const refused = (why: string) => ((failure.value = `${why} What was here is kept.`), false)
  failure.value = ''
  if (given.size > MOST_BYTES) return refused(`${given.name} is larger than 8 MB: that is no drawing of an edge.`)
  const kind = await kindOfFile(given)
  if (!['drawing', 'points', 'unknown'].includes(kind)) return refused(goesElsewhere(given.name, kind))
  busy.value = true
  const text = await given.text()
  const drawing = await readFileAside(async (readers) => readers.readEdgeFile(given.name, text))
  busy.value = false
  if (drawing.ok) return begin(given.name, drawing)
  const where = 'line' in drawing && drawing.line ? `${given.name}, line ${drawing.line}: ` : ''
  return refused(`${where}${words.problem(drawing)}`)
}
function begin(name: string, drawing: Extract<EdgeFile, { ok: true }>): true {
  const { paths, mmPerUnit, leftOut, written, residualMm } = drawing
  const longest = paths.reduce(
    (best, path, i) => (curveLength(path.segments) > curveLength(nth(paths, best).segments) ? i : best),
    0,
  )
  // What was drawn before is not shown in the place of this one while something is still to be said of it.
  emit('placed', written && { ...written, choil: null, uncertainty: null })
  file.value = { name, paths, residual: residualMm, leftOut, written }
  drawnUnit.value = mmPerUnit
  form.value = {
    ...form.value,
    chosen: longest,
    unit: mmPerUnit === null ? 'mm' : 'as drawn',
    edgeSide: '',
    ...lying(nth(paths, longest)),
  }
  return true
}
/** Where the tip is, as far as the path tells. */
function lying(path: DrawnPath): { tip: '' | 'left' | 'right' } {
  const { tipAtLeft } = recognised(path)
  return { tip: tipAtLeft === null ? '' : tipAtLeft ? 'left' : 'right' }
}
const choosePath = (i: number) =>
  (form.value = { ...form.value, chosen: i, edgeSide: '', ...lying(nth(file.value?.paths ?? [], i)) })

const mmPerUnit = computed(() => (form.value.unit === 'as drawn' ? (drawnUnit.value ?? 1) : MM_PER[form.value.unit]))
const path = computed(() => file.value?.paths[form.value.chosen] ?? null)
const lies = computed(() => path.value && recognised(path.value))
/** An open path has no spine: how far its widest place is from there has to be said. */
const widthMm = computed(() => {
  const typed = parseLengthMm(form.value.width, preferences.unit)
  return typed.ok && typed.value > 0 ? typed.value : null
})
const widthProblem = computed(() => {
  const text = form.value.width.trim()
  return widthMm.value === null && text !== '' ? `“${text}” is no width.` : undefined
})
const placed = computed(() => {
  const { tip, edgeSide } = form.value
  if (!path.value || !lies.value || tip === '' || edgeSide === '') return null
  if (!lies.value.closed && widthMm.value === null) return null
  const axes = { mmPerUnit: mmPerUnit.value, tipAtLeft: tip === 'left', edgeBelow: edgeSide === 'below' }
  return placeEdge(path.value, axes, widthMm.value ?? 0)
})
watch(placed, (now) => {
  if (file.value?.written) return
  emit('placed', now?.ok ? { edge: now.edge, spine: now.spine, choil: now.choil, uncertainty: null } : null)
})
const residualMm = computed(() =>
  Math.max((file.value?.residual ?? 0) * mmPerUnit.value, placed.value?.ok ? placed.value.residualMm : 0),
)
const lengths = computed(
  () =>
    file.value?.paths.map((path, i) => ({
      value: i,
      label: `${path.name}, ${words.length(curveLength(path.segments) * mmPerUnit.value)}`,
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
    <!-- What is said while another drawing is being read would be said of the wrong one. -->
    <fieldset v-if="file" :disabled="busy" :aria-busy="busy" class="space-y-3">
      <p>
        {{ file.name
        }}<span v-if="residualMm > 0" class="text-muted"
          >, its points fitted within {{ exactLength(Math.max(residualMm, 0.01), preferences.unit) }}</span
        >
      </p>
      <p v-if="file.leftOut.length > 0" class="text-sm text-toned">
        Not read: {{ file.leftOut.join(', ') }}. Draw them as paths if they are of the edge.
      </p>
      <p v-if="file.written" class="text-sm text-toned">
        Written by this application: edge and spine come in as they were.
      </p>
      <template v-else>
        <UFormField v-if="file.paths.length > 1" label="Which path is the edge?"
          ><USelect
            :model-value="form.chosen"
            :items="lengths"
            size="lg"
            class="w-full"
            @update:model-value="choosePath($event as number)"
        /></UFormField>
        <LabelledSelect v-model="form.unit" label="One unit of the drawing is" :items="units" />
        <URadioGroup
          v-model="form.tip"
          legend="The tip is"
          :items="[
            { value: 'left', label: 'at its left' },
            { value: 'right', label: 'at its right' },
          ]"
          orientation="horizontal"
          size="lg"
        />
        <URadioGroup
          v-model="form.edgeSide"
          legend="The edge is"
          :items="[
            { value: 'above', label: 'above the spine' },
            { value: 'below', label: 'below the spine' },
          ]"
          orientation="horizontal"
          size="lg"
        />
        <p v-if="form.tip === '' || form.edgeSide === ''" class="font-semibold">
          Say {{ form.tip === '' ? 'where its tip is' : 'on which side its edge is' }}: the shape alone does not tell.
        </p>
        <UFormField
          v-if="lies && !lies.closed"
          :label="`Width at its widest, ${preferences.unit}`"
          help="The drawing has no spine: measure from spine to edge."
          :error="widthProblem"
          ><UInput v-model="form.width" size="lg" inputmode="decimal" class="w-full"
        /></UFormField>
      </template>
      <p v-if="placed && !placed.ok" role="alert" class="text-error">{{ words.problem(placed) }}</p>
    </fieldset>
  </div>
</template>

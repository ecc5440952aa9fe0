<script setup lang="ts">
import type { KeptStone } from '#core/kept/kept'
import { problemFields } from '#core/kept/problem'
import { grainSize, GRIT_STANDARDS, type GritStandard } from '#core/stone/grit'
import { stone as stoneSchema, STONE_KINDS } from '#core/stone/stone'
import { dishTiltDeg, faceTiltDeg } from '#core/stone/taper'
import { parseDecimal, parseLengthMm } from '#core/units/length'
import { exactFigure } from '~/describing/draft'
import { useKeeping } from '~/describing/useKeeping'
import { usePreferences } from '~/stores/preferences'
import { angleText, differenceText } from '~/words/angleText'
import { elsewhereText, grainText } from '~/words/grainText'
import { lengthText } from '~/words/lengthText'
import { STONE_KIND_WORD } from '~/words/rigText'

/** Describes a stone as it was measured. `from`: the stone to change or to copy; null begins a new one. */
const props = defineProps<{ from: KeptStone | null; copy?: boolean }>()
const emit = defineEmits<{ done: [kept: KeptStone] }>()
const preferences = usePreferences()

const figure = (mm: number | null | undefined) => (mm == null ? '' : exactFigure(mm, preferences.unit))
const base = props.from
const ends = base?.faceOffsetEnds ?? (base ? { nearMm: base.faceOffsetMm, farMm: base.faceOffsetMm } : undefined)
/** The lengths as they were: those not touched are kept to the last figure, whatever the unit they are shown in. */
const measured = {
  near: ends?.nearMm,
  far: ends?.farMm,
  tolerance: base?.faceOffsetToleranceMm ?? 0.1,
  length: base?.lengthMm ?? 150,
  width: base?.widthMm ?? 25,
  dish: base?.dishMm ?? 0,
  wornOutAt: base?.wornOutAtMm ?? undefined,
}
type LengthField = keyof typeof measured
const fields = reactive({
  name: base ? (props.copy ? `${base.name}, copy` : base.name) : '',
  kind: base?.kind ?? ('diamond' as (typeof STONE_KINDS)[number]),
  standard: (base ? (base.grit?.standard ?? 'none') : 'FEPA F') as GritStandard | 'none',
  number: base?.grit ? String(base.grit.number) : '',
  um: base ? String(base.grainUm) : '',
  ...(Object.fromEntries(Object.entries(measured).map(([field, mm]) => [field, figure(mm)])) as Record<
    LengthField,
    string
  >),
  lubricant: base?.lubricant ?? '',
  notes: base?.notes ?? '',
})
const problems = reactive<Record<string, string>>({})
const { keep: keepIt, busy, failure } = useKeeping('stones', props.copy ? null : base, 'is changed')

const kinds = STONE_KINDS.map((kind) => ({ value: kind, label: STONE_KIND_WORD[kind] }))
const standards = [
  ...GRIT_STANDARDS.map((s) => ({ value: s as string, label: s as string })),
  { value: 'none', label: 'grain size only' },
]

const grain = computed(() => {
  if (fields.standard === 'none') return null
  const parsed = parseDecimal(fields.number)
  return parsed.ok && Number.isInteger(parsed.value)
    ? grainSize({ standard: fields.standard, number: parsed.value })
    : null
})
const grainTold = computed(() => {
  if (!grain.value) return ''
  if (!grain.value.ok) return ''
  const other = elsewhereText(grain.value.um, fields.standard === 'none' ? null : fields.standard)
  return `${grainText(grain.value.um)}${other ? `; about ${other}` : ''}`
})
const mm = (text: string) => parseLengthMm(text, preferences.unit)
const taper = computed(() => {
  const [near, far, length] = [mm(fields.near), mm(fields.far), mm(fields.length)]
  if (!near.ok || !far.ok || !length.ok || !(length.value > 0)) return ''
  const tilt = faceTiltDeg(near.value, far.value, length.value)
  const middle = `At its middle ${lengthText((near.value + far.value) / 2, preferences.unit)}.`
  return near.value === far.value
    ? middle
    : `${middle} The face is tilted by ${differenceText(tilt)}: with the rod square to the edge, the angle is off by as much. Flatten the stone, or work with its middle.`
})

const dish = computed(() => {
  const [depth, length] = [mm(fields.dish), mm(fields.length)]
  if (!depth.ok || !length.ok || !(depth.value > 0) || !(length.value > 0)) return ''
  return `A stroke that ends on its rim tilts the face by ${angleText(dishTiltDeg(depth.value, length.value), 0.01)}.`
})

/** Reads every field; what cannot be read is told at its field. */
function read(): unknown {
  for (const key of Object.keys(problems)) problems[key] = ''
  const number = (field: 'number' | 'um', words: string) => {
    const parsed = parseDecimal(fields[field])
    if (!parsed.ok) problems[field] = words
    return parsed.ok ? parsed.value : NaN
  }
  const length = (field: LengthField) => {
    const was = measured[field]
    if (was !== undefined && fields[field] === figure(was)) return was
    const parsed = mm(fields[field])
    if (!parsed.ok)
      problems[field] = parsed.reason === 'empty' ? 'Measure it and write it here.' : `“${fields[field]}” is no length.`
    return parsed.ok ? parsed.value : NaN
  }
  const grit =
    fields.standard === 'none'
      ? null
      : { standard: fields.standard, number: number('number', 'Write the number printed on the stone.') }
  const size = grit && !problems.number ? grainSize(grit) : null
  if (size && !size.ok) problems.number = `${grit!.standard} goes from ${size.coarsest} to ${size.finest}.`
  const [nearMm, farMm] = [length('near'), length('far')]
  return {
    name: fields.name,
    notes: fields.notes,
    kind: fields.kind,
    grit,
    grainUm: grit ? (size?.ok ? size.um : NaN) : number('um', 'Write the grain size in micrometres.'),
    faceOffsetMm: (nearMm + farMm) / 2,
    faceOffsetEnds: { nearMm, farMm },
    faceOffsetToleranceMm: length('tolerance'),
    lengthMm: length('length'),
    widthMm: length('width'),
    lubricant: fields.lubricant,
    dishMm: length('dish'),
    wornOutAtMm: fields.wornOutAt.trim() === '' ? null : length('wornOutAt'),
    log: props.copy ? [] : (base?.log ?? []),
  }
}

const FIELD_OF: Record<string, string> = {
  'faceOffsetEnds.nearMm': 'near',
  'faceOffsetEnds.farMm': 'far',
  faceOffsetToleranceMm: 'tolerance',
  lengthMm: 'length',
  widthMm: 'width',
  dishMm: 'dish',
  wornOutAtMm: 'wornOutAt',
  grainUm: 'um',
  'grit.number': 'number',
}

async function keep() {
  const content = read()
  if (Object.values(problems).some(Boolean)) return
  const parsed = stoneSchema.safeParse(content)
  if (!parsed.success) {
    for (const { field, message } of problemFields(parsed.error)) problems[FIELD_OF[field] ?? field] ||= message
    return
  }
  const kept = await keepIt(parsed.data)
  if (kept) emit('done', kept)
}
</script>

<template>
  <form class="space-y-4" aria-label="Stone" @submit.prevent="keep">
    <UFormField label="Name" :error="problems.name || undefined"
      ><UInput v-model="fields.name" size="lg" class="w-full"
    /></UFormField>
    <div class="grid grid-cols-2 gap-3">
      <UFormField label="Kind"><USelect v-model="fields.kind" :items="kinds" size="lg" class="w-full" /></UFormField>
      <UFormField label="Lubricant"
        ><UInput v-model="fields.lubricant" size="lg" class="w-full" maxlength="80"
      /></UFormField>
      <UFormField label="Grit standard"
        ><USelect v-model="fields.standard" :items="standards" size="lg" class="w-full"
      /></UFormField>
      <UFormField v-if="fields.standard !== 'none'" label="Grit number" :error="problems.number || undefined"
        ><UInput v-model="fields.number" size="lg" inputmode="numeric" class="w-full"
      /></UFormField>
      <UFormField v-else label="Grain size, µm" :error="problems.um || undefined"
        ><UInput v-model="fields.um" size="lg" inputmode="decimal" class="w-full"
      /></UFormField>
    </div>
    <p class="min-h-5 text-sm text-muted" data-testid="grain">{{ grainTold }}</p>
    <fieldset>
      <legend class="font-medium">From the rod’s axis to the face</legend>
      <p class="mb-1 text-sm text-muted">Calliper over rod and stone at both ends; take off half the rod.</p>
      <div class="grid grid-cols-3 gap-3">
        <UFormField :label="`Pivot’s end, ${preferences.unit}`" :error="problems.near || undefined"
          ><UInput v-model="fields.near" size="lg" inputmode="decimal" class="w-full"
        /></UFormField>
        <UFormField :label="`Far end, ${preferences.unit}`" :error="problems.far || undefined"
          ><UInput v-model="fields.far" size="lg" inputmode="decimal" class="w-full"
        /></UFormField>
        <UFormField :label="`Known to ±, ${preferences.unit}`" :error="problems.tolerance || undefined"
          ><UInput v-model="fields.tolerance" size="lg" inputmode="decimal" class="w-full"
        /></UFormField>
      </div>
      <p class="mt-1 min-h-5 text-sm text-muted" data-testid="taper">{{ taper }}</p>
    </fieldset>
    <div class="grid grid-cols-2 gap-3">
      <UFormField :label="`Length, ${preferences.unit}`" :error="problems.length || undefined"
        ><UInput v-model="fields.length" size="lg" inputmode="decimal" class="w-full"
      /></UFormField>
      <UFormField :label="`Width, ${preferences.unit}`" :error="problems.width || undefined"
        ><UInput v-model="fields.width" size="lg" inputmode="decimal" class="w-full"
      /></UFormField>
    </div>
    <div class="grid grid-cols-2 gap-3">
      <UFormField
        :label="`Dish in the middle, ${preferences.unit}`"
        help="Feeler under a straightedge laid along the face."
        :error="problems.dish || undefined"
        ><UInput v-model="fields.dish" size="lg" inputmode="decimal" class="w-full"
      /></UFormField>
      <UFormField
        :label="`Worn out at, ${preferences.unit}`"
        help="Rod to face when nothing is left. Empty where it does not wear down."
        :error="problems.wornOutAt || undefined"
        ><UInput v-model="fields.wornOutAt" size="lg" inputmode="decimal" class="w-full"
      /></UFormField>
    </div>
    <p v-if="dish" class="text-sm text-muted" data-testid="dish">{{ dish }}</p>
    <UFormField label="Notes"
      ><UTextarea v-model="fields.notes" size="lg" class="w-full" maxlength="4000"
    /></UFormField>
    <p v-if="failure" role="alert" class="text-error">{{ failure }}</p>
    <UButton type="submit" size="xl" label="Keep" :loading="busy" />
  </form>
</template>

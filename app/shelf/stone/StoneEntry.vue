<script setup lang="ts">
import { v7 as newId } from 'uuid'
import { wearEntry, wearLogOf, wornLines } from '#core/log/wearLog'
import type { StoneRecord } from '#core/records/storage/kinds'
import { grainSize, GRIT_STANDARDS, type GritStandard } from '#core/records/stone/grit'
import { STONE_KINDS } from '#core/records/stone/stone'
import { dishTiltDeg, faceTiltDeg, middleOffsetMm } from '#core/records/stone/taper'
import { readStone, stoneDrafts, stoneFacts } from './stoneDraft'
import { useDescription } from '~/forms/useDescription'
import { angleText, differenceText } from '~/words/angleText'
import { elsewhereText, grainText } from '~/words/grainText'
import { useLog } from '~/stores/log'
import { lengthText } from '~/words/lengthText'
import { STONE_KIND_WORD } from '~/words/rigText'

/** Describes a stone as it was measured. `from`: the stone to change or to copy; null begins a new one. */
const props = defineProps<{ from: StoneRecord | null; copy?: boolean }>()
const emit = defineEmits<{ done: [kept: StoneRecord] }>()
const { from, copy } = props
const log = useLog()
const { unit, draft, takenUp, beginAnew, fieldsOf, shown, save, busy, failure } = useDescription({
  kind: 'stones',
  from,
  copy,
  changed: 'is changed',
  drafts: stoneDrafts(from, copy),
  read: (typed, now) => readStone(typed, now, from),
  content: ({ stone }) => stone,
})
const fields = fieldsOf(({ facts }) => facts, stoneFacts)
const { textAt, put, figure, problemTexts } = fields
const problemAt = (path: string) => shown(problemTexts.value[path], textAt(path))

const kinds = STONE_KINDS.map((kind) => ({ value: kind, label: STONE_KIND_WORD[kind] }))
const NO_GRIT = 'none' as const
const standards = [
  ...GRIT_STANDARDS.map((one) => ({ value: one, label: one })),
  { value: NO_GRIT, label: 'grain size only' },
]
const standard = computed({
  get: () => (draft.value.byGrit ? draft.value.facts.grit.standard : NO_GRIT),
  set(to: GritStandard | typeof NO_GRIT) {
    draft.value.byGrit = to !== NO_GRIT
    if (to !== NO_GRIT) draft.value.facts.grit.standard = to
  },
})

const grainHint = computed(() => {
  const number = figure('grit.number')
  if (!draft.value.byGrit || number === null || !Number.isInteger(number)) return ''
  const of = draft.value.facts.grit.standard
  const size = grainSize({ standard: of, number })
  if (!size.ok) return ''
  const other = elsewhereText(size.um, of)
  return `${grainText(size.um)}${other ? `; about ${other}` : ''}`
})
const taperHint = computed(() => {
  const [near, far, length] = [figure('faceOffsetEnds.nearMm'), figure('faceOffsetEnds.farMm'), figure('lengthMm')]
  if (near === null || far === null || length === null || length <= 0) return ''
  const middle = `At its middle ${lengthText(middleOffsetMm(near, far, figure('dishMm') ?? 0), unit.value)}.`
  if (near === far) return middle
  return `${middle} The face is tilted by ${differenceText(faceTiltDeg(near, far, length))}: with the rod square to the edge, the angle is off by as much. Flatten the stone, or work with its middle.`
})
const dishHint = computed(() => {
  const [depth, length] = [figure('dishMm'), figure('lengthMm')]
  if (depth === null || length === null || depth <= 0 || length <= 0) return ''
  return `A stroke that ends on its rim tilts the face by ${angleText(dishTiltDeg(depth, length), 0.01)}.`
})

/** A face found this much lower than it was described wore, or was measured wrongly before, mm. */
const LOWER_MM = 0.02
const isLower = computed(() => {
  const [near, far] = [figure('faceOffsetEnds.nearMm'), figure('faceOffsetEnds.farMm')]
  if (!from || copy || near === null || far === null) return false
  return from.faceOffsetMm - middleOffsetMm(near, far, figure('dishMm') ?? 0) > LOWER_MM
})
const WHY_LOWER = [
  { value: 'wore', label: 'It wore: note it in its wear log' },
  { value: 'wrong', label: 'It was measured wrongly before' },
]
const whyLower = ref('')
const unsaid = ref(false)

async function keep() {
  unsaid.value = isLower.value && whyLower.value === ''
  if (unsaid.value) return
  const wore = isLower.value && whyLower.value === 'wore'
  const kept = await save()
  if (!kept) return
  if (from && wore) {
    const lines = wornLines(
      from,
      kept.faceOffsetMm,
      new Date().toLocaleDateString('sv'),
      wearLogOf(log.ofKind('stone-wear'), kept.id),
    )
    log.append(lines.map((line) => wearEntry(kept.id, line, newId())))
  }
  emit('done', kept)
}

interface Shown {
  path: string
  label: string
  help?: string
}
const ENDS: readonly Shown[] = [
  { path: 'faceOffsetEnds.nearMm', label: 'Pivot’s end' },
  { path: 'faceOffsetEnds.farMm', label: 'Far end' },
  { path: 'faceOffsetToleranceMm', label: 'Known to ±' },
]
const SIZES: readonly Shown[] = [
  { path: 'lengthMm', label: 'Length' },
  { path: 'widthMm', label: 'Width' },
  { path: 'dishMm', label: 'Dish in the middle', help: 'Feeler under a straightedge laid along the face.' },
  {
    path: 'wornOutAtMm',
    label: 'Worn out at',
    help: 'Rod to face when nothing is left. Empty where it does not wear down.',
  },
]
</script>

<template>
  <form class="space-y-4" aria-label="Stone" data-described @submit.prevent="keep">
    <TakenUpNote v-if="takenUp" @anew="beginAnew" />
    <TypedField :fields="fields" path="name" label="Name" :problem="problemAt('name')" />
    <div class="grid grid-cols-2 gap-3">
      <LabelledSelect v-model="draft.facts.kind" label="Kind" :items="kinds" />
      <TypedField :fields="fields" path="lubricant" label="Lubricant" :problem="problemAt('lubricant')" />
      <LabelledSelect v-model="standard" label="Grit standard" :items="standards" />
      <TypedField
        v-if="draft.byGrit"
        :fields="fields"
        path="grit.number"
        label="Grit number"
        :problem="problemAt('grit.number')"
      />
      <TypedField v-else :fields="fields" path="grainUm" label="Grain size" :problem="problemAt('grainUm')" />
    </div>
    <p class="min-h-5 text-sm text-muted" data-testid="grain">{{ grainHint }}</p>
    <fieldset>
      <legend class="font-medium">From the rod’s axis to the face</legend>
      <p class="mb-1 text-sm text-muted">Calliper over rod and stone at both ends; take off half the rod.</p>
      <div class="grid grid-cols-3 gap-3">
        <TypedField v-for="one in ENDS" :key="one.path" v-bind="one" :fields="fields" :problem="problemAt(one.path)" />
      </div>
      <p class="mt-1 min-h-5 text-sm text-muted" data-testid="taper">{{ taperHint }}</p>
    </fieldset>
    <UFormField v-if="from && isLower" :error="unsaid && whyLower === '' ? 'Say which it was.' : undefined">
      <URadioGroup
        v-model="whyLower"
        :items="WHY_LOWER"
        :legend="`The face was ${lengthText(from.faceOffsetMm, unit)} from the rod, and is lower now.`"
        size="lg"
      />
    </UFormField>
    <div class="grid grid-cols-2 gap-3">
      <TypedField v-for="one in SIZES" :key="one.path" v-bind="one" :fields="fields" :problem="problemAt(one.path)" />
    </div>
    <p v-if="dishHint" class="text-sm text-muted" data-testid="dish">{{ dishHint }}</p>
    <NotesAndSave
      :notes="textAt('notes')"
      :problem="problemAt('notes')"
      :failure="failure"
      :busy="busy"
      @notes="put('notes', $event)"
    />
  </form>
</template>

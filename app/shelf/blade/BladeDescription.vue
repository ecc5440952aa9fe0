<script setup lang="ts">
import { useAskedField } from '~/forms/useAskedFor'
import { GRINDS, type Blade } from '#core/records/blade/blade'
import { HANDS, WORKS } from '#core/records/blade/work'
import { SHAPE_IDS, type ShapeId } from '#core/records/blade/shapeMeasures'
import { SIDES } from '#core/records/common/side'
import type { BladeRecord } from '#core/records/storage/kinds'
import type { Field } from '~/forms/rigDials'
import { edgeFileKey, tracedHeadingDeg } from './bladeDraft'
import { keptFile } from '~/photographs/keptFile'
import { forgetDraft } from '~/forms/useKeptDraft'
import { useTrace } from './useTrace'
import { BLADE_STEPS, useBladeDescription } from './useBladeDescription'
import { useCollections } from '~/stores/collections'
import { usePreferences } from '~/stores/preferences'
import { angleText } from '~/words/angleText'
import { GRIND_WORD, HAND_WORD, WORK_WORD } from '~/words/bladeText'
import { SHAPE_MEASURE_HOW, SHAPE_MEASURE_WORD, SHAPE_WORD } from '~/words/shapeText'

/**
 * Describes a blade: the shape of its edge first, then its measures, then what it is for. `from`: the blade to measure
 * anew or to copy.
 */
const props = defineProps<{ from: BladeRecord | null; copy: boolean }>()
const emit = defineEmits<{ done: [kept: BladeRecord]; away: [] }>()
const preferences = usePreferences()
const { draft, takenUp, beginAnew, step, read, facts, measures, edgePoints, zones, found, busy, failure, ...blade } =
  useBladeDescription(props.from, props.copy)
const { halfAngleDeg, uses } = blade

const trace = useTrace(blade.key)
/** The photograph and the drawing that the edge may have been taken from, and what was said of them. */
function forgetSources() {
  const drawing = edgeFileKey(blade.key)
  forgetDraft(drawing)
  return Promise.all([trace.forget(), keptFile(drawing).forget()])
}
const tracing = computed(() => draft.value.source === 'photo' && step.value === 0 && trace.photo.value !== null)
watch(trace.result, (now, before) => {
  if (now) draft.value.drawn = { edge: now.segments, spine: null, choil: now.choil, uncertainty: now.uncertainty }
  // Until its marks are traced anew, what was traced before is not this edge.
  else if (before && trace.photo.value) draft.value.drawn = null
})
/** A traced edge says how well its direction is known, unless a hand has; what is not traced does not go by that. */
let said = ''
watch([() => draft.value.source, trace.result], ([source, traced], [before]) => {
  const { facts: typed } = draft.value
  const own = typed.edgeHeadingToleranceDeg !== '' && typed.edgeHeadingToleranceDeg !== said
  if (source === 'photo' && traced) {
    said = String(tracedHeadingDeg(traced.uncertainty))
    if (!own) typed.edgeHeadingToleranceDeg = said
  } else if (before === 'photo' && source !== 'photo' && !own) typed.edgeHeadingToleranceDeg = ''
})
/** A drawn edge shows whether there is a choil; the fact can be set otherwise. */
const choilDrawn = computed(() => read.value.outline?.choil ?? null)
watch(choilDrawn, (is) => is !== null && (draft.value.facts.choil = is))
const choilHint = computed(() =>
  choilDrawn.value === null
    ? undefined
    : choilDrawn.value
      ? 'Drawn: the edge begins behind it.'
      : 'None is drawn. Without one the stone cannot run out at the heel.',
)
const problems = facts.problemTexts
const problemAt = (path: string, text: unknown) => blade.shown(problems.value[path], text)
const factProblem = (path: string) => problemAt(path, facts.textAt(path))
const fileProblem = computed(() => problemAt('file', ''))
const sources = [
  { value: 'shape', label: 'from the library' },
  { value: 'photo', label: 'from a photograph' },
  { value: 'file', label: 'from a drawing' },
  { value: 'points', label: 'typed points' },
]
const shapes = SHAPE_IDS.map((id) => ({ value: id, label: SHAPE_WORD[id] }))
const grinds = GRINDS.map((grind) => ({ value: grind, label: GRIND_WORD[grind] }))
const bevels = computed((): { value: Blade['bevels']; label: string }[] => [
  { value: 'both', label: 'on both sides' },
  { value: 'A', label: `on side ${preferences.current.sideNames.A} alone` },
])
const active = ref('')
const collections = useCollections()
const owners = computed(() => collections.owners.filter((one) => !one.archivedAt).map(({ name }) => name))
/** A blade that is described for somebody. */
const { owner: forOwner } = useRoute().query
if (!props.from && typeof forOwner === 'string' && draft.value.facts.owner === '') draft.value.facts.owner = forOwner
useAskedField((path) => (step.value = blade.stepOf(path)))

const of = (path: string, label: string, how: string): Field => ({ path, label, how })
const shapeFields = computed(() => uses.value.map((key) => of(key, SHAPE_MEASURE_WORD[key], SHAPE_MEASURE_HOW[key])))
const heading = of(
  'edgeHeadingToleranceDeg',
  'Direction of the edge, ±',
  'How far a rule laid along the edge may stand off this curve. Empty: half a degree, more in the belly of a library shape.',
)
const thickness: Field[] = [
  of('spineThicknessMm', 'Spine over the heel', 'Calliper on the spine.'),
  of(
    'spineThicknessTipMm',
    'Spine near the tip',
    'The same a finger’s width from the tip. Empty where it does not taper.',
  ),
  of('thicknessBehindEdgeMm', 'Behind the edge, over the heel', 'Calliper at the shoulder, where the bevel ends.'),
  of('thicknessBehindEdgeTipMm', 'Behind the edge, near the tip', 'The same near the tip. Empty where it is the same.'),
  of(
    'primaryGrindHeightMm',
    'Height of the primary grind',
    'From the edge up to where the blade has its full thickness.',
  ),
  of('handleLengthMm', 'Length of the handle', 'It pulls on the jaws: 0 where there is none.'),
]
const about: Field[] = [
  of('name', 'Name', 'As it is called on the shelf.'),
  of('owner', 'Owner', 'Whose it is.'),
  of('use', 'Use', 'What it has to cut.'),
  of('complaint', 'Complaint', 'Nicks, a rolled or chipped part, dull at the tip.'),
  of('steel', 'Steel', 'By class or standard number.'),
  of('hardnessHrc', 'Hardness', 'Empty where it is not known.'),
  of('coating', 'Coating', 'What the flats carry: protect it from the jaws.'),
]
const sharpenedField = of(
  'sharpenedBefore',
  'Sharpened before',
  'How often, when its record begins: 0 for a new blade, whose factory edge does not count. Empty: not known.',
)
const works = (['not-said', ...WORKS] as const).map((value) => ({ value, label: WORK_WORD[value] }))
const work = computed({
  get: () => draft.value.facts.work ?? 'not-said',
  set: (chosen) => (draft.value.facts.work = chosen === 'not-said' ? null : chosen),
})
const hands = HANDS.map((value) => ({ value, label: HAND_WORD[value] }))
const landmarkFields = [
  of(
    'landmark.what',
    'Landmark',
    'What you lay on a mark of the jaws: a stud, a pen line, the end of the choil. Empty where you use none.',
  ),
  of('landmark.alongMm', 'From the heel', 'Rule along the blade, towards the tip is positive.'),
]
const zoneRows = computed({
  get: () => draft.value.facts.zones,
  set: (rows) => (draft.value.facts.zones = rows),
})

function go(to: number) {
  blade.go(to)
  active.value = ''
}
async function keep() {
  const kept = await blade.save()
  if (!kept) return
  await forgetSources()
  emit('done', kept)
}
const anew = () => Promise.all([beginAnew(), forgetSources()])
const steps = computed(() => BLADE_STEPS.map((title, i) => ({ mark: title, title, missing: blade.missing(i) })))
</script>

<template>
  <DescribeFrame
    :step="step"
    record="Blade"
    :steps="steps"
    :taken-up="takenUp"
    :early="from !== null && !copy"
    :busy="busy"
    :failure="failure"
    @go="go"
    @keep="keep"
    @away="emit('away')"
    @anew="anew"
  >
    <template #drawing>
      <div class="pane relative min-h-[22rem] p-0 max-lg:order-2">
        <TracePicture v-if="tracing" :trace="trace" />
        <BladeSheetView
          v-else-if="read.outline && edgePoints.length > 0"
          :outline="read.outline"
          :edge-points="edgePoints"
          :zones="zones"
          :uses="draft.source === 'shape' && step === 0 ? uses : []"
          :measure-mm="blade.measureMm"
          @set="blade.setMeasure"
        />
        <p v-else class="p-6 text-muted">The blade is drawn here as soon as its edge is described.</p>
      </div>
    </template>
    <template v-if="step === 0">
      <URadioGroup
        v-model="draft.source"
        legend="Its shape"
        :items="sources"
        size="lg"
        :ui="{ fieldset: 'grid grid-cols-2 gap-x-4' }"
      />
      <template v-if="draft.source === 'shape'">
        <LabelledSelect
          label="Shape"
          :model-value="draft.shapeId"
          :items="shapes"
          @update:model-value="blade.chooseShape($event as ShapeId)"
        />
        <DescribedField
          v-for="field in shapeFields"
          :key="field.path"
          :field="field"
          :fields="measures"
          :focus-as="`rig-measures.${field.path}`"
          :problem="problemAt(`measures.${field.path}`, measures.textAt(field.path))"
          :active="active === field.path"
          @focus="active = $event"
        />
      </template>
      <template v-else-if="draft.source === 'points'">
        <UFormField
          :label="`Points, ${preferences.unit}`"
          help="Along the blade from the heel, then how wide it is there; one pair a line. Corners stay sharp."
          :error="problemAt('points', draft.points)"
          ><UTextarea
            v-model="draft.points"
            :rows="9"
            size="lg"
            class="w-full"
            placeholder="0  24&#10;20  24&#10;40  23.6"
        /></UFormField>
      </template>
      <template v-else-if="draft.source === 'photo'">
        <EdgePhoto :trace="trace" />
        <p v-if="fileProblem" role="alert" class="text-error">{{ fileProblem }}</p>
      </template>
      <template v-else>
        <EdgeFile
          :kept-as="blade.key"
          @placed="
            (drawn) => {
              draft.drawn = drawn
            }
          "
        />
        <p v-if="fileProblem" role="alert" class="text-error">{{ fileProblem }}</p>
      </template>
      <UCheckbox
        v-model="draft.facts.choil"
        size="lg"
        label="A choil ends the edge at the heel"
        :description="choilHint"
      />
      <DescribedField
        :field="heading"
        :fields="facts"
        :problem="factProblem(heading.path)"
        :active="active === heading.path"
        @focus="active = $event"
      />
      <ZoneEntry
        v-if="found.length > 0"
        v-model="zoneRows"
        :found="found"
        :problem="(i) => problems[`zones.${i}.toMm`] ?? problems[`zones.${i}.fromMm`]"
      />
    </template>
    <template v-else-if="step === 1">
      <DescribedField
        v-for="field in thickness"
        :key="field.path"
        :field="field"
        :fields="facts"
        :problem="factProblem(field.path)"
        :active="active === field.path"
        @focus="active = $event"
      />
      <div class="grid grid-cols-2 gap-3">
        <LabelledSelect v-model="draft.facts.grind" label="Grind" :items="grinds" />
        <LabelledSelect v-model="draft.facts.bevels" label="Bevelled" :items="bevels" />
        <TypedField
          v-for="side in SIDES"
          :key="side"
          :fields="facts"
          :path="`bevelDeg.${side}`"
          :label="`Existing bevel, side ${preferences.current.sideNames[side]}, per side`"
          :problem="factProblem(`bevelDeg.${side}`)"
          placeholder="not known"
        />
      </div>
      <UCheckbox v-model="draft.facts.falseEdge" size="lg" label="A false edge is ground on the spine" />
      <p v-if="halfAngleDeg !== null">
        Primary half-angle: <b>{{ angleText(halfAngleDeg) }}</b>
      </p>
    </template>
    <template v-else>
      <DescribedField
        v-for="field in about"
        :key="field.path"
        :field="field"
        :fields="facts"
        :problem="factProblem(field.path)"
        :active="active === field.path"
        :suggestions="field.path === 'owner' ? owners : undefined"
        @focus="active = $event"
      />
      <div class="grid grid-cols-2 gap-3">
        <LabelledSelect v-model="work" label="Work of its edge" :items="works" />
        <LabelledSelect v-model="draft.facts.hand" label="The hand that uses it" :items="hands" />
      </div>
      <DescribedField
        :field="sharpenedField"
        :fields="facts"
        :problem="factProblem(sharpenedField.path)"
        :active="active === sharpenedField.path"
        @focus="active = $event"
      />
      <fieldset class="grid grid-cols-2 gap-x-3 border-t border-default pt-2">
        <legend class="sr-only">Landmark</legend>
        <DescribedField
          v-for="field in landmarkFields"
          :key="field.path"
          compact
          :field="field"
          :fields="facts"
          :problem="factProblem(field.path)"
          :active="active === field.path"
          @focus="active = $event"
        />
      </fieldset>
      <UFormField label="Notes"
        ><UTextarea v-model="draft.facts.notes" size="lg" class="w-full" maxlength="4000"
      /></UFormField>
    </template>
  </DescribeFrame>
</template>

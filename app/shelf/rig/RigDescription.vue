<script setup lang="ts">
import { useAskedField } from '~/forms/useAskedFor'
import { nth } from '#core/math/list'
import type { RigRecord } from '#core/records/storage/kinds'

import { RIG_KINDS, type RigKind } from '#core/records/rig/kinds'
import { exactFigure } from '~/forms/draft'
import { dialsOf, type FieldList } from '~/forms/rigDials'
import { useRigDescription } from './useRigDescription'
import { usePreferences } from '~/stores/preferences'
import { lengthText } from '~/words/lengthText'
import { DIAL_WORDS } from '~/words/dialWords'
import { RIG_WORDS } from '~/words/rigText'

/**
 * Describes a rig step by step, each measure on the drawing. `from`: the rig to measure anew or to copy; null begins a
 * new one.
 */
const props = defineProps<{ from: RigRecord | null; copy: boolean }>()
const emit = defineEmits<{ done: [kept: RigRecord]; away: [] }>()
const preferences = usePreferences()
const { draft, takenUp, beginAnew, steps, step, fields, remarks, range, sheet, busy, failure, ...rig } =
  useRigDescription(props.from, props.copy)
const { textAt, put, rows, figure, problemTexts } = fields

const kinds = RIG_KINDS.map((kind) => ({
  value: kind,
  label: RIG_WORDS[kind].word,
  description: RIG_WORDS[kind].means,
}))
const languages = computed(() => dialsOf(draft.value.kind).map((by) => ({ value: by, label: DIAL_WORDS[by].readAs })))
const at = computed(() => nth(steps.value, step.value))
const last = computed(() => step.value === steps.value.length - 1)
/** The measure being taken. */
const active = ref('')

const problemAt = (path: string) => rig.shown(problemTexts.value[path], textAt(path))
/** Problems of the step that belong to none of its fields. */
const general = computed(() => {
  if (!rig.wasLeft(step.value)) return []
  const own = rig.pathsOf(step.value)
  return Object.entries(problemTexts.value)
    .filter(([path]) => !own.has(path) && rig.stepOf(path) === step.value)
    .map(([, message]) => message)
})

const figureText = (path: string) => {
  const mm = figure(path)
  return mm === null ? '?' : lengthText(mm, preferences.unit)
}
/** Of many slots, and of what is nothing or too small to see, only the measure being taken is drawn with its figure. */
const shown = (path: string) =>
  path === active.value ||
  (rig.pathsOf(step.value).has(path) && !/^(height\.slots\.|jaws\.knob)/.test(path) && Math.abs(figure(path) ?? 0) >= 1)

const toField = (selector: string) => nextTick(() => document.querySelector<HTMLElement>(selector)?.focus())
function go(to: number) {
  rig.go(to)
  active.value = ''
  void toField('[data-step] input')
}
useAskedField((path) => (step.value = rig.stepOf(path)))
function addRow(list: FieldList) {
  rig.addRow(list)
  void toField(`[data-focus="rig-${list.path}.${rows(list.path).length - 1}.${nth(list.fields, 0).path}"]`)
}
/** Both figures of a printed scale, as they were worked out: to a tenth of a millimetre. */
function takeScale({ bladeHeightMm, faceOffsetMm }: { bladeHeightMm: number; faceOffsetMm: number }) {
  put('height.drawnForBladeHeightMm', exactFigure(Math.round(bladeHeightMm * 10) / 10, preferences.unit))
  put('height.drawnForFaceOffsetMm', exactFigure(Math.round(faceOffsetMm * 10) / 10, preferences.unit))
}
function dropRow(list: FieldList, i: number) {
  rows(list.path).splice(i, 1)
}

async function keep() {
  const kept = await rig.save()
  if (kept) emit('done', kept)
}
const frameSteps = computed(() =>
  steps.value.map(({ title }, i) => ({ mark: String(i + 1), title, missing: rig.missing(i) })),
)
</script>

<template>
  <DescribeFrame
    :step="step"
    record="Rig"
    :steps="frameSteps"
    :taken-up="takenUp"
    :early="from !== null && !copy"
    :busy="busy"
    :failure="failure"
    @go="go"
    @keep="keep"
    @away="emit('away')"
    @anew="beginAnew"
  >
    <template #drawing>
      <div
        class="pane grid min-h-[26rem] p-0 max-lg:order-2 max-lg:h-[34rem] max-lg:grid-rows-2 max-lg:divide-y lg:grid-cols-[8fr_5fr] lg:divide-x divide-default"
      >
        <RigSheetView :sheet="sheet" view="side" :shown="shown" :active="active" :figure="figureText" />
        <RigSheetView :sheet="sheet" view="above" :shown="shown" :active="active" :figure="figureText" />
      </div>
    </template>
    <template #lead>
      <div>
        <h2 class="text-xl font-semibold">{{ at.title }}</h2>
        <p class="text-sm text-toned">{{ at.lead }}</p>
      </div>
    </template>
    <URadioGroup
      v-if="at.id === 'height' && languages.length > 1"
      v-model="draft.height.by"
      :items="languages"
      legend="You read it as"
      orientation="horizontal"
      size="lg"
    />
    <URadioGroup
      v-for="choice in at.choices ?? []"
      :key="choice.path"
      :model-value="fields.textAt(choice.path)"
      :items="[...choice.options]"
      :legend="choice.label"
      orientation="horizontal"
      size="lg"
      @update:model-value="fields.put(choice.path, String($event))"
    />
    <DescribedField
      v-for="field in at.fields"
      :key="field.path"
      :field="field"
      :fields="fields"
      :problem="problemAt(field.path)"
      :remark="remarks[field.path]"
      :active="active === field.path"
      @focus="active = $event"
    />
    <ScaleFromMarks
      v-if="at.id === 'height' && draft.height.by === 'degree-scale'"
      :setback-mm="figure('pivot.setbackMm')"
      :kept-as="rig.key"
      @found="takeScale"
    />
    <URadioGroup
      v-if="at.id === 'kind'"
      :items="kinds"
      :model-value="draft.kind"
      aria-label="Kind of rig"
      variant="table"
      size="lg"
      @update:model-value="rig.chooseKind($event as RigKind)"
    />
    <SampleRigs
      v-if="at.id === 'kind' && from === null && textAt('pivot.setbackMm') === ''"
      :kind="draft.kind"
      @begin="rig.beginAs"
    />
    <p v-if="at.id === 'height' && remarks.height" class="text-sm text-toned">
      <b>Saved, but unusual:</b> {{ remarks.height }}
    </p>
    <section v-for="list in at.lists" :key="list.path" :aria-label="list.word">
      <fieldset v-for="(_, i) in rows(list.path)" :key="i" class="border-t border-default py-2">
        <legend class="sr-only">{{ list.word }} {{ i + 1 }}</legend>
        <div class="flex items-end gap-2">
          <div class="grid min-w-0 flex-1 grid-cols-2 gap-x-3 gap-y-1">
            <DescribedField
              v-for="field in list.fields"
              :key="field.path"
              compact
              :field="{ ...field, path: `${list.path}.${i}.${field.path}` }"
              :fields="fields"
              :problem="problemAt(`${list.path}.${i}.${field.path}`)"
              :active="active === `${list.path}.${i}.${field.path}`"
              @focus="active = $event"
            />
          </div>
          <UButton
            color="neutral"
            variant="ghost"
            size="lg"
            icon="i-lucide-x"
            :disabled="rows(list.path).length <= list.least"
            :aria-label="`Remove ${list.word} ${i + 1}`"
            @click="dropRow(list, i)"
          />
        </div>
      </fieldset>
      <UButton
        color="neutral"
        variant="outline"
        icon="i-lucide-plus"
        size="lg"
        :label="`Add a ${list.word}`"
        @click="addRow(list)"
      />
    </section>
    <template v-if="last">
      <UFormField label="Notes"
        ><UTextarea v-model="draft.notes" size="lg" class="w-full" maxlength="4000"
      /></UFormField>
      <p v-if="range" class="text-sm text-toned">
        The pivot stands between {{ lengthText(range.lowestMm, preferences.unit) }} and
        {{ lengthText(range.highestMm, preferences.unit) }}.
      </p>
    </template>
    <p v-for="message in general" :key="message" role="alert" class="text-error">{{ message }}</p>
  </DescribeFrame>
</template>

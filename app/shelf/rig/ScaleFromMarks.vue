<script setup lang="ts">
import { useWords } from '~/words/useWords'
import { scaleFromMarks, type DrawnFor, type MeasuredMark } from '#core/records/rig/scaleFromMarks'
import { parseDecimal, parseLengthMm } from '#core/math/units/length'
import { useForm } from '~/forms/useForm'
import { usePreferences } from '~/stores/preferences'
import { lengthText } from '~/words/lengthText'

const words = useWords()

/** What a printed degree scale was drawn for, worked out from the pivot's height at some of its marks. */
const props = defineProps<{ setbackMm: number | null; keptAs: string }>()
const emit = defineEmits<{ found: [drawnFor: Extract<DrawnFor, { ok: true }>] }>()
const preferences = usePreferences()
const emptyRow = () => ({ mark: '', height: '' })
const { form } = useForm(
  `marks:${props.keptAs}`,
  () => ({ rows: [emptyRow(), emptyRow()] }),
  ({ rows }, inNewUnit) => ({ rows: rows.map((row) => ({ ...row, height: inNewUnit(row.height) })) }),
)
const rows = computed(() => form.value.rows)
const MOST_ROWS = 5
const measured = computed(() =>
  rows.value.map((row): MeasuredMark | null => {
    const [mark, height] = [parseDecimal(row.mark.replace('°', '')), parseLengthMm(row.height, preferences.unit)]
    return mark.ok && mark.value > 0 && mark.value < 80 && height.ok
      ? { markDeg: mark.value, heightMm: height.value }
      : null
  }),
)
const found = ref<DrawnFor | null>(null)
const missing = ref('')
watch(rows, () => ((found.value = null), (missing.value = '')), { deep: true })
function addMark() {
  rows.value.push(emptyRow())
}
function workOut() {
  const marks = measured.value.filter((mark) => mark !== null)
  missing.value =
    props.setbackMm === null
      ? words.problem({ code: 'setback-missing' })
      : marks.length < rows.value.length
        ? words.problem({ code: 'marks-missing' })
        : ''
  if (missing.value || props.setbackMm === null) return
  found.value = scaleFromMarks(marks, props.setbackMm)
  if (found.value.ok) emit('found', found.value)
}
</script>

<template>
  <section class="border-t border-default pt-3" aria-label="Worked out from marks">
    <p class="text-sm text-toned">
      Not in any manual? Set a low and a high mark, and measure the pivot’s height at each: both figures above follow.
      More marks tell how well they fit.
    </p>
    <fieldset v-for="(row, i) in rows" :key="i" class="mt-2 grid grid-cols-2 gap-3">
      <legend class="sr-only">Mark {{ i + 1 }}</legend>
      <UFormField label="Mark, °"
        ><UInput v-model="row.mark" size="lg" inputmode="decimal" class="w-full"
      /></UFormField>
      <UFormField :label="`Pivot height there, ${preferences.unit}`"
        ><UInput v-model="row.height" size="lg" inputmode="decimal" class="w-full"
      /></UFormField>
    </fieldset>
    <div class="mt-2 flex gap-2">
      <UButton color="neutral" variant="outline" size="lg" label="Work them out" @click="workOut" />
      <UButton
        v-if="rows.length < MOST_ROWS"
        color="neutral"
        variant="ghost"
        size="lg"
        icon="i-lucide-plus"
        label="Another mark"
        @click="addMark"
      />
    </div>
    <p v-if="missing || (found && !found.ok)" role="alert" class="mt-1 text-error">
      {{ missing || (found && !found.ok && words.problem(found)) }}
    </p>
    <p v-else-if="found?.ok" role="status" class="mt-1" data-testid="drawn-for">
      A blade {{ lengthText(found.bladeHeightMm, preferences.unit) }} out, a stone of
      {{ lengthText(found.faceOffsetMm, preferences.unit)
      }}<template v-if="rows.length > 2"
        >; the marks fit within {{ lengthText(Math.max(found.residualMm, 0.05), preferences.unit) }}</template
      >.
    </p>
  </section>
</template>

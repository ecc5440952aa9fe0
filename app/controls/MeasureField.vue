<script setup lang="ts">
import { parseDecimal, parseLengthMm } from '#core/math/units/length'
import { leaveField } from './leaveField'
import { useUnitSwitch } from './useUnitSwitch'
import { usePreferences } from '~/stores/preferences'
import { lengthFigure } from '~/words/lengthText'
import { useWords } from '~/words/useWords'

/**
 * A measure that can be typed, stepped by its buttons or by the arrow keys. A bad figure stays in the field with the
 * reason under it, and nothing else changes.
 */
const props = defineProps<{
  label: string
  value: number
  kind: 'length' | 'angle'
  focus: string
  /** Applies a value (mm or degrees); answers the objection, or null. */
  apply: (value: number) => string | null
  /** Makes so many steps; without it the value moves by `step`. */
  stepBy?: (steps: number) => string | null
  step?: number
  hint?: string
}>()
const preferences = usePreferences()
const words = useWords()
const id = useId()
const problem = ref('')
const text = ref('')
const shown = computed(() =>
  props.kind === 'length' ? lengthFigure(props.value, preferences.unit) : props.value.toFixed(1).replace('-', '−'),
)
const unit = computed(() => (props.kind === 'length' ? preferences.unit : '°'))
// What stands in the field is taken over when the figure changes; what is being typed stays, and keeps its meaning.
const input = useTemplateRef<HTMLInputElement>('input')
let untouched = ''
watch(
  shown,
  (now) => {
    const isTyping = input.value !== null && document.activeElement === input.value && text.value !== untouched
    untouched = now
    if (isTyping) return
    text.value = now
    problem.value = ''
  },
  { immediate: true },
)
useUnitSwitch((inNewUnit) => {
  if (props.kind !== 'length' || text.value === untouched) return
  const typed = inNewUnit(text.value)
  void nextTick(() => (text.value = typed))
})

function commit() {
  if (text.value === shown.value) return void (problem.value = '')
  const parsed =
    props.kind === 'length' ? parseLengthMm(text.value, preferences.unit) : parseDecimal(text.value.replace('°', ''))
  if (!parsed.ok) {
    const wrong = props.kind === 'length' ? 'not-a-length' : 'not-a-number'
    const code = parsed.code === 'missing' ? 'missing' : wrong
    problem.value = words.problem({ code, figures: { text: text.value } })
    return
  }
  problem.value = props.apply(parsed.value) ?? ''
  if (!problem.value) text.value = shown.value
}
function nudge(steps: number) {
  problem.value = (props.stepBy ? props.stepBy(steps) : props.apply(props.value + steps * (props.step ?? 0.5))) ?? ''
}
/** Enter takes the figure and leaves the field, so that single keys work again; a bad figure keeps the hand there. */
function take(event: Event) {
  commit()
  if (!problem.value) leave(event)
}
/** Escape takes back what was typed, and leaves. */
function takeBack(event: Event) {
  text.value = shown.value
  problem.value = ''
  leave(event)
}
const leave = ({ target }: Event) => target instanceof HTMLElement && leaveField(target)
/** The arrows step the figure in its field, and around it once it has been left. */
function onArrow(event: KeyboardEvent) {
  if (event.key !== 'ArrowUp' && event.key !== 'ArrowDown') return
  event.preventDefault()
  nudge((event.key === 'ArrowUp' ? 1 : -1) * (event.shiftKey ? 10 : 1))
}
</script>

<template>
  <div class="relative min-w-0 rounded-sm" data-field @keydown="onArrow">
    <label :for="id" class="block truncate text-sm text-toned">{{ label }}</label>
    <div class="flex">
      <UButton
        color="neutral"
        variant="outline"
        icon="i-lucide-minus"
        size="lg"
        class="rounded-r-none"
        :aria-label="`${label}: less`"
        tabindex="-1"
        @click="nudge(-1)"
      />
      <div class="relative min-w-0 flex-1">
        <input
          :id="id"
          ref="input"
          v-model="text"
          :data-focus="focus"
          data-own-keys
          inputmode="decimal"
          autocomplete="off"
          spellcheck="false"
          class="h-full w-full min-w-0 border-y border-accented bg-default py-1 pr-7 pl-2 text-center text-lg font-semibold"
          :class="{ 'border-error text-error': problem }"
          :aria-invalid="problem !== ''"
          :aria-describedby="problem ? `${id}-problem` : undefined"
          @change="commit"
          @keydown.enter="take"
          @keydown.escape.stop="takeBack"
        />
        <span class="pointer-events-none absolute inset-y-0 right-1.5 grid place-items-center text-sm text-muted">{{
          unit
        }}</span>
      </div>
      <UButton
        color="neutral"
        variant="outline"
        icon="i-lucide-plus"
        size="lg"
        class="rounded-l-none"
        :aria-label="`${label}: more`"
        tabindex="-1"
        @click="nudge(1)"
      />
    </div>
    <p
      v-if="problem"
      :id="`${id}-problem`"
      role="alert"
      class="absolute inset-x-0 top-[3.9rem] z-10 rounded-sm border border-error bg-default px-2 py-1 text-sm text-error"
    >
      {{ problem }}
    </p>
    <p v-if="hint" class="mt-0.5 truncate text-sm text-muted" :title="hint">{{ hint }}</p>
  </div>
</template>

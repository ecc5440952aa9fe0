<script setup lang="ts">
import type { Field } from './rigDials'
import type { Fields } from './useFields'

/** One measure or fact of a record being described: how to take it, what it is, what is wrong or odd about it. */
const props = defineProps<{
  field: Field
  fields: Fields
  problem?: string
  remark?: string
  active: boolean
  compact?: boolean
  /** What is likely to be typed. */
  suggestions?: readonly string[]
  /** Before the path, where the field is known by a longer one outside. */
  focusAs?: string
}>()
const emit = defineEmits<{ focus: [path: string] }>()
const id = useId()
const text = computed({
  get: () => props.fields.textAt(props.field.path),
  set: (to: string) => props.fields.put(props.field.path, to),
})
const isFigure = computed(() => props.fields.isFigure(props.field.path))
</script>

<template>
  <div>
    <div class="flex items-center justify-between gap-3" :class="{ 'flex-wrap': compact }">
      <label
        :for="id"
        class="min-w-0"
        :class="{
          'font-semibold': active,
          'w-full text-sm text-toned': compact,
          'w-24 shrink-0': !isFigure && !compact,
        }"
        >{{ field.label }}</label><TermHelp :label="field.label" class="-my-1" :class="{ 'mr-auto': isFigure }" />
      <div class="relative" :class="!isFigure ? 'min-w-40 flex-1' : compact ? 'w-full' : 'w-32 shrink-0'">
        <input
          :id="id"
          v-model="text"
          :data-focus="focusAs ?? `rig-${field.path}`"
          :inputmode="isFigure ? 'decimal' : 'text'"
          :list="suggestions?.length ? `${id}-list` : undefined"
          autocomplete="off"
          spellcheck="false"
          maxlength="80"
          class="w-full rounded-sm border border-accented bg-default px-2.5 py-1.5 text-lg"
          :class="[isFigure ? 'pr-9 text-right font-semibold' : '', { 'border-error text-error': problem }]"
          :aria-invalid="!!problem"
          :aria-describedby="`${id}-how`"
          @focus="emit('focus', field.path)"
        />
        <datalist v-if="suggestions?.length" :id="`${id}-list`">
          <option v-for="one in suggestions" :key="one" :value="one" />
        </datalist>
        <span class="pointer-events-none absolute inset-y-0 right-2.5 grid place-items-center text-sm text-muted">{{
          fields.unitText(field.path)
        }}</span>
      </div>
    </div>
    <p v-if="problem" role="alert" class="text-sm text-error">{{ problem }}</p>
    <p v-else-if="remark" class="text-sm text-toned"><b>Saved, but unusual:</b> {{ remark }}</p>
    <p :id="`${id}-how`" class="text-sm text-muted" :class="{ 'sr-only': compact && !active }">{{ field.how }}</p>
  </div>
</template>

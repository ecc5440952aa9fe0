<script setup lang="ts">
import type { LedgerLine } from '~/composables/useLedger'
import { useJob } from '~/job/useJob'
import { usePreferences } from '~/stores/preferences'

const props = defineProps<{ line: LedgerLine; open: boolean }>()
const emit = defineEmits<{ 'update:open': [open: boolean] }>()
const preferences = usePreferences()
const job = useJob()

const spoken = computed(() => {
  const sides = props.line.sides.map((s) => `${s.name} ${s.text ?? 'unknown'}${s.byInk ? ' by ink' : ''}`).join(', ')
  return `${props.line.word}: ${sides}, included ${props.line.included ?? 'unknown'}`
})
</script>

<template>
  <div
    class="relative border-default not-last:border-r max-lg:nth-2:border-r-0 max-lg:nth-[n+3]:border-t"
    :data-angle="line.id"
  >
    <UPopover
      :open="open"
      :content="{ side: 'bottom', align: 'start', sideOffset: 2 }"
      @update:open="emit('update:open', $event)"
    >
      <button
        type="button"
        class="flex h-full w-full cursor-pointer flex-col px-3 py-1.5 text-left hover:bg-elevated sm:px-4"
        :aria-label="`${spoken}. ${line.editable ? 'Enter it' : 'How sure is it?'}`"
      >
        <span class="flex items-center gap-2 text-sm">
          <AngleMark :angle="line.id" />
          <span class="font-semibold" :style="{ color: `var(--angle-${line.id})` }">{{ line.word }}</span>
          <span class="text-muted max-sm:hidden">{{ preferences.included ? 'included' : 'per side' }}</span>
          <UIcon
            :name="line.editable ? 'i-lucide-pencil-line' : 'i-lucide-scale'"
            class="ml-auto size-4 text-dimmed max-sm:hidden"
          />
        </span>
        <span v-if="preferences.included" class="flex items-baseline gap-4">
          <span class="figure text-2xl leading-9 sm:text-[2rem]">{{ line.included ?? '–' }}</span>
          <span v-for="s in line.sides" :key="s.side" class="text-sm text-muted"
            >{{ s.name }} {{ s.text ?? '–' }}{{ s.byInk ? ' ink' : '' }}</span
          >
        </span>
        <span v-else class="flex items-end gap-x-3 sm:gap-x-5">
          <span
            v-for="s in line.sides"
            :key="s.side"
            class="flex items-baseline gap-1"
            :class="s.side === job.side.value ? '' : 'opacity-80'"
          >
            <span class="text-sm whitespace-nowrap text-muted">{{ s.name }}{{ s.byInk ? ' ink' : '' }}</span>
            <span class="figure text-xl leading-9 sm:text-[2rem]" :data-side="s.side">{{ s.text ?? '–' }}</span>
          </span>
          <span
            class="ml-auto text-right text-sm leading-5 text-muted"
            :class="line.sides.some((s) => s.byInk) ? 'max-2xl:hidden' : 'max-xl:hidden'"
            ><span class="block leading-5">included</span>{{ line.included ?? '–' }}</span
          >
        </span>
        <span class="block text-sm text-pretty text-toned max-sm:hidden">{{ line.note }}</span>
        <span class="block min-h-5 text-sm text-pretty text-muted max-sm:hidden">{{ line.more }}</span>
      </button>
      <template #content>
        <AngleEntry v-if="line.id !== 'set'" :angle="line.id" @done="emit('update:open', false)" />
        <UncertaintyBudget v-else @done="emit('update:open', false)" />
      </template>
    </UPopover>
  </div>
</template>

<script setup lang="ts">
import type { Habits } from '#core/records/preferences/habits'
import { keysOf } from '#core/schema/keys'
import { useHabits } from '../useHabits'
import { HABIT_TEXT } from '~/words/habitText'

/** How the user works at the stones, where practitioners differ: with a default and its reason. */
const { habits, isOfBlade, change, keepForBlade } = useHabits()
const rows = computed(() =>
  keysOf(HABIT_TEXT).map((key) => {
    const { label, ways } = HABIT_TEXT[key]
    const items = Object.entries(ways).map(([value, way]) => ({ value, label: way.label }))
    const chosen = habits.value[key]
    return { key, label, items, chosen, why: Object.entries(ways).find(([value]) => value === chosen)?.[1].why ?? '' }
  }),
)
const choose = (key: keyof Habits, value: string) => void change({ [key]: value })
const keepFor = (one: boolean | 'indeterminate') => void keepForBlade(one === true ? undefined : null)
</script>

<template>
  <SheetPane labelledby="habits" class="space-y-3">
    <h2 id="habits" class="text-lg font-semibold">How you work</h2>
    <div class="grid gap-x-4 gap-y-3 sm:grid-cols-3 lg:grid-cols-1 xl:grid-cols-3">
      <div v-for="row in rows" :key="row.key">
        <LabelledSelect
          :label="row.label"
          :model-value="row.chosen"
          :items="row.items"
          size="xl"
          :data-testid="`habit-${row.key}`"
          @update:model-value="choose(row.key, $event)"
        />
        <p class="mt-1 text-sm text-toned">{{ row.why }}</p>
      </div>
    </div>
    <UCheckbox
      :model-value="isOfBlade"
      size="lg"
      label="For this blade alone"
      data-testid="habits-of-blade"
      @update:model-value="keepFor"
    />
  </SheetPane>
</template>

<script setup lang="ts">
import { keysOf } from '#core/schema/keys'
import { isStrop } from '#core/steel/stones/orders'
import { useHabits } from '../useHabits'
import { useJob } from '~/job/useJob'
import { HABIT_TEXT, microBevelWhy, stropWhy } from '~/words/habitText'
import { capital } from '~/words/sentence'
import { steeperText } from '~/words/steeperText'

/** How the user works at the stones, where practitioners differ: with a default and its reason. */
const job = useJob()
const { habits, isOfBlade, change, keepForBlade, angles, changeStrop, changeMicroBevel, grindMicroBevelWith } =
  useHabits()
const ways = computed(() =>
  keysOf(HABIT_TEXT).map((key) => {
    const { label, ways: all } = HABIT_TEXT[key]
    const chosen = habits.value[key]
    const found = Object.entries(all).map(([value, way]) => ({ value, ...way }))
    const why = found.find(({ value }) => value === chosen)?.why ?? ''
    return { key, label, items: found, chosen, why, choose: (value: string) => void change({ [key]: value }) }
  }),
)
/** Degrees that can be chosen, and the one that is. */
const degrees = (all: readonly number[], chosen: number, word: (deg: number) => string) =>
  [...new Set([...all, chosen])].sort((a, b) => a - b).map((deg) => ({ value: String(deg), label: word(deg) }))
const rows = computed(() => {
  const { stropAddDeg, microBevelAddDeg } = angles.value
  const strop = {
    key: 'strop',
    label: 'Strop',
    items: degrees([-2, -1.5, -1, 0, 1, 2, 3], stropAddDeg, (deg) => capital(steeperText(deg))),
    chosen: String(stropAddDeg),
    why: stropWhy(stropAddDeg),
    choose: (value: string) => changeStrop(Number(value)),
  }
  const microBevel = {
    key: 'micro-bevel',
    label: 'Micro-bevel',
    items: degrees([0, 1, 2, 3, 4, 5, 7], microBevelAddDeg, (deg) => (deg === 0 ? 'None' : steeperText(deg))),
    chosen: String(microBevelAddDeg),
    why: microBevelWhy(microBevelAddDeg),
    choose: (value: string) => changeMicroBevel(Number(value)),
  }
  return [...ways.value, strop, microBevel]
})
const LAST_STONE = 'last'
const stones = computed(() => [
  { value: LAST_STONE, label: 'The last stone of the order' },
  ...job.stones.value
    .filter((stone) => !isStrop(stone) && stone.archivedAt === null)
    .map(({ id, name }) => ({ value: id, label: name })),
])
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
          @update:model-value="row.choose($event)"
        />
        <p class="mt-1 text-sm text-toned">{{ row.why }}</p>
      </div>
      <LabelledSelect
        v-if="angles.microBevelAddDeg > 0"
        label="Stone for the micro-bevel"
        :model-value="job.content.value.microBevel?.stoneId ?? LAST_STONE"
        :items="stones"
        size="xl"
        data-testid="micro-bevel-stone"
        @update:model-value="grindMicroBevelWith($event === LAST_STONE ? null : $event)"
      />
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

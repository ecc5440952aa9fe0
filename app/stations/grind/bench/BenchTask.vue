<script setup lang="ts">
import { isStrop } from '#core/steel/stones/orders'
import { useHabits } from '../useHabits'
import { useStoneBench } from './useStoneBench'
import { useJob } from '~/job/useJob'
import { sheetPath } from '~/navigation/stations'
import { usePreferences } from '~/stores/preferences'
import { HABIT_AT_STONE } from '~/words/habitText'
import { lengthText } from '~/words/lengthText'
import { TASK_DONE, TASK_WORD } from '~/words/planText'

/** What the stone on the rod has to do, how one sees that it has, and what to mind. */
const job = useJob()
const { stone } = job
const { habits } = useHabits()
const isTwoSided = computed(() => job.sides.value.length > 1)
const { work, next, longPast, fullCount } = useStoneBench()
const preferences = usePreferences()
/** Of a long blade, where the part that is worked meets the one before it. */
const seamMm = computed(() => {
  const { position } = job.setNow.value
  return position === null ? null : (job.content.value.positions?.each[position - 1]?.blendAtMm ?? null)
})
</script>

<template>
  <SheetPane label="What it has to do" class="flex flex-col gap-3">
    <p v-if="work" class="text-xl">
      <b>{{ TASK_WORD[work.task] }}.</b> {{ TASK_DONE[work.task] }}
    </p>
    <p v-if="!isStrop(stone)" data-testid="bench-habits">
      {{ HABIT_AT_STONE.strokes[habits.strokes] }}
      <template v-if="isTwoSided">{{ HABIT_AT_STONE.burr[habits.burr] }}</template>
      {{ HABIT_AT_STONE.localStrokes[habits.localStrokes] }}
    </p>
    <p class="text-toned">
      {{
        isStrop(stone)
          ? 'Edge trailing only, never towards the edge.'
          : 'Hands behind the edge; no stroke past the tip. Wipe blade and stone before the next one.'
      }}
    </p>
    <p v-if="seamMm !== null && !isStrop(stone)" data-testid="bench-seam">
      Seam with the part before, {{ lengthText(seamMm, preferences.unit) }} from the heel: let the last ten strokes of
      each stone run over it, lighter each time, until no line shows in the light.
    </p>
    <p v-if="!next" class="text-toned">
      At the end turn the burr with a pass from tip to heel. Then make three to five weightless passes a side, even when
      nothing is felt.
    </p>
    <p v-if="longPast" role="status" class="border-t border-default pt-2 text-lg" data-testid="long-past">
      <b>No burr after {{ fullCount }} strokes</b>, more than nine of ten such jobs take. Most likely the bevel there is
      steeper than what is dialled, so the edge is not reached; else the stone is loaded, or the apex is worn.
      <NuxtLink class="text-link" :to="sheetPath(job.id, 'mark')">A marker test tells</NuxtLink>
    </p>
  </SheetPane>
</template>

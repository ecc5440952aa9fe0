<script setup lang="ts">
import { useAdvice } from './useAdvice'
import { useJob } from '~/job/useJob'
import { usePreferences } from '~/stores/preferences'
import { differenceText } from '~/words/angleText'
import { dialFigures } from '~/words/dialText'
import { grainText } from '~/words/grainText'
import { problemText } from '~/words/problemText'

/** What to dial with each stone of the box, and what comes out with the dial as it stands. */
const job = useJob()
const { actions } = job
const preferences = usePreferences()
const { stones } = useAdvice()
const uncertainty = computed(() => (job.up.value.ok ? job.up.value.uncertaintyDeg : 0.3))
</script>

<template>
  <SheetPane label="The stones of the box" class="overflow-y-auto p-2" tabindex="0">
    <table class="w-full table-fixed">
      <thead class="text-left text-sm text-muted">
        <tr class="*:pb-1 *:font-normal">
          <th class="px-2">Stone</th>
          <th class="w-16 text-right">dial</th>
          <th class="w-16 text-right">remains</th>
          <th class="w-16 px-2 text-right whitespace-nowrap">if left</th>
        </tr>
      </thead>
      <tbody>
        <tr
          v-for="row in stones"
          :key="row.stone.id"
          class="border-t border-default"
          :class="{ 'bg-elevated': row.onRod }"
        >
          <th class="p-0 text-left font-normal">
            <button
              type="button"
              class="flex w-full cursor-pointer items-center gap-2 px-2 py-[0.3rem] text-left hover:underline"
              :aria-pressed="row.onRod"
              @click="actions.chooseStone(row.stone.id)"
            >
              <span
                class="size-3 shrink-0 rounded-full border-2 border-primary"
                :class="{ 'bg-primary': row.onRod }"
                aria-hidden="true"
              />
              <span class="min-w-0"
                ><span class="block break-words" :class="{ 'font-semibold': row.onRod }">{{
                  row.stone.name
                }}</span></span
              >
              <span class="ml-auto hidden text-sm whitespace-nowrap text-muted sm:max-lg:inline 2xl:inline">{{
                grainText(row.stone.grainUm)
              }}</span>
            </button>
          </th>
          <td class="text-right whitespace-nowrap">
            {{ row.advice.ok ? dialFigures(job.rig.value, row.advice.setting) : '–' }}
          </td>
          <td
            class="text-right whitespace-nowrap"
            :title="row.advice.ok ? undefined : problemText(row.advice, preferences.unit)"
          >
            {{ row.advice.ok ? differenceText(row.advice.offDeg, uncertainty) : 'no' }}
          </td>
          <td class="px-2 text-right whitespace-nowrap">
            {{ row.leftOffDeg === null ? '–' : differenceText(row.leftOffDeg, 0.1) }}
          </td>
        </tr>
      </tbody>
    </table>
    <p class="px-2 pt-2 text-sm text-muted">
      Remains: off the wanted angle at that mark. If left: with the dial as it stands.
    </p>
  </SheetPane>
</template>

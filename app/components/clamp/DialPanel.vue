<script setup lang="ts">
import { useAdvice } from '~/composables/useAdvice'
import { useBench } from '~/composables/useBench'
import { useBenchActions } from '~/composables/useBenchActions'
import { useJob } from '~/stores/job'
import { usePreferences } from '~/stores/preferences'
import { angleText, differenceText } from '~/words/angleText'
import { dialFigures, dialParts, dialText } from '~/words/dialText'
import { grainText } from '~/words/grainText'
import { lengthText } from '~/words/lengthText'
import { reasonText } from '~/words/reasonText'

const bench = useBench()
const actions = useBenchActions()
const job = useJob()
const preferences = usePreferences()
const { advice, holdInstead, stones } = useAdvice()

const parts = computed(() =>
  advice.value?.ok && bench.rig.value ? dialParts(bench.rig.value, advice.value.setting, preferences.unit) : null,
)
const dialled = computed(() => {
  const setting = actions.dialledNow()
  if (!advice.value?.ok || !setting || !bench.rig.value) return false
  return (
    dialText(bench.rig.value, setting, preferences.unit) ===
    dialText(bench.rig.value, advice.value.setting, preferences.unit)
  )
})
const oneBevelBack = computed(() => bench.blade.value?.bevels === 'A' && bench.side.value === 'B')
const doubt = computed(() => (bench.up.value?.ok ? bench.up.value.doubtDeg : 0.3))
function dialAdvised() {
  if (advice.value?.ok && !dialled.value) actions.dial(advice.value.setting)
}
const overJaws = computed(() => {
  const set = bench.up.value
  return set?.ok && set.lowestOverJawsDeg !== null && set.lowestOverJawsDeg > set.contact.edgeAngleDeg
    ? set.lowestOverJawsDeg
    : null
})
const linked = computed({
  get: () => job.content?.dialled.linked ?? true,
  set: (is) =>
    job.content &&
    job.change(is ? 'one dial for both sides' : 'a dial for each side', {
      dialled: { ...job.content.dialled, linked: is, ...(is ? { b: job.content.dialled.a } : {}) },
    }),
})
</script>

<template>
  <section aria-label="What to dial" class="flex min-h-0 flex-col rounded-sm border border-default bg-default">
    <div class="border-b border-default px-4 pt-3 pb-3">
      <h2 class="flex items-center gap-2 text-sm">
        <AngleMark angle="wanted" />To get {{ angleText(bench.wantedDeg.value) }} on
        {{ preferences.current.sideNames[bench.side.value] }}, dial
      </h2>
      <p v-if="oneBevelBack" class="mt-1">
        Side {{ preferences.current.sideNames.B }} of this blade is its flat back: it gets no bevel. Lay it flat on the
        stone to take the burr off.
      </p>
      <template v-else-if="advice?.ok && parts">
        <p class="figure mt-1 flex flex-wrap items-baseline gap-x-2 leading-none" data-testid="dial">
          <span
            v-for="(part, i) in parts"
            :key="i"
            :class="part.figure ? 'text-5xl' : 'text-xl font-normal text-toned'"
            >{{ part.text }}</span
          >
        </p>
        <p class="mt-2">
          gives <b>{{ angleText(advice.givesDeg, doubt) }}</b>,
          <span data-testid="remains">{{ differenceText(advice.offDeg, doubt) }} remains</span>
        </p>
        <div class="mt-2 flex flex-wrap items-center gap-2">
          <UButton
            size="lg"
            :variant="dialled ? 'outline' : 'solid'"
            :icon="dialled ? 'i-lucide-check' : undefined"
            :label="dialled ? 'Dialled' : 'I have dialled it'"
            :aria-disabled="dialled"
            data-focus="dial-it"
            @click="dialAdvised"
          />
          <UCheckbox v-if="bench.blade.value?.bevels === 'both'" v-model="linked" label="both sides alike" />
        </div>
      </template>
      <p v-else-if="advice && !advice.ok" class="mt-1 text-error" data-testid="no-dial">
        {{ reasonText(advice, preferences.unit) }}
      </p>
      <p v-if="holdInstead?.ok && !oneBevelBack" class="mt-2 text-sm text-toned">
        Or leave the dial and stand the blade {{ lengthText(holdInstead.bladeHeightMm, preferences.unit) }} out.
        <button
          type="button"
          class="cursor-pointer font-semibold text-primary underline underline-offset-2"
          @click="job.change('blade height', { hold: holdInstead.hold })"
        >
          Hold it so
        </button>
      </p>
      <p v-if="overJaws !== null" role="alert" class="mt-2 text-sm text-error">
        The stone meets the jaws below {{ angleText(overJaws, doubt) }} here. Stand the blade further out, or take
        narrower jaws.
      </p>
    </div>
    <div class="min-h-0 flex-1 overflow-y-auto px-2 py-2" tabindex="0" role="region" aria-label="The stones of the box">
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
                  ><span class="block truncate" :class="{ 'font-semibold': row.onRod }">{{
                    row.stone.name
                  }}</span></span
                >
                <span class="ml-auto hidden text-sm whitespace-nowrap text-muted max-lg:inline 2xl:inline">{{
                  grainText(row.stone.grainUm)
                }}</span>
              </button>
            </th>
            <td class="text-right whitespace-nowrap">
              {{ row.advice.ok ? dialFigures(bench.rig.value!, row.advice.setting, preferences.unit) : '–' }}
            </td>
            <td
              class="text-right whitespace-nowrap"
              :title="row.advice.ok ? undefined : reasonText(row.advice, preferences.unit)"
            >
              {{ row.advice.ok ? differenceText(row.advice.offDeg, doubt) : 'no' }}
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
    </div>
  </section>
</template>

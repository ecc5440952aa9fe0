<script setup lang="ts">
import { jobsOfStone } from '#core/log/stoneDone'
import { wearHistory } from '#core/log/wearLog'
import { useRecordLog } from '~/composables/useRecordLog'
import { useStoneCondition } from '~/composables/useStoneCondition'
import { useStoneRates } from '~/composables/useStoneRates'
import { sheetPath } from '~/navigation/stations'
import { useCollections } from '~/stores/collections'
import { usePreferences } from '~/stores/preferences'
import { steelText } from '~/words/decisionText'
import { exactLength, lengthText } from '~/words/lengthText'
import { momentText } from '~/words/momentText'
import { STONE_DEED_WORD } from '~/words/rigText'
import { stoneCareText } from '~/words/careText'
import { stoneGrainText } from '~/words/grainText'

/** The record of a stone: how it wore, what it takes with a stroke, and what it was used on. */
const route = useRoute()
const collections = useCollections()
const preferences = usePreferences()
const id = computed(() => String(route.params.id))
const stone = computed(() => collections.stones.find((one) => one.id === id.value) ?? null)
const { told, failed, load } = useRecordLog('stone', id)
const { conditionOf, cleaningDueOf } = useStoneCondition()
const { rateOf } = useStoneRates()
const condition = computed(() => stone.value && conditionOf(stone.value))
const cleaning = computed(() => stone.value && cleaningDueOf(stone.value))
const rate = computed(() => stone.value && rateOf(stone.value))
const text = (mm: number) => lengthText(mm, preferences.unit)
const entries = computed(() => told.value?.log.entries ?? [])
const wear = computed(() => wearHistory(entries.value, id.value).toReversed())

const jobs = computed(() => jobsOfStone(entries.value))
const jobName = (id: string) => told.value?.jobs.find((one) => one.id === id)?.name ?? 'A job that is not here'
useHead({ title: () => `Record of ${stone.value?.name ?? 'a stone'} · Jaw Tilt` })
</script>

<template>
  <RecordPage of="stone" :record="stone" :told="told" :failed="failed" @again="load">
    <section v-if="stone && condition" class="pane" aria-labelledby="now">
      <h2 id="now" class="text-lg font-semibold">Now</h2>
      <p>{{ stoneGrainText(stone) }}; from the rod’s axis to its face {{ text(stone.faceOffsetMm) }}.</p>
      <p v-if="rate && rate.jobs > 0">
        A hundred strokes take {{ steelText(100 * rate.mm3PerStroke, preferences.unit) }}, by
        {{ rate.jobs === 1 ? 'one job' : `${rate.jobs} jobs` }} of its own.
      </p>
      <p v-else class="text-muted">What it takes with a stroke is known from its grit alone: no job has told yet.</p>
      <p v-if="condition.wearPerBladeMm !== null">
        For each blade its face loses {{ exactLength(condition.wearPerBladeMm, preferences.unit)
        }}<template v-if="condition.bladesLeft !== null">: about {{ condition.bladesLeft }} blades are left</template>.
      </p>
      <p v-if="cleaning" class="font-semibold">
        Clean it: {{ cleaning.blades }} blades since the last time, usually {{ cleaning.usual }}.
      </p>
      <p class="mt-2">{{ stoneCareText(stone) }}</p>
    </section>
    <section class="pane" aria-labelledby="wear">
      <h2 id="wear" class="text-lg font-semibold">Wear</h2>
      <p v-if="wear.length === 0" class="text-muted">Nothing is written in its wear log.</p>
      <ol>
        <li
          v-for="(line, i) in wear"
          :key="i"
          class="flex flex-wrap gap-x-3 border-t border-default py-1 first:border-0"
        >
          <span class="w-24 text-sm text-muted">{{ line.on }}</span><span>{{ STONE_DEED_WORD[line.did] }}</span
          ><span v-if="line.faceOffsetMm !== null" class="figure">{{ text(line.faceOffsetMm) }}</span
          ><span v-if="line.blades > 0">{{ line.blades === 1 ? 'one blade' : `${line.blades} blades` }}</span
          ><span v-if="line.note" class="text-muted wrap-anywhere">{{ line.note }}</span>
        </li>
      </ol>
    </section>
    <section class="pane" aria-labelledby="used">
      <h2 id="used" class="text-lg font-semibold">What it was used on</h2>
      <p v-if="jobs.length === 0" class="text-muted">No strokes with it are recorded yet.</p>
      <ol>
        <li
          v-for="job in jobs"
          :key="job.jobId"
          class="flex flex-wrap justify-between gap-x-3 border-t border-default py-1 first:border-0"
        >
          <NuxtLink class="text-link wrap-anywhere" :to="sheetPath(job.jobId, 'grind')">{{
            jobName(job.jobId)
          }}</NuxtLink>
          <span class="text-muted"
            >{{ job.strokes === 1 ? 'one stroke' : `${job.strokes} strokes`
            }}<template v-if="job.minutes >= 1">, {{ Math.round(job.minutes) }} min</template>,
            {{ momentText(job.at).slice(0, 10) }}</span
          >
        </li>
      </ol>
    </section>
  </RecordPage>
</template>

<script setup lang="ts">
import type { Position } from '#core/placement/longBlade'
import { shareOneHold } from '#core/records/job/positions'
import { useJob } from '~/job/useJob'
import { useParts } from './useParts'
import { usePositions } from './usePositions'
import { usePreferences } from '~/stores/preferences'
import { angleText, differenceText } from '~/words/angleText'
import { DIAL_WORDS } from '~/words/dialWords'
import { dialText } from '~/words/dialText'
import { lengthText } from '~/words/lengthText'
import { moveText } from '~/words/placementText'
import { problemText } from '~/words/problemText'
import { useWords } from '~/words/useWords'

const words = useWords()

/**
 * Edges that want more than one setting: long blades in several positions, facets one by one, and what reaches into a
 * hollow.
 */
const job = useJob()
const preferences = usePreferences()
const text = (mm: number) => lengthText(mm, preferences.unit)

const { toleranceDeg, task, find, failure: holdFailure, hold, kept, keepable, isKept, ...positions } = usePositions()
const { keep, wantedNowDeg } = positions
const { running, done, result, failure, stop } = task
const setTolerance = (deg: number) =>
  deg < 0.05 || deg > 5 ? 'Between 0.05° and 5°.' : ((toleranceDeg.value = Math.round(deg * 100) / 100), null)
const changedSince = computed(() =>
  wantedNowDeg.value === null ? '' : ` ${angleText(wantedNowDeg.value)} is wanted now: find them again.`,
)
/** Why a position ends in more than was asked for. */
function beyond({ atMark, cost }: Position): string {
  if (!atMark || Math.abs(atMark.worstDeg) <= toleranceDeg.value + 0.005) return ''
  const mark = DIAL_WORDS[job.rig.value.height.by].step
  return `More than asked for: no ${mark} of this rig stands nearer. Between two of them it would be ± ${cost.toFixed(2)}°.`
}

const { facets, keepableFacets, keepFacets, hollow, stones } = useParts()
const facetsKept = computed(() => kept.value !== null && shareOneHold(kept.value))
</script>

<template>
  <div class="panes lg:grid-cols-2">
    <SheetPane labelledby="long" class="space-y-3">
      <h2 id="long" class="text-lg font-semibold">Positions for a long blade</h2>
      <MeasureField
        label="Keep within ±"
        kind="angle"
        focus="position-tolerance"
        :value="toleranceDeg"
        :step="0.1"
        :apply="setTolerance"
        hint="of the wanted angle, all along"
        class="max-w-60"
      />
      <TaskButton
        label="Find the positions"
        focus="find-positions"
        :running="running"
        :done="done"
        :most="1"
        progress="Edge covered"
        @start="find"
        @stop="stop"
      />
      <p v-if="failure" role="alert" class="text-error">{{ words.problem(failure) }}</p>
      <KeptPositions v-if="kept && !facetsKept && (!result || isKept)" :kept="kept">
        Within ± {{ angleText(kept.toleranceDeg, 0.05) }} of {{ angleText(kept.wantedDeg) }}.<b
          v-if="changedSince"
          class="text-error"
          >{{ changedSince }}</b
        >
      </KeptPositions>
      <div v-else-if="result" aria-live="polite" data-testid="positions">
        <template v-if="result.ok">
          <p class="font-semibold">
            {{ result.positions.length === 1 ? 'One position does.' : `${result.positions.length} positions.` }}
          </p>
          <PositionsStrip v-if="result.positions.length > 1" :positions="result.positions" :seams="result.seams" />
          <ol class="mt-1">
            <li v-for="(position, i) in result.positions" :key="i" class="border-t border-default py-2">
              <p>
                <b>{{ i + 1 }}.</b> From {{ text(position.fromMm) }} to {{ text(position.toMm) }}, within ±
                {{ angleText(Math.abs(position.atMark?.worstDeg ?? position.cost), 0.05)
                }}<template v-if="result.positions.length > 1"
                  >; can be blended from {{ text(position.coversFromMm) }} to {{ text(position.coversToMm) }}</template
                >.
              </p>
              <p class="text-toned">
                {{ moveText(job.rig.value, job.blade.value, job.content.value.hold, position.hold, preferences.unit) }};
                dial {{ position.atMark ? dialText(job.rig.value, position.atMark.setting) : '–' }}.
              </p>
              <p v-if="beyond(position)" class="text-sm text-toned">{{ beyond(position) }}</p>
              <p v-if="i > 0" class="text-sm text-muted">
                Blend at {{ text(result.seams[i - 1]!.atMm) }} from the heel: there the two are
                {{ angleText(result.seams[i - 1]!.apartDeg, 0.05) }} apart.
              </p>
              <UButton
                class="mt-1"
                size="lg"
                color="neutral"
                variant="outline"
                label="Hold it like this"
                :aria-label="`Hold it as in position ${i + 1}`"
                @click="hold(position)"
              />
            </li>
          </ol>
          <UButton v-if="keepable" size="lg" label="Use these positions" @click="keep" />
          <p v-if="holdFailure" role="alert" class="text-error">{{ holdFailure }}</p>
          <p v-if="result.positions.length > 1" class="text-sm text-muted">
            Three full strokes for each local one at the seam.
          </p>
        </template>
        <p v-else class="text-error">
          {{ words.problem(result) }}
        </p>
      </div>
    </SheetPane>
    <div class="space-y-3">
      <SheetPane labelledby="facets">
        <h2 id="facets" class="text-lg font-semibold">Facets, each with its own setting</h2>
        <p v-if="facets.length === 0" class="mt-1 text-muted">This edge has no corners.</p>
        <template v-else>
          <ol class="mt-1">
            <li v-for="facet in facets" :key="facet.order" class="border-t border-default py-2">
              <p>
                <b>{{ facet.order }}. {{ facet.name }}</b
                >, {{ text(facet.zone.fromMm) }} to {{ text(facet.zone.toMm) }}
              </p>
              <p v-if="facet.advice.ok" class="text-toned">
                Dial <b>{{ dialText(job.rig.value, facet.advice.setting) }}</b>: gives
                {{ angleText(facet.advice.givesDeg) }}, {{ differenceText(facet.advice.offDeg) }} remains.
              </p>
              <p v-else class="text-error">{{ problemText(facet.advice, preferences.unit) }}</p>
            </li>
          </ol>
          <KeptPositions v-if="kept && facetsKept" :kept="kept" class="mt-2" />
          <UButton
            v-else-if="keepableFacets"
            class="mt-1"
            size="lg"
            label="Work them one after the other"
            data-focus="keep-facets"
            @click="keepFacets"
          />
          <p class="mt-2 text-sm text-muted">
            In this order the corners stay crisp: the longest moves the corner, the shorter meet it last. Keep the stone
            on its own side of the corner.
          </p>
        </template>
      </SheetPane>
      <SheetPane labelledby="hollow">
        <h2 id="hollow" class="text-lg font-semibold">Into the hollow</h2>
        <p v-if="!hollow" class="mt-1 text-muted">This edge has no hollow: any stone reaches all of it.</p>
        <template v-else>
          <p class="mt-1" data-testid="hollow">
            Tightest {{ text(hollow.fromHeelMm) }} from the heel, a radius of {{ text(hollow.radiusMm) }}: the widest
            flat stone that reaches is <b>{{ text(hollow.widestStoneMm) }}</b>. A wider one stands there on its two
            sides: its angle is given as it lies so.
          </p>
          <ul class="mt-2">
            <li
              v-for="{ stone, fits } in stones"
              :key="stone.id"
              class="flex justify-between border-t border-default py-1"
            >
              <span>{{ stone.name }}, {{ text(stone.widthMm) }} wide</span><b>{{ fits ? 'reaches' : 'too wide' }}</b>
            </li>
          </ul>
          <p v-if="!stones.some((one) => one.fits)" class="mt-2 text-sm text-muted">
            None of the box is narrow enough: a round or half-round stone, or one whose corner is rounded, follows the
            hollow.
          </p>
        </template>
      </SheetPane>
    </div>
  </div>
</template>

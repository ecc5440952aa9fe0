<script setup lang="ts">
import { MICRO_BEVEL_ADD_DEG } from '#core/use/nextAngle'
import { useNextAngle } from './useNextAngle'
import { useChartColours } from '~/controls/chart/useChartColours'
import { describingAt } from '~/forms/useDescribing'
import { useJob } from '~/job/useJob'
import { sheetPath } from '~/navigation/stations'
import { usePreferences } from '~/stores/preferences'
import { angleText } from '~/words/angleText'
import { NEXT_WHY, shareText, startingText, thresholdText } from '~/words/nextAngleText'
import { problemText } from '~/words/problemText'
import { uncapital } from '~/words/sentence'

/** The angle to sharpen this blade at next: from what became of its edges, with the evidence. */
const job = useJob()
const preferences = usePreferences()
const router = useRouter()
const colours = useChartColours()
const { sharpenings, starting, next, refusal, hasMicroBevel, busy, start } = useNextAngle()

const asksForWork = computed(() => preferences.current.startingRanges && job.blade.value.work === null)
const DOES = { lower: 'One degree lower', higher: 'One degree higher', same: 'The same again' } as const
const WHY_NOT = {
  'nothing-put-to-use': 'It follows once an edge of this blade was put to use, and what became of it is recorded.',
  'no-outcome': 'It follows once what became of the edge is recorded.',
  'no-angle': 'The last edge was neither proved nor ground with a setting that is known: its angle is not known.',
} as const
async function begin(deg: number, withMicroBevel = false) {
  const job = await start(deg, withMicroBevel)
  if (job) await router.push(sheetPath(job.id, 'clamp'))
}

/** Edges whose angle and outcome are known, oldest first. */
const charted = computed(() =>
  sharpenings.value.flatMap(({ deg, became }, i) =>
    deg === null || became === null ? [] : [{ nth: i + 1, deg, became }],
  ),
)
const FEWEST_CHARTED = 2
const dots = (held: boolean) =>
  charted.value
    .filter(({ became }) => (became === 'held') === held)
    .map(({ nth, deg }) => ({ x: Number(deg.toFixed(1)), y: nth }))
const series = computed(() => [
  { name: 'held', type: 'scatter', data: dots(true) },
  { name: 'failed, or a burr', type: 'scatter', data: dots(false) },
])
const options = computed(() => {
  const at = next.value.ok ? next.value.threshold : null
  const degs = [...charted.value.map(({ deg }) => deg), ...(at ? [at.leastDeg, at.mostDeg] : [])]
  return {
    colors: [colours.value.ink, colours.value.soft],
    markers: { size: [9, 9], shape: ['circle', 'square'] as ('circle' | 'square')[] },
    xaxis: {
      type: 'numeric' as const,
      min: Math.floor(Math.min(...degs) - 1),
      max: Math.ceil(Math.max(...degs) + 1),
      title: { text: 'Angle of the edge, degrees per side', style: { fontSize: '14px' } },
      labels: { formatter: (value: string) => `${Math.round(Number(value))}°`, style: { fontSize: '13px' } },
      tooltip: { enabled: false },
    },
    yaxis: {
      min: 0,
      max: sharpenings.value.length + 1,
      tickAmount: Math.min(6, sharpenings.value.length + 1),
      title: { text: 'Sharpening', style: { fontSize: '14px' } },
      labels: { formatter: (value: number) => String(Math.round(value)), style: { fontSize: '13px' } },
    },
    legend: { position: 'top' as const, fontSize: '14px' },
    annotations: {
      xaxis: at
        ? [
            {
              x: at.leastDeg,
              x2: at.mostDeg,
              fillColor: colours.value.iron,
              opacity: 0.25,
              label: { text: 'fails below', orientation: 'horizontal' as const },
            },
          ]
        : [],
    },
  }
})
</script>

<template>
  <SheetPane labelledby="next-angle">
    <h2 id="next-angle" class="text-lg font-semibold">The next angle</h2>
    <template v-if="next.ok">
      <p class="mt-1 text-2xl" data-testid="next-angle">
        {{ DOES[next.does] }}: <b class="figure">{{ angleText(next.deg) }}</b> per side
      </p>
      <p class="mt-1">{{ NEXT_WHY[next.why] }}</p>
      <p class="mt-2 text-toned">
        The last edge had {{ angleText(next.fromDeg) }}
        {{ next.isProved ? '(proved)' : '(as the rig was set: it was not proved)' }}. In this use an edge fails there
        {{ shareText(next.failsNow) }} times<template v-if="next.deg !== next.fromDeg"
          >, at {{ angleText(next.deg) }} {{ shareText(next.failsThen) }}</template
        >.
      </p>
      <p class="mt-1 text-sm text-muted">
        {{ thresholdText(next) }}
        <template v-if="next.leftOut > 0"
          >{{ next.leftOut === 1 ? 'One sharpening' : `${next.leftOut} sharpenings` }} of its factory edge left
          out.</template
        >
        {{
          starting ? `Begun from what is usual: ${starting.usual[0]} to ${starting.usual[1]}°.` : 'By experience alone.'
        }}
      </p>
      <AlikeBlades />
      <p v-if="refusal" class="mt-1 font-semibold" data-testid="next-refused">
        As this blade is held now it cannot be dialled: {{ uncapital(problemText(refusal, preferences.unit)) }}
      </p>
      <div class="mt-3 flex flex-wrap gap-2">
        <UButton
          size="xl"
          :loading="busy"
          :label="`Start the next job at ${angleText(next.deg)}`"
          data-testid="start-next"
          @click="begin(next.deg)"
        />
        <UButton
          v-if="next.does === 'higher' && !hasMicroBevel"
          size="xl"
          color="neutral"
          variant="outline"
          :loading="busy"
          :label="`Or at ${angleText(next.fromDeg)} with a micro-bevel ${MICRO_BEVEL_ADD_DEG}° steeper`"
          @click="begin(next.fromDeg, true)"
        />
      </div>
    </template>
    <template v-else>
      <p class="mt-1 text-toned">{{ WHY_NOT[next.code] }}</p>
      <p v-if="starting && next.code !== 'no-angle'" class="mt-2" data-testid="starting">
        {{ startingText(starting) }}.
      </p>
      <AlikeBlades v-if="next.code !== 'no-angle'" />
      <p v-if="asksForWork" class="mt-2 text-toned">
        Say what its edge is for, and the usual range for it is shown here:
        <NuxtLink class="text-link" :to="describingAt(sheetPath(job.id, 'blade', 'describe'), job.blade.value, false)"
          >Edit the blade</NuxtLink
        >.
      </p>
    </template>
    <template v-if="charted.length >= FEWEST_CHARTED">
      <BenchChart
        class="mt-3"
        type="line"
        :series="series"
        :options="options"
        :height="240"
        label="Edges by their angle, those that held and those that failed. The table has the figures."
      />
      <table class="mt-2 w-full text-sm" data-testid="edges">
        <thead>
          <tr class="text-left text-muted *:font-normal">
            <th>put to use</th>
            <th class="text-right">angle</th>
            <th class="pl-4">what became of it</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="one in sharpenings.toReversed()" :key="one.at" class="border-t border-default">
            <td class="py-1">
              <NuxtLink class="text-link" :to="sheetPath(one.jobId, 'use')">{{ one.at.slice(0, 10) }}</NuxtLink>
            </td>
            <td class="figure text-right">
              {{ one.deg === null ? '–' : angleText(one.deg) }}{{ one.deg === null || one.isProved ? '' : ' set' }}
            </td>
            <td class="pl-4">{{ one.became ?? 'not said yet' }}</td>
          </tr>
        </tbody>
      </table>
    </template>
  </SheetPane>
</template>

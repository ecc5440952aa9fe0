<script setup lang="ts">
import { SIDES } from '#core/records/common/side'
import { flatScreenMm } from '#core/observe/goniometer/scale'
import { bodiesOf } from '#core/simulation/standIn/thrownPattern'
import { useGoniometer } from './useGoniometer'
import { useSimulatedScreen } from './useSimulatedScreen'
import { usePreferences } from '~/stores/preferences'
import { angleText } from '~/words/angleText'

/** The screen of the simulated goniometer, live: the blade is turned in the beam by hand, and the scale is read. */
const preferences = usePreferences()
const gonio = useGoniometer()
const { thrown, seed } = useSimulatedScreen()
/** It never stands quite square at first; the same for a job. */
const askewDeg = ref(Math.round((seed.value - 0.5) * 30) / 10)
const REACH_DEG = 28
const [WIDTH, HEIGHT] = [440, 96]
const flat = computed(() => gonio.distanceMm.value !== null)
/** Degrees along an arc are even; on a flat screen they stretch outwards. */
const alongOf = (deg: number) =>
  WIDTH / 2 + (WIDTH / 2) * (flat.value ? flatScreenMm(deg, 1) / flatScreenMm(REACH_DEG, 1) : deg / REACH_DEG)
const pxPerDeg = computed(() => alongOf(1) - alongOf(0))
const bodies = computed(() =>
  bodiesOf(thrown.value).map((body) => {
    const [from, to] = [alongOf(body.from + askewDeg.value), alongOf(body.to + askewDeg.value)]
    const soft = Math.max(4, body.softDeg * pxPerDeg.value * 1.7)
    return {
      x: (from + to) / 2,
      rx: (to - from) / 2 + soft,
      ry: Math.max(7, body.highDeg * pxPerDeg.value * 1.7),
      light: Math.min(1, body.light + 0.15),
    }
  }),
)
const ticks = Array.from({ length: 2 * REACH_DEG - 3 }, (_, i) => i - REACH_DEG + 2)
const names = computed(() => preferences.current.sideNames)
const id = useId()
</script>

<template>
  <div class="rounded-sm border border-default p-2" data-testid="simulated-screen">
    <svg
      :viewBox="`0 0 ${WIDTH} ${HEIGHT}`"
      class="w-full rounded-sm bg-[#3b3a38]"
      role="img"
      :aria-label="`The simulated screen: ${SIDES.map((side) => names[side]).join(' at the left, ')} at the right`"
    >
      <defs>
        <radialGradient :id="id">
          <stop offset="0" stop-color="#ffd9d2" />
          <stop offset="0.35" stop-color="#ff3b30" stop-opacity="0.9" />
          <stop offset="1" stop-color="#ff3b30" stop-opacity="0" />
        </radialGradient>
      </defs>
      <g stroke="#d8d5cf" stroke-width="1">
        <line
          v-for="deg in ticks"
          :key="deg"
          :x1="alongOf(deg)"
          :x2="alongOf(deg)"
          y1="54"
          :y2="deg % 5 === 0 ? 70 : 60"
        />
      </g>
      <text
        v-for="deg in ticks.filter((one) => one % 5 === 0)"
        :key="deg"
        :x="alongOf(deg)"
        y="88"
        text-anchor="middle"
        fill="#f2efe8"
        font-size="13"
      >
        {{ Math.abs(deg) }}
      </text>
      <ellipse
        v-for="(body, i) in bodies"
        :key="i"
        :cx="body.x"
        cy="32"
        :rx="body.rx"
        :ry="body.ry"
        :fill="`url(#${id})`"
        :opacity="body.light"
      />
    </svg>
    <div class="mt-2 flex items-center gap-3">
      <label :for="`${id}-turn`" class="text-sm whitespace-nowrap">Turn the blade in the beam</label>
      <input
        :id="`${id}-turn`"
        v-model.number="askewDeg"
        type="range"
        min="-3"
        max="3"
        step="0.1"
        class="min-w-0 flex-1 accent-(--accent)"
        :aria-valuetext="angleText(askewDeg, 0.1)"
      />
    </div>
  </div>
</template>

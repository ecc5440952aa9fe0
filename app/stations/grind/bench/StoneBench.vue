<script setup lang="ts">
import { useEventListener, useWakeLock } from '@vueuse/core'
import { SIDES } from '#core/records/common/side'
import { isStrop } from '#core/steel/stones/orders'
import { useEar } from './useEar'
import { useStoneBench } from './useStoneBench'
import { useJob } from '~/job/useJob'
import { sheetPath } from '~/navigation/stations'
import { usePreferences } from '~/stores/preferences'
import { angleText } from '~/words/angleText'
import { dialParts } from '~/words/dialText'
import { EAR_TEXT, heardText } from '~/words/earText'
import { stoneGrainText } from '~/words/grainText'
import { momentText } from '~/words/momentText'
import { forecastText, TASK_DONE, TASK_WORD } from '~/words/planText'
import { problemText } from '~/words/problemText'
import { riseText } from '~/words/riseText'
import { capital } from '~/words/sentence'
import { burrText } from '~/words/sharpnessText'

/** At the stone, hands full: one stone and one side at a time, what is dialled, and the count. */
const job = useJob()
const preferences = usePreferences()
const bench = useStoneBench()
const { stones, at, next, work, forecast, advice, set, dialled, setting, riseMm } = bench
const { isDone, openSide, ground, mayBeDone, burr, burrSide, longPast, countOf } = bench
const stone = job.stone
const names = computed(() => preferences.current.sideNames)
const hasBevel = computed(() => job.sides.value.includes(job.side.value))
const count = computed(() => countOf(job.side.value, stone.value.id))
const share = computed(() => (forecast.value ? Math.min(1, count.value / forecast.value.middle) : 0))
const done = computed(() => isDone(job.side.value))
/** What a stone that has done its work on this side is followed by. */
const then = computed(() =>
  openSide.value ? `turn over to ${names.value[openSide.value]}` : next.value ? 'next stone' : 'last stone',
)
/** The strokes on each side, and where the stone has done its work: "A 60, done · B 12". */
const balance = computed(() =>
  SIDES.map((side) => `${names.value[side]} ${countOf(side, stone.value.id)}${isDone(side) ? ', done' : ''}`).join(
    ' · ',
  ),
)
const parts = computed(() => (setting.value ? dialParts(job.rig.value, setting.value) : []))
const failure = ref('')
function dialIt() {
  failure.value = bench.dialIt() ?? ''
}
function press(strokes: number) {
  if (dialled.value) bench.add(strokes)
}

const {
  state: ear,
  heard,
  start: listen,
  stop: endListening,
} = useEar((strokes) => {
  if (strokes > 0) press(strokes)
  else bench.takeBackOpen(-strokes)
})
const lock = useWakeLock()
onMounted(() => void lock.request('screen').catch(() => undefined))
onBeforeUnmount(() => {
  bench.commit()
  void lock.release()
})

const view = ref<HTMLElement | null>(null)
const full = ref(false)
/** Fills the window, and the whole screen where the browser lets it. */
function fullScreen() {
  full.value = !full.value
  if (full.value) void view.value?.requestFullscreen?.().catch(() => undefined)
  else if (document.fullscreenElement) void document.exitFullscreen()
}
useEventListener(document, 'fullscreenchange', () => (full.value = document.fullscreenElement !== null))

/** After a press by hand the space bar and a pedal count again; who goes by keys stays where they are. */
function focusCount(event: MouseEvent) {
  if (event.detail > 0) view.value?.querySelector<HTMLElement>('[data-counts]')?.focus({ preventScroll: true })
}

/** Keys of the hand or of a pedal: none that scrolls by a line, or means something else in the rest of the program. */
const KEYS: Readonly<Record<string, () => void>> = {
  ' ': () => press(1),
  ArrowRight: () => press(1),
  PageDown: () => press(1),
  Backspace: bench.takeBack,
  x: () => press(10),
  v: () => bench.noteBurr('felt'),
}
useEventListener(
  window,
  'keydown',
  (event: KeyboardEvent) => {
    // What is still being counted is a step of its own, which undoing takes back.
    if (event.key === 'z' && (event.ctrlKey || event.metaKey)) bench.commit()
    const target = event.target instanceof Element ? event.target : null
    const isTyped = target?.closest('input, textarea, select, [role="dialog"], [role="listbox"]')
    const pressesButton = event.key === ' ' && target?.closest('button:not([data-counts])')
    const does = KEYS[event.key]
    if (!does || isTyped || pressesButton || event.ctrlKey || event.metaKey || event.altKey) return
    event.preventDefault()
    event.stopImmediatePropagation()
    does()
  },
  { capture: true },
)
</script>

<template>
  <div
    ref="view"
    class="stone-bench flex min-h-0 flex-1 flex-col gap-3 overflow-y-auto p-3"
    :class="{ 'fixed inset-0 z-40 bg-muted': full }"
    @click="focusCount"
  >
    <header class="flex flex-wrap items-baseline gap-x-4 gap-y-1">
      <h2 class="min-w-0 text-2xl font-semibold" data-testid="bench-stone">{{ stone.name }}</h2>
      <span class="text-lg text-toned"
        >{{ at < 0 ? 'not in the order' : `stone ${at + 1} of ${stones.length}` }}, {{ stoneGrainText(stone) }}</span
      >
      <UButton
        class="ml-auto"
        size="xl"
        color="neutral"
        variant="outline"
        :icon="full ? 'i-lucide-minimize' : 'i-lucide-maximize'"
        :label="full ? 'Leave full screen' : 'Full screen'"
        @click="fullScreen"
      />
    </header>
    <div class="grid flex-1 gap-3 lg:grid-cols-[minmax(0,1fr)_minmax(0,1.2fr)]">
      <SheetPane labelledby="bench-side" class="flex flex-col gap-3">
        <h3 id="bench-side" class="flex flex-wrap items-center gap-x-3 text-3xl font-semibold">
          <span data-testid="bench-side">{{ names[job.side.value] }}</span>
          <span class="flex items-center gap-2 text-xl font-normal"
            ><AngleMark angle="wanted" />{{ angleText(job.wantedDeg.value) }}</span
          >
        </h3>
        <p v-if="!hasBevel" class="text-lg">
          Side {{ names[job.side.value] }} of this blade is its flat back: it gets no bevel. Lay it flat on the stone to
          take the burr off.
          <button type="button" class="text-link" @click="bench.turnOver">Turn it over</button>
        </p>
        <template v-else-if="setting">
          <p class="figure flex flex-wrap items-baseline gap-x-2 leading-none" data-testid="bench-dial">
            <span
              v-for="(part, i) in parts"
              :key="i"
              :class="part.figure ? 'text-6xl xl:text-7xl' : 'text-2xl font-normal text-toned'"
              >{{ part.text }}</span
            >
          </p>
          <p class="text-lg text-toned">
            <template v-if="dialled && set.ok"
              >Dialled: gives {{ angleText(set.contact.edgeAngleDeg, set.uncertaintyDeg) }}.</template
            ><template v-else-if="riseMm">{{ riseText(riseMm, preferences.unit) }} from the stone before.</template>
          </p>
          <UButton
            v-if="!dialled"
            class="justify-center text-xl"
            size="xl"
            label="I have dialled it"
            data-testid="bench-dialled"
            @click="dialIt"
          />
        </template>
        <p v-else-if="!advice.ok" class="text-lg text-error">{{ problemText(advice, preferences.unit) }}</p>
        <p v-if="failure" role="alert" class="text-error">{{ failure }}</p>
        <p v-if="work" class="text-xl">
          <b>{{ TASK_WORD[work.task] }}.</b> {{ TASK_DONE[work.task] }}
        </p>
        <p class="text-toned">
          {{
            isStrop(stone)
              ? 'Edge trailing only, never towards the edge.'
              : 'Hands behind the edge; no stroke past the tip. Wipe blade and stone before the next one.'
          }}
        </p>
        <p v-if="longPast" role="status" class="border-t border-default pt-2 text-lg" data-testid="long-past">
          <b>No burr after {{ count }} strokes</b>, more than nine of ten such jobs take. Likeliest the bevel there is
          steeper than what is dialled, so the edge is not reached; else the stone is loaded, or the apex is worn.
          <NuxtLink class="text-link" :to="sheetPath(job.id, 'mark')">A marker test tells</NuxtLink>
        </p>
        <p v-if="burr" class="mt-auto text-toned" data-testid="bench-burr">
          {{ capital(burrText(burr.burr!, names)) }}, {{ momentText(burr.at) }}
        </p>
      </SheetPane>
      <div class="flex min-w-0 flex-col gap-3">
        <button
          type="button"
          data-counts
          class="pane flex min-h-56 flex-1 cursor-pointer flex-col items-center justify-center disabled:cursor-not-allowed"
          :disabled="!dialled"
          data-focus="count"
          data-testid="bench-count"
          :aria-label="`One stroke on ${names[job.side.value]}: ${count} so far`"
          @click="press(1)"
        >
          <span
            class="figure text-[7rem] leading-none xl:text-[9rem]"
            :class="{ 'text-muted': !dialled, 'sm:text-[13rem]': full }"
            >{{ count }}</span
          >
          <span class="text-xl">{{
            !dialled ? 'Dial it first' : forecast ? `of ${forecastText(forecast)}` : 'strokes'
          }}</span>
          <span class="mt-3 block h-3 w-full max-w-96 overflow-hidden rounded-full bg-elevated" aria-hidden="true"
            ><span class="block h-full bg-primary" :style="{ width: `${100 * share}%` }"
          /></span>
          <span v-if="job.sides.value.length > 1" class="mt-3 text-2xl" data-testid="bench-balance">{{ balance }}</span>
        </button>
        <div class="bench-presses grid grid-cols-2 gap-2 sm:grid-cols-3">
          <UButton
            size="xl"
            color="neutral"
            variant="outline"
            label="Ten strokes"
            :disabled="!dialled"
            @click="press(10)"
          />
          <UButton
            size="xl"
            color="neutral"
            variant="outline"
            label="Take one back"
            :disabled="count === 0"
            @click="bench.takeBack"
          />
          <UButton
            v-if="job.sides.value.length > 1"
            size="xl"
            color="neutral"
            variant="outline"
            label="Other side"
            @click="bench.turnOver"
          />
          <UButton
            size="xl"
            color="neutral"
            variant="outline"
            :label="`Burr on ${names[burrSide]}, heel to tip`"
            @click="bench.noteBurr('felt')"
          />
          <UButton size="xl" color="neutral" variant="outline" label="No burr left" @click="bench.noteBurr('none')" />
          <UButton
            v-if="!done && at >= 0"
            size="xl"
            :variant="mayBeDone ? 'solid' : 'outline'"
            :color="mayBeDone ? 'primary' : 'neutral'"
            :disabled="!ground"
            :label="job.sides.value.length > 1 ? `Done on ${names[job.side.value]}: ${then}` : `Done: ${then}`"
            data-testid="bench-finish"
            @click="bench.finish"
          />
          <UButton
            v-else-if="openSide && at >= 0"
            size="xl"
            :label="`Turn over to ${names[openSide]}`"
            data-testid="bench-turn"
            @click="bench.turnOver"
          />
          <UButton
            v-else-if="next"
            size="xl"
            :label="`Put on ${next.name}`"
            data-testid="bench-next"
            @click="bench.putOnNext"
          />
          <UButton
            v-else
            size="xl"
            label="Prove the angle"
            data-testid="bench-prove"
            :to="sheetPath(job.id, 'prove')"
          />
        </div>
        <div class="flex flex-wrap items-center gap-3">
          <template v-if="ear === 'on' || ear === 'asking'">
            <UButton
              size="xl"
              color="neutral"
              variant="outline"
              icon="i-lucide-mic-off"
              label="Stop listening"
              @click="endListening"
            />
            <p class="min-w-0 flex-1" role="status" data-testid="ear">{{ heardText(heard) }}</p>
          </template>
          <template v-else>
            <UButton
              size="xl"
              color="neutral"
              variant="outline"
              icon="i-lucide-mic"
              label="Count by ear"
              :disabled="!dialled"
              @click="listen('microphone')"
            />
            <UButton
              size="xl"
              color="neutral"
              variant="ghost"
              label="Try it with a made-up bench"
              :disabled="!dialled"
              @click="listen('made-up')"
            />
            <p v-if="ear !== 'off'" role="alert" class="w-full text-error">{{ EAR_TEXT[ear] }}</p>
          </template>
        </div>
        <p class="text-sm text-muted">
          Keys: space or a pedal counts one, X ten, Backspace takes one back, S turns over, V notes the burr.
        </p>
      </div>
    </div>
  </div>
</template>

<style scoped>
.bench-presses > * {
  min-height: 3.5rem;
  justify-content: center;
}
</style>

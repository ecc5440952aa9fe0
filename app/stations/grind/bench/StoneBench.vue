<script setup lang="ts">
import { useEventListener, useWakeLock } from '@vueuse/core'
import { SIDES } from '#core/records/common/side'
import { useStoneBench } from './useStoneBench'
import { useJob } from '~/job/useJob'
import { useNextStep } from '~/job/useNextStep'
import { goToControl } from '~/navigation/stepControls'
import { usePreferences } from '~/stores/preferences'
import { stoneGrainText } from '~/words/grainText'
import { forecastText } from '~/words/planText'
import { ZONE_WORD } from '~/words/zoneText'

/** At the stone, hands full: one stone and one side at a time, what is dialled, and the count. */
const job = useJob()
const preferences = usePreferences()
const bench = useStoneBench()
const { uses, at, next, forecast, dialled, hasBevel, press, countOf, zone } = bench
const { next: nextStep, text } = useNextStep()
const router = useRouter()
const { mayTurn, isDone, comesFirst, openSide, mayTakeBackDone, fullCount, mayBeDone, burrSide, burrIsNext, kinds } =
  bench
const stone = job.stone
const names = computed(() => preferences.current.sideNames)
/** The strokes of what is worked now: from heel to tip, or a zone alone. */
const count = computed(() => countOf(job.side.value, zone.value))
const share = computed(() =>
  forecast.value && zone.value === null ? Math.min(1, count.value / forecast.value.middle) : 0,
)
const done = computed(() => isDone(job.side.value))
/** What a stone that has done its work on this side is followed by. */
const then = computed(() =>
  openSide.value
    ? `turn over to ${names.value[openSide.value]}`
    : !next.value
      ? 'last stone'
      : next.value.forMicroBevel
        ? 'micro-bevel'
        : 'next stone',
)
/** The strokes on each side, and where the stone has done its work: "A 60, done · B 12". */
const balance = computed(() =>
  SIDES.map((side) => `${names.value[side]} ${countOf(side)}${isDone(side) ? ', done' : ''}`).join(' · '),
)
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
  v: () => bench.noteBurr(kinds.value),
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
        >{{ at < 0 ? 'not in the order' : `stone ${at + 1} of ${uses.length}` }}, {{ stoneGrainText(stone) }}</span
      >
      <UButton
        v-if="comesFirst"
        size="lg"
        color="neutral"
        variant="outline"
        :label="`${comesFirst.stone.name} comes first: put it on`"
        data-testid="bench-first"
        @click="bench.putOn(comesFirst)"
      />
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
    <div class="grid gap-3 lg:grid-cols-[minmax(0,1fr)_minmax(0,1.2fr)] lg:grid-rows-[auto_auto_1fr]">
      <BenchDial />
      <div class="flex min-w-0 flex-col gap-3 self-start lg:col-start-2 lg:row-span-3 lg:row-start-1">
        <button
          type="button"
          data-counts
          class="pane flex min-h-56 cursor-pointer flex-col items-center justify-center disabled:cursor-not-allowed"
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
            !dialled
              ? 'Dial it first'
              : zone
                ? `on the ${ZONE_WORD[zone]} alone`
                : forecast
                  ? `of ${forecastText(forecast)}`
                  : 'strokes'
          }}</span>
          <span class="mt-3 block h-3 w-full max-w-96 overflow-hidden rounded-full bg-elevated" aria-hidden="true"
            ><span class="block h-full bg-primary" :style="{ width: `${100 * share}%` }"
          /></span>
          <span v-if="job.sides.value.length > 1" class="mt-3 text-2xl" data-testid="bench-balance">{{ balance }}</span>
        </button>
        <div class="grid grid-cols-2 gap-2 sm:grid-cols-3">
          <BenchPress label="Ten strokes" :disabled="!dialled" @click="press(10)" />
          <BenchPress label="Take one back" :disabled="count === 0" @click="bench.takeBack" />
          <BenchPress
            v-if="job.sides.value.length > 1"
            label="Other side"
            :stands-out="mayTurn"
            @click="bench.turnOver"
          />
          <BenchPress :label="`Burr on ${names[burrSide]}, heel to tip`" @click="bench.noteBurr(kinds)" />
          <BenchPress label="No burr left" :stands-out="burrIsNext" @click="bench.noteBurr('none')" />
          <BenchPress
            v-if="hasBevel && !done && at >= 0"
            :label="job.sides.value.length > 1 ? `Done on ${names[job.side.value]}: ${then}` : `Done: ${then}`"
            :stands-out="mayBeDone"
            :disabled="fullCount === 0"
            data-testid="bench-finish"
            @click="bench.finish"
          />
          <BenchPress
            v-else-if="openSide && (at >= 0 || !hasBevel)"
            :label="`Turn over to ${names[openSide]}`"
            stands-out
            data-testid="bench-turn"
            @click="bench.turnOver"
          />
          <BenchPress
            v-else-if="next"
            :label="next.forMicroBevel ? `Micro-bevel with ${next.stone.name}` : `Put on ${next.stone.name}`"
            stands-out
            data-testid="bench-next"
            @click="bench.putOnNext"
          />
          <BenchPress
            v-else-if="nextStep && !burrIsNext"
            :label="text.do"
            stands-out
            data-testid="bench-after"
            @click="goToControl(router, job.id, nextStep.toDo.does)"
          />
        </div>
        <p v-if="mayTakeBackDone" class="text-toned">
          The stone has done its work on {{ names[job.side.value] }}.
          <button type="button" class="text-link" data-testid="bench-not-done" @click="bench.notDone">
            Not done after all
          </button>
        </p>
        <BenchEar />
        <p class="text-sm text-muted">
          Keys: space or a pedal counts one, X ten, Backspace takes one back, S turns over, V notes the burr.
        </p>
      </div>
      <BenchTask v-if="hasBevel" />
      <BenchEdge v-if="hasBevel" />
    </div>
  </div>
</template>

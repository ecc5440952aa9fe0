<script setup lang="ts">
import { useEventListener, useWakeLock } from '@vueuse/core'
import { ofKind } from '#core/log/activeEntries'
import { SAME_ANGLE_DEG } from '#core/process/steps/grinding'
import { adviseDial } from '#core/geometry/dial/advised'
import { isStrop } from '#core/steel/stones/orders'
import { otherSide } from '#core/records/common/side'
import { usePlan } from '../plan/usePlan'
import { useStoneOrder } from '../useStoneOrder'
import { useEar } from './useEar'
import { useTally } from './useTally'
import { useJob } from '~/job/useJob'
import { sheetPath } from '~/navigation/stations'
import { usePreferences } from '~/stores/preferences'
import { angleText } from '~/words/angleText'
import { dialParts } from '~/words/dialText'
import { stoneGrainText } from '~/words/grainText'
import { momentText } from '~/words/momentText'
import { forecastText, TASK_DONE, TASK_WORD } from '~/words/planText'
import { problemText } from '~/words/problemText'
import { riseText } from '~/words/riseText'
import { EAR_TEXT, heardText } from '~/words/earText'

/** At the stone, hands full: one stone and one side at a time, what is dialled, and the count. */
const job = useJob()
const preferences = usePreferences()
const { current, before } = usePlan()
const { swaps } = useStoneOrder()
const { add, commit, countOf } = useTally()
const names = computed(() => preferences.current.sideNames)
const stones = computed(() => swaps.value.map(({ stone }) => stone))
const stone = job.stone
const at = computed(() => stones.value.findIndex(({ id }) => id === stone.value.id))
const next = computed(() => (at.value < 0 ? stones.value[0] : stones.value[at.value + 1]))
const work = computed(() => current.value?.works.find((one) => one.stone.id === stone.value.id) ?? null)
const forecast = computed(() => work.value?.sides.find(({ side }) => side === job.side.value)?.strokes ?? null)
const count = computed(() => countOf(job.side.value, stone.value.id))
const share = computed(() => (forecast.value ? Math.min(1, count.value / forecast.value.middle) : 0))

const advice = computed(() =>
  adviseDial(job.setup.value, job.side.value, job.wantedDeg.value, job.dialFor.value.edgePoint),
)
/** What a hand has dialled on this side, where that is near enough to what is wanted; else it is dialled first. */
const set = computed(() => job.dialFor.value.sides[job.side.value])
const dialled = computed(() => {
  if (job.dialled.value[job.side.value].is !== 'noted' || !set.value.ok) return false
  const offDeg = Math.abs(set.value.contact.edgeAngleDeg - job.wantedDeg.value)
  return offDeg <= Math.max(SAME_ANGLE_DEG, advice.value.ok ? Math.abs(advice.value.offDeg) : 0)
})
const setting = computed(() =>
  dialled.value ? job.actions.dialledNow() : advice.value.ok ? advice.value.setting : null,
)
const parts = computed(() => (setting.value ? dialParts(job.rig.value, setting.value) : []))
const rise = computed(() => {
  const mm = at.value > 0 ? swaps.value[at.value]?.riseFromBeforeMm : null
  return mm ? riseText(mm, preferences.unit) : ''
})
const failure = ref('')
function dialIt() {
  if (advice.value.ok) failure.value = job.actions.noteDialled(advice.value.setting) ?? ''
}

const press = (strokes: number) => {
  if (dialled.value || strokes < 0) add(strokes)
}
function turnOver() {
  commit()
  if (job.sides.value.length > 1) job.turnOver()
}
/** The burr stands on the side that is not ground. */
const burrSide = computed(() => otherSide(job.side.value))
const burr = computed(() => ofKind(job.entriesOfBlade.value, 'sharpness').findLast((one) => one.burr !== null) ?? null)
function noteBurr(found: 'felt' | 'none') {
  commit()
  const about = { zones: [], forcesG: [], burrZones: [], test: 'burr' as const }
  const side = found === 'none' ? ('none' as const) : burrSide.value
  job.session.record('burr', [{ ...job.newEntry(), kind: 'sharpness', ...about, burr: side }])
}
/** More strokes than nine of ten such jobs take, and no burr. */
const longPast = computed(
  () =>
    work.value?.task === 'shape' &&
    forecast.value !== null &&
    count.value > forecast.value.most &&
    (burr.value === null || burr.value.burr === 'none'),
)

const done = computed(
  () => ofKind(job.entriesOfBlade.value, 'stone-done').findLast((one) => one.stoneId === stone.value.id) ?? null,
)
const ground = computed(() => job.sides.value.every((side) => countOf(side, stone.value.id) > 0))
/** What nine of ten such jobs take at least: before that it is hardly done. */
const likelyDone = computed(() =>
  job.sides.value.every((side) => {
    const its = work.value?.sides.find((one) => one.side === side)
    return countOf(side, stone.value.id) >= (its?.strokes.least ?? 1)
  }),
)
/** This stone has done its work: what it took goes to its record, and the next one is put on. */
function finish() {
  commit()
  const steel = work.value?.sides.reduce((sum, { removedMm3 }) => sum + removedMm3, 0) ?? 0
  const strokes = job.sides.value.reduce((sum, side) => sum + countOf(side, stone.value.id), 0)
  // What was taken off a bevel that nobody knew says nothing of the stone.
  const isKnown = work.value?.task !== 'shape' || before.value.from !== 'assumed'
  if (isKnown && steel > 0 && strokes > 0 && !done.value)
    job.session.record('stone finished', [{ ...job.newEntry(), kind: 'stone-done', removedMm3: steel, strokes }])
  if (next.value) job.actions.chooseStone(next.value.id)
}
const goOn = () => next.value && (commit(), job.actions.chooseStone(next.value.id))

const { state: ear, heard, start: listen, stop: endListening } = useEar((strokes) => press(strokes))
const lock = useWakeLock()
onMounted(() => void lock.request('screen').catch(() => undefined))
onBeforeUnmount(() => {
  commit()
  void lock.release()
})

const view = ref<HTMLElement | null>(null)
const full = ref(false)
function fullScreen() {
  full.value = !full.value
  if (full.value) void view.value?.requestFullscreen?.().catch(() => undefined)
  else if (document.fullscreenElement) void document.exitFullscreen()
}
useEventListener(document, 'fullscreenchange', () => (full.value = document.fullscreenElement !== null))

/** After a press by hand the space bar and a pedal count again; who goes by keys stays where they are. */
function handBack(event: MouseEvent) {
  if (event.detail > 0) view.value?.querySelector<HTMLElement>('[data-counts]')?.focus({ preventScroll: true })
}

/** Keys of the hand or of a pedal, before those of the rest of the program. */
const KEYS: Readonly<Record<string, () => void>> = {
  ' ': () => press(1),
  ArrowUp: () => press(1),
  ArrowRight: () => press(1),
  PageDown: () => press(1),
  ArrowDown: () => press(-1),
  Backspace: () => press(-1),
  t: () => press(10),
  o: turnOver,
  b: () => noteBurr('felt'),
}
useEventListener(
  window,
  'keydown',
  (event: KeyboardEvent) => {
    const target = event.target instanceof Element ? event.target : null
    const isTyped = target?.closest('input, textarea, select, [role="dialog"], [role="listbox"]')
    // What is still being counted is a step of its own, which undoing takes back.
    if (event.key === 'z' && (event.ctrlKey || event.metaKey)) commit()
    const onButton = event.key === ' ' && target?.closest('button:not([data-counts]), a')
    if (isTyped || onButton || event.ctrlKey || event.metaKey || event.altKey) return
    const does = KEYS[event.key]
    if (!does) return
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
    @click="handBack"
  >
    <SheetPane v-if="stones.length === 0" labelledby="no-stones">
      <h2 id="no-stones" class="text-lg font-semibold">No stones are chosen for this job</h2>
      <p><NuxtLink class="text-link" :to="sheetPath(job.id, 'grind', 'plan')">Plan the stones</NuxtLink></p>
    </SheetPane>
    <template v-else>
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
          <template v-if="setting">
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
              ><template v-else-if="rise">{{ rise }} from the stone before.</template>
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
            {{
              burr.burr === 'none'
                ? 'No burr'
                : burr.burr === 'both'
                  ? 'Burr on both sides'
                  : `Burr on ${names[burr.burr!]}`
            }},
            {{ momentText(burr.at) }}
          </p>
        </SheetPane>
        <div class="flex min-w-0 flex-col gap-3">
          <button
            type="button"
            data-counts
            class="pane flex min-h-56 flex-1 cursor-pointer flex-col items-center justify-center disabled:cursor-not-allowed"
            :disabled="!dialled"
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
            <span v-if="job.sides.value.length > 1" class="mt-3 text-2xl" data-testid="bench-balance"
              >{{ names.A }} {{ countOf('A', stone.id) }} · {{ names.B }} {{ countOf('B', stone.id) }}</span
            >
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
              @click="press(-1)"
            />
            <UButton
              v-if="job.sides.value.length > 1"
              size="xl"
              color="neutral"
              variant="outline"
              label="Other side"
              @click="turnOver"
            />
            <UButton
              size="xl"
              color="neutral"
              variant="outline"
              :label="`Burr on ${names[burrSide]}, heel to tip`"
              @click="noteBurr('felt')"
            />
            <UButton size="xl" color="neutral" variant="outline" label="No burr left" @click="noteBurr('none')" />
            <UButton
              v-if="!done && at >= 0"
              size="xl"
              :variant="likelyDone ? 'solid' : 'outline'"
              :color="likelyDone ? 'primary' : 'neutral'"
              :disabled="!ground"
              :label="next ? 'Done: next stone' : 'Done: last stone'"
              data-testid="bench-finish"
              @click="finish"
            />
            <UButton v-else-if="next" size="xl" :label="`Put on ${next.name}`" data-testid="bench-next" @click="goOn" />
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
            Keys: space or a pedal counts one, T ten, Backspace takes one back, O turns over, B notes the burr.
          </p>
        </div>
      </div>
    </template>
  </div>
</template>

<style scoped>
.bench-presses > * {
  min-height: 3.5rem;
  justify-content: center;
}
</style>

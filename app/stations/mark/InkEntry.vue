<script setup lang="ts">
import { nth } from '#core/math/list'
import type { InkPattern } from '#core/log/choices'
import { FRACTION_STEP } from '#core/observe/marker/look'
import { useInk, type Observed } from '~/composables/useInk'
import { usePractice } from '~/stations/mark/practice/usePractice'
import { useSimulatedBlade } from '~/stations/mark/practice/useSimulatedBlade'
import { useJob } from '~/job/useJob'
import { angleText } from '~/words/angleText'
import { dialText } from '~/words/dialText'
import { hasFraction, shareDownTo } from './inkView'
import { INK_MEANS, INK_WORD, fractionText } from '~/words/inkText'

/** One look: the bevel from heel to tip for the side that is up, what is bare in each zone, and how much of it. */
const job = useJob()
const ink = useInk()
const { observed } = ink
const at = ref(0)
const problem = ref('')
const strip = useTemplateRef<HTMLElement>('strip')

/** From the shoulder to the edge, as they are seen. */
const ORDER: readonly InkPattern[] = ['above', 'shoulder', 'ends', 'middle', 'all', 'apex', 'nothing']
const FRACTION_AT_FIRST = 0.25
const here = computed(() => observed.value[at.value] ?? null)
const set = computed(() => ink.setDeg.value)
watch(
  () => job.side.value,
  () => (at.value = 0),
)

function put(i: number, one: Observed | null) {
  problem.value = ''
  ink.tell(i, one)
}
function see(seen: InkPattern) {
  const fraction = here.value && hasFraction(here.value.seen) ? here.value.fraction : FRACTION_AT_FIRST
  put(at.value, { seen, fraction: seen === 'all' ? 1 : hasFraction(seen) ? fraction : 0 })
}
function stepPattern(by: number) {
  const now = here.value ? ORDER.indexOf(here.value.seen) : by > 0 ? 0 : 2
  see(nth(ORDER, (now + by + ORDER.length) % ORDER.length))
}
function setShare(fraction: number) {
  if (!here.value || !hasFraction(here.value.seen)) return
  const round = Math.round(fraction / FRACTION_STEP) * FRACTION_STEP
  put(at.value, { ...here.value, fraction: Math.min(0.95, Math.max(FRACTION_STEP, Number(round.toFixed(2)))) })
}
const asBefore = () => void (at.value > 0 && put(at.value, observed.value[at.value - 1] ?? null))
function allAlike() {
  const one = here.value
  if (one) ink.zones.value.forEach((_, i) => put(i, one))
}
function go(to: number) {
  at.value = Math.min(ink.zones.value.length - 1, Math.max(0, to))
  void nextTick(() => strip.value?.querySelectorAll<HTMLElement>('button')[at.value]?.focus())
}
function note() {
  if (job.practising && !practice.shown.value) return void (problem.value = 'Make a light pass first.')
  problem.value = ink.note() ?? ''
  if (!problem.value) go(0)
}
const KEYS: Record<string, () => void> = {
  ArrowLeft: () => go(at.value - 1),
  ArrowRight: () => go(at.value + 1),
  ArrowDown: () => stepPattern(1),
  ArrowUp: () => stepPattern(-1),
  '+': () => setShare((here.value?.fraction ?? 0) + FRACTION_STEP),
  '-': () => setShare((here.value?.fraction ?? 0) - FRACTION_STEP),
  '=': asBefore,
  '*': allAlike,
  Delete: () => put(at.value, null),
  Enter: note,
}
function onKey(event: KeyboardEvent) {
  const act = event.ctrlKey || event.metaKey || event.altKey ? undefined : KEYS[event.key]
  if (!act) return
  event.preventDefault()
  event.stopPropagation()
  act()
}
/** A finger or the mouse drags how much of the face is bare. */
function drag(event: PointerEvent, i: number) {
  if (event.buttons === 0 || i !== at.value || !here.value) return
  if (!(event.currentTarget instanceof Element)) return
  const box = event.currentTarget.getBoundingClientRect()
  const down = Math.min(1, Math.max(0, ((event.clientY - box.top) / box.height - 0.22) / 0.7))
  setShare(shareDownTo(here.value.seen, down))
}
const spoken = (i: number) => {
  const one = observed.value[i]
  const what = one
    ? `bare ${INK_WORD[one.seen]}${hasFraction(one.seen) ? `, ${fractionText(one.fraction)}` : ''}`
    : 'not said yet'
  return `${ink.names.value[i]}: ${what}`
}

const practice = usePractice()
const { offered, blade: simulatedBlade } = useSimulatedBlade()
function simulate() {
  const blade = simulatedBlade()
  ink.names.value.forEach((name, i) => {
    const deg = set.value[i]
    if (deg !== null && deg !== undefined) put(i, blade.look(job.side.value, name, deg, ink.looks.value.length))
  })
}
</script>

<template>
  <SheetPane labelledby="look" class="min-w-0">
    <div class="flex flex-wrap items-start justify-between gap-3">
      <div>
        <h2 id="look" class="text-lg font-semibold">What is bare after a light pass or two?</h2>
        <p class="text-sm text-toned">
          {{ dialText(job.rig.value, job.content.value.dialled[job.side.value]) }}, {{ job.stone.value.name }}, one or
          two light passes. Ink the whole bevel, shoulder to edge; let it dry.
        </p>
      </div>
      <SideSwitch />
    </div>
    <p v-if="!job.up.value.ok" class="mt-2 text-error">{{ job.trouble.value }}</p>
    <PassShown v-if="job.practising" class="mt-3" />
    <div
      ref="strip"
      role="group"
      aria-label="The bevel from heel to tip"
      aria-describedby="ink-keys"
      class="mt-3 flex gap-1"
      @keydown="onKey"
    >
      <button
        v-for="(zone, i) in ink.zones.value"
        :key="i"
        type="button"
        class="min-w-14 basis-0 touch-none overflow-hidden rounded-sm border text-left"
        :class="i === at ? 'border-inverted ring-2 ring-inverted' : 'border-default'"
        :style="{ flexGrow: Math.max(8, zone.toMm - zone.fromMm) }"
        :tabindex="i === at ? 0 : -1"
        :aria-pressed="i === at"
        :aria-label="spoken(i)"
        @click="at = i"
        @focus="at = i"
        @pointermove="drag($event, i)"
      >
        <span class="block h-28"><InkFace :observed="observed[i] ?? null" /></span>
        <span class="block px-1.5 py-0.5 text-sm leading-5"
          ><b>{{ ink.names.value[i] }}</b
          ><span class="block text-muted">{{
            set[i] === null || set[i] === undefined ? '–' : `set ${angleText(set[i]!)}`
          }}</span></span
        >
      </button>
    </div>
    <p class="mt-1 flex justify-between text-sm text-muted">
      <span>heel, shoulder above</span><span>tip, edge below</span>
    </p>

    <h3 class="mt-3 font-semibold">{{ ink.names.value[at] }}: where is it bare?</h3>
    <div class="mt-1 grid grid-cols-2 gap-2 sm:grid-cols-4 xl:grid-cols-7" role="group" aria-label="Where it is bare">
      <button
        v-for="seen in ORDER"
        :key="seen"
        type="button"
        class="rounded-sm border p-1.5 text-left text-sm leading-5"
        :class="here?.seen === seen ? 'border-inverted ring-2 ring-inverted' : 'border-default hover:bg-elevated'"
        :aria-pressed="here?.seen === seen"
        :title="INK_MEANS[seen]"
        @click="see(seen)"
      >
        <span class="block h-12"
          ><InkFace :observed="{ seen, fraction: here && here.seen === seen ? here.fraction : 0.35 }"
        /></span>
        <span class="mt-1 block">{{ INK_WORD[seen] }}</span>
      </button>
    </div>
    <div class="mt-3 flex min-h-11 flex-wrap items-center gap-3">
      <label class="flex min-w-60 flex-1 items-center gap-3"
        ><span class="whitespace-nowrap">How much of it</span
        ><input
          type="range"
          class="flex-1 accent-(--ui-primary)"
          min="0.05"
          max="0.95"
          step="0.05"
          :disabled="!here || !hasFraction(here.seen)"
          :value="here?.fraction ?? FRACTION_AT_FIRST"
          @input="setShare(Number(($event.target as HTMLInputElement).value))"
        /><span class="figure w-16 text-right text-xl" data-testid="fraction">{{
          here ? fractionText(here.fraction) : '–'
        }}</span></label
      >
      <UButton color="neutral" variant="outline" label="As the zone before" :disabled="at === 0" @click="asBefore" />
      <UButton color="neutral" variant="outline" label="All zones alike" :disabled="!here" @click="allAlike" />
    </div>
    <p v-if="problem" role="alert" class="mt-2 text-error">{{ problem }}</p>
    <div class="mt-3 flex flex-wrap items-center gap-3">
      <UButton size="xl" label="Record this test" @click="note" />
      <UButton
        v-if="offered && !job.practising"
        color="neutral"
        variant="outline"
        size="lg"
        icon="i-lucide-wand-sparkles"
        label="Let the simulated blade show it"
        @click="simulate"
      />
    </div>
    <p id="ink-keys" class="mt-3 text-sm text-muted">
      On the strip: ← → zone, ↑ ↓ where, + − how much, = as the zone before, * all alike, Enter records it.
    </p>
    <p class="mt-1 text-sm text-muted">
      Gloves, hands behind the edge; solvent with air and away from flame; ink off before food.
    </p>
  </SheetPane>
</template>

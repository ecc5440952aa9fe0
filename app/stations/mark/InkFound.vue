<script setup lang="ts">
import equal from 'fast-deep-equal'
import { nth } from '#core/math/list'
import { looksAtZones } from '#core/observe/marker/looksAtZones'
import { recordedBevel } from '#core/log/foundBevel'
import { useWords } from '~/words/useWords'
import { zoneAt, zoneMiddleMm } from '#core/records/blade/zones'
import type { Side } from '#core/records/common/side'
import { useInk } from '~/composables/useInk'
import { useReadings } from '~/composables/useReadings'
import { useJob } from '~/job/useJob'
import { sheetPath } from '~/navigation/stations'
import { usePreferences } from '~/stores/preferences'
import { angleText } from '~/words/angleText'
import { dialText } from '~/words/dialText'
import { CULPRIT_TEXT, FACE_KIND_WORD, INK_WORD } from '~/words/inkText'

/** What the looks say so far: each zone's angle as a bar, what to dial for the next marker test, and when to stop. */
const job = useJob()
const preferences = usePreferences()
const ink = useInk()
const words = useWords()
const readings = useReadings()
const names = computed(() => preferences.current.sideNames)
const side = computed(() => job.side.value)
const found = computed(() => ink.foundOn(side.value))
const looksThere = computed(() => looksAtZones(ink.counted.value, side.value, ink.zones.value))
const rows = computed(() =>
  ink.zones.value.map((_, i) => {
    const former = ink.formerOn(side.value)[i] ?? null
    const face = found.value[i] ?? former
    const uncertaintyDeg = face ? (face.angle.toDeg - face.angle.fromDeg) / 2 : 0
    return {
      name: nth(ink.names.value, i),
      face,
      isFormer: face !== null && face === former,
      uncertaintyDeg,
      setDeg: ink.setDeg.value[i] ?? null,
      lookedAt: nth(looksThere.value, i).looks.length > 0,
    }
  }),
)
// The first test is planned too, while this is open.
onMounted(() => (ink.plansFirst.value = true))
onUnmounted(() => (ink.plansFirst.value = false))
const looked = computed(() => ink.counted.value.some((look) => look.side === side.value))

/** The bars share one scale, a degree beyond all that is shown. */
const scale = computed(() => {
  const all = rows.value.flatMap(({ face, setDeg }) => [
    ...(face ? [face.angle.fromDeg, face.angle.toDeg] : []),
    ...(setDeg === null ? [] : [setDeg]),
  ])
  all.push(job.wantedDeg.value)
  const [from, to] = [Math.min(...all) - 1, Math.max(...all) + 1]
  return (deg: number) => `${((deg - from) / (to - from)) * 100}%`
})
function sayText({ face, uncertaintyDeg, lookedAt }: (typeof rows.value)[number]): string {
  if (!face) return !lookedAt ? 'not tested' : ink.weighFailure.value ? 'not worked out' : 'being worked out…'
  const { fromDeg, toDeg, middleDeg } = face.angle
  const range = `${angleText(fromDeg, uncertaintyDeg)} to ${angleText(toDeg, uncertaintyDeg)}`
  if (face.kind === 'flat') return `${angleText(middleDeg, uncertaintyDeg)}, ${range}`
  return `${FACE_KIND_WORD[face.kind]}: ${angleText(face.shoulder.middleDeg, 0.5)} at the shoulder, ${angleText(middleDeg, 0.5)} at the edge`
}
const nextText = computed(() => {
  const next = ink.next.value
  const on = names.value[side.value]
  if (!next && ink.weighing.value) return 'The next test is being worked out…'
  const tests = next?.looksLeft === 1 ? 'One test' : `${next?.looksLeft ?? 0} tests`
  if (!looked.value)
    return next?.setting
      ? `${tests} of ${on}, likely. Begin with the angle that it most likely has.`
      : `Dial what you think it has and do a marker test: nothing is known of ${on} yet.`
  if (!next) return ''
  if (next.stop === 'known' || next.stop === 'decided') {
    const open = rows.value.filter(({ lookedAt }) => !lookedAt).map(({ name }) => name)
    const toDecide = next.stop === 'decided' ? ', as well as the decision needs' : ''
    const enough = `known to ± ${angleText(next.nowDeg, 0.1)}${toDecide}`
    return open.length === 0
      ? `Enough: every zone of ${on} is ${enough}.`
      : `What was tested is ${enough}. Not tested yet: ${open.join(', ')}.`
  }
  if (next.stop === 'no-gain')
    return 'No setting of this rig would tell more. What is left is the uncertainty of the set angle itself.'
  return `${tests} more, likely: now ± ${angleText(next.nowDeg, 0.1)}, then about ± ${angleText(next.thenDeg, 0.1)}.`
})
const isDialled = computed(() => {
  const setting = ink.next.value?.setting
  return !!setting && equal(setting, job.content.value.dialled[side.value])
})
/** Steel was taken off this side: what the ink says now is what was ground. */
const isCut = computed(() => job.cutWith(side.value, null) !== null)
const recorded = computed(() => recordedBevel(job.entriesOfBlade.value, side.value))
/** What was found of this side is recorded, and no test was made since. */
const isRecorded = computed(() => recorded.value?.testedSince === false)
/** What is ground is proved; it is recorded as what was found only where nothing else was. */
const isFinding = computed(() => !isCut.value || recorded.value === null)
function recordFound() {
  if (!isRecorded.value) ink.recordFound()
}
const dialNext = () => void (ink.next.value?.setting && job.actions.dial(ink.next.value.setting))

/** Every zone of every bevelled side was looked at: what to do about it can be weighed. */
const everyFound = computed(() =>
  ink.sides.value.every((of) => ink.zones.value.every((_, i) => ink.foundOn(of)[i] != null)),
)
/** The zone that the dial is for, when it is known well enough to be noted as proved. */
const provable = computed(() => {
  const index = zoneAt(ink.zones.value, job.dialFor.value.edgePoint.fromHeelMm)
  const row = rows.value[index]
  return row?.face && !row.isFormer ? { ...row, face: row.face, zone: nth(ink.zones.value, index) } : null
})
function prove(of: Side) {
  const one = provable.value
  if (one)
    readings.addProof(of, one.face.angle.middleDeg, {
      uncertaintyDeg: one.uncertaintyDeg,
      by: 'ink',
      zone: one.zone.kind,
      placeMm: zoneMiddleMm(one.zone),
    })
}
</script>

<template>
  <SheetPane labelledby="ink-says">
    <h2 id="ink-says" class="flex items-baseline justify-between gap-3 text-lg font-semibold">
      What the ink says of {{ names[side] }}
      <span v-if="ink.weighing.value" class="text-sm font-normal text-muted" data-testid="weighing">working out…</span>
    </h2>
    <ul class="mt-2" data-testid="ink-says" :aria-busy="ink.weighing.value">
      <li v-for="row in rows" :key="row.name" class="border-t border-default py-1.5 first:border-t-0">
        <p class="flex flex-wrap items-baseline justify-between gap-x-3">
          <span>{{ row.name }}</span><span
            :class="row.isFormer ? 'text-muted' : 'font-semibold'"
            :data-testid="`says-${row.name}`"
            >{{ sayText(row) }}</span
          >
        </p>
        <div class="relative mt-1 h-5 rounded-sm bg-elevated" aria-hidden="true">
          <span
            v-if="row.face"
            class="absolute top-1 h-3 rounded-sm border border-inverted"
            :class="row.isFormer ? 'bg-muted' : 'bg-(--angle-proved)'"
            :style="{
              left: scale(row.face.angle.fromDeg),
              width: `calc(${scale(row.face.angle.toDeg)} - ${scale(row.face.angle.fromDeg)})`,
            }"
          />
          <span
            v-if="row.setDeg !== null"
            class="absolute top-0 h-5 w-0 border-l-2 border-(--angle-set)"
            :style="{ left: scale(row.setDeg) }"
          />
          <span
            class="absolute top-0 h-5 w-0 border-l-2 border-dotted border-(--angle-wanted)"
            :style="{ left: scale(job.wantedDeg.value) }"
          />
        </div>
      </li>
    </ul>
    <div v-if="ink.weighFailure.value" role="alert" class="mt-2 flex flex-wrap items-center gap-2 text-error">
      {{ words.problem(ink.weighFailure.value) }}
      <UButton color="neutral" variant="outline" label="Try again" @click="ink.weighAgain" />
    </div>
    <p class="mt-1 flex flex-wrap gap-x-4 text-sm text-muted">
      <span>bar: 95 in 100</span><span>line: set</span><span>dots: wanted, {{ angleText(job.wantedDeg.value) }}</span>
    </p>
    <ul v-if="ink.against.value.length > 0" role="alert" class="mt-3 text-error" data-testid="ink-against">
      <li v-for="one in ink.against.value" :key="one.name">
        <b>{{ one.name }}</b>: “{{ INK_WORD[one.look.seen] }}” at {{ angleText(one.look.setDeg) }} contradicts the other
        tests.
        {{ CULPRIT_TEXT[one.culprit] }}
      </li>
    </ul>
    <p v-if="ink.heavy.value" class="mt-3" data-testid="ink-heavy">
      These tests show a heavy hand: the passes reach about <b>{{ Math.round(ink.heavy.value.depthUm) }} µm</b>, light
      ones {{ ink.heavy.value.lightUm }} at most. The angles allow for it; pressing less finds them in fewer tests.
    </p>
    <div class="mt-3 border-t border-default pt-3" aria-live="polite" data-testid="ink-next">
      <p>{{ nextText }}</p>
      <p v-if="isDialled" class="mt-2 font-semibold">It is dialled: ink, one or two light passes, then look.</p>
      <UButton
        v-else-if="ink.next.value?.setting"
        class="mt-2"
        size="xl"
        :label="`Dial ${dialText(job.rig.value, ink.next.value.setting)} for the next marker test`"
        @click="dialNext"
      />
      <UButton
        v-if="ink.bevelFound.value && isFinding && !job.practising"
        class="mt-2"
        size="xl"
        :variant="isRecorded ? 'outline' : 'solid'"
        :icon="isRecorded ? 'i-lucide-check' : undefined"
        :label="isRecorded ? `Recorded as the bevel of ${names[side]}` : `Record this as the bevel of ${names[side]}`"
        :aria-disabled="isRecorded"
        data-testid="record-found"
        @click="recordFound"
      />
      <UButton
        v-if="provable && isCut && !job.practising"
        class="mt-2"
        color="neutral"
        variant="outline"
        size="lg"
        :label="`Record ${angleText(provable.face.angle.middleDeg, provable.uncertaintyDeg)} ± ${angleText(provable.uncertaintyDeg, provable.uncertaintyDeg)} as proved by ink, ${provable.name}`"
        @click="prove(side)"
      />
      <NuxtLink
        v-if="everyFound && !job.practising"
        class="text-link mt-3 block"
        :to="sheetPath(job.id, 'mark', 'decide')"
        data-testid="to-decide"
        >Follow this bevel, or cut another?</NuxtLink
      >
    </div>
  </SheetPane>
</template>

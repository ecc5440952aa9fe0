<script setup lang="ts">
import { otherSide } from '#core/records/common/side'
import { RIGS } from '#core/records/rig/kinds'
import { useStoneBench } from './useStoneBench'
import { useJob } from '~/job/useJob'
import { usePreferences } from '~/stores/preferences'
import { angleText } from '~/words/angleText'
import { dialParts, dialText } from '~/words/dialText'
import { placeText } from '~/words/placeText'
import { problemText } from '~/words/problemText'
import { riseText } from '~/words/riseText'
import { capital } from '~/words/sentence'
import { otherAngleText } from '~/words/steeperText'

/** The side that is up, and what is dialled for it or is to be. */
const job = useJob()
const preferences = usePreferences()
const bench = useStoneBench()
const { advice, set, dialled, setting, mustReadDeg, riseMm, hasBevel } = bench
const names = computed(() => preferences.current.sideNames)
const parts = computed(() => (setting.value ? dialParts(job.rig.value, setting.value) : []))
/** On two arms strokes go from side to side: what stands on the other one. */
const otherArm = computed(() => {
  if (!RIGS[job.rig.value.kind].twoArms || job.sides.value.length < 2) return ''
  const other = otherSide(job.side.value)
  const isDialled = job.dialled.value[other].is === 'noted'
  const what = isDialled ? dialText(job.rig.value, job.content.value.dialled[other]) : 'not dialled yet'
  return `The other arm, ${names.value[other]}: ${what}. Do not twist the stone: that rounds the tip.`
})
const otherAngle = computed(() => otherAngleText(job.content.value, job.stone.value))
const failure = ref('')
function dialIt() {
  failure.value = bench.dialIt() ?? ''
}
</script>

<template>
  <SheetPane labelledby="bench-side" class="flex flex-col gap-3">
    <h3 id="bench-side" class="flex flex-wrap items-center gap-x-3 text-3xl font-semibold">
      <span data-testid="bench-side">{{ names[job.side.value] }}</span>
      <span class="flex items-center gap-2 text-xl font-normal"
        ><AngleMark angle="wanted" />{{ angleText(job.toSetDeg.value) }}</span
      >
    </h3>
    <p v-if="otherAngle && hasBevel" class="text-lg" data-testid="bench-other-angle">{{ capital(otherAngle) }}.</p>
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
          >Dialled: gives {{ angleText(set.contact.edgeAngleDeg, set.uncertaintyDeg) }}.
          <template v-if="mustReadDeg !== null"
            >A level gauge on the stone must read <b>{{ angleText(mustReadDeg, set.uncertaintyDeg) }}</b>,
            {{ placeText(job.content.value.dialForMm, job.rig.value.kind, preferences.unit) }}.</template
          ></template
        ><template v-else-if="riseMm">{{ riseText(riseMm, preferences.unit) }} from the stone before.</template>
      </p>
      <p v-if="otherArm" class="text-lg text-toned" data-testid="bench-other-arm">{{ otherArm }}</p>
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
  </SheetPane>
</template>

<script setup lang="ts">
import { restByWeight, restOf, tablePose } from '#core/geometry/clamping/restingCentrePlane'
import { hasFlats } from '#core/geometry/clamping/tableSupport'
import { RESTS, type Rest } from '#core/records/job/clampPosition'
import { useJob } from '~/job/useJob'
import { usePreferences } from '~/stores/preferences'
import { angleText, differenceText } from '~/words/angleText'
import { REST_WORD } from '~/words/measureText'

/** A blade on a table: what its rest takes off, and how far its faces differ, found from the proved angles. */
const job = useJob()
const preferences = usePreferences()
const { actions } = job
const pose = computed(() => tablePose(job.blade.value, job.content.value.hold))
const proved = computed(() => {
  const { A, B } = job.proved.value
  return A && B ? (A.deg - B.deg) / 2 : null
})
const flats = computed(() => hasFlats(job.blade.value))
const rest = computed(() => restOf(job.blade.value, job.content.value.hold))
const byWeight = computed(() => restByWeight(job.blade.value))
const rests = computed(() =>
  RESTS.map((value) => ({
    value,
    label: REST_WORD[value],
    description: value === byWeight.value ? 'there its weight lies' : undefined,
  })),
)
const lieOn = (restsOn: Rest) =>
  job.change(`lies on ${REST_WORD[restsOn]}`, {
    hold: { ...job.content.value.hold, restsOn },
  })
const apply = (tiltDeg: number) => actions.setCentring({ tiltDeg })
</script>

<template>
  <SheetPane labelledby="rest" class="space-y-3">
    <h2 id="rest" class="text-lg font-semibold">How it rests on the table</h2>
    <URadioGroup
      v-if="flats"
      :model-value="rest"
      legend="It lies on"
      :items="rests"
      size="lg"
      @update:model-value="lieOn($event as Rest)"
    />
    <p v-if="flats && rest === 'flats'">
      Lying on its parallel flats it is level from spine to edge: nothing comes off.
      <template v-if="Math.abs(pose.fallsToTipDeg) >= 0.05">
        It thins along its length, so it falls by {{ angleText(pose.fallsToTipDeg) }} from heel to tip.
      </template>
    </p>
    <p v-else-if="job.blade.value.bevels === 'both'">
      Lying on its {{ flats ? 'primary face' : 'flat' }} takes <b>{{ angleText(pose.fallsDeg) }}</b> off on both sides:
      the slope of the face that it lies on.
    </p>
    <p v-else>This blade lies on its flat back: nothing comes off.</p>
    <p v-if="job.blade.value.bevels === 'both' && pose.rocksDeg >= 0.05" class="font-semibold" data-testid="rocks">
      Its face is not one plane, since the blade thins: pressed near the heel or the tip, it rocks by up to
      {{ angleText(pose.rocksDeg) }}. Keep it pressed at one place. The ± counts the rocking.
    </p>
    <p v-if="flats && rest !== byWeight" class="font-semibold">
      By its weight it tips onto {{ REST_WORD[byWeight] }}: hold it down where it lies.
    </p>
    <MeasureField
      label="One face flatter than the other, by"
      kind="angle"
      focus="rest-tilt"
      :value="job.content.value.hold.tiltDeg"
      :step="0.1"
      :apply="apply"
      :hint="`positive: side ${preferences.current.sideNames.A} comes out steeper`"
    />
    <p class="text-sm text-muted">
      A gauge cannot see this: the blade is turned over, not the table. Set both sides alike, grind, prove them; half
      the difference is it.
    </p>
    <div v-if="proved !== null">
      <p>
        Proved: half the difference is <b>{{ differenceText(proved) }}</b>.
      </p>
      <UButton
        class="mt-2"
        size="lg"
        label="Use it in this job"
        @click="
          () => {
            apply(proved!)
          }
        "
      />
    </div>
  </SheetPane>
</template>

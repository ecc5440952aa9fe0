<script setup lang="ts">
import { AT_NO_ANGLE_DEG } from '#core/geometry/hold/jawClearance'
import type { DialSetting } from '#core/records/rig/dials/readings'
import { useAdvice } from './useAdvice'
import { useJob } from '~/job/useJob'
import { useCollections } from '~/stores/collections'
import { usePreferences } from '~/stores/preferences'
import { angleText, differenceText } from '~/words/angleText'
import { dialParts, dialText } from '~/words/dialText'
import { lengthText } from '~/words/lengthText'
import { changesText } from '~/words/setupText'
import { settingOn } from '#core/log/setupSnapshot'
import { momentText } from '~/words/momentText'
import { placeText } from '~/words/placeText'
import { problemText } from '~/words/problemText'
import { uncapital } from '~/words/sentence'
import { otherAngleText } from '~/words/steeperText'

const job = useJob()

const { actions } = job
const preferences = usePreferences()
const collections = useCollections()
const { advice, holdInstead } = useAdvice()

const parts = computed(() => (advice.value.ok ? dialParts(job.rig.value, advice.value.setting) : null))
const text = (setting: DialSetting) => dialText(job.rig.value, setting)
/** Advised is not dialled: only what the hand says it did is. */
const state = computed(() => job.dialled.value[job.side.value])
const dialled = computed(
  () => state.value.is === 'noted' && advice.value.ok && text(actions.dialledNow()) === text(advice.value.setting),
)
const noted = computed(() => {
  if (state.value.is === 'not-noted') return ''
  const { at, setup, stoneId } = state.value.noted
  const setting = settingOn(setup, job.side.value)
  const stone = collections.stones.find((one) => one.id === stoneId)?.name ?? 'another stone'
  const changed = state.value.is === 'changed' ? ` Changed since: ${changesText(state.value.by)}.` : ''
  return `Dialled ${momentText(at)}: ${setting ? text(setting) : ''}, for ${stone}.${changed}`
})
const otherAngle = computed(() => otherAngleText(job.content.value, job.stone.value))
const failure = ref('')
/** A blade is not moved by less than this. */
const NO_MOVE_MM = 0.25
const movesBlade = computed(
  () =>
    holdInstead.value.ok && Math.abs(holdInstead.value.bladeHeightMm - job.dialFor.value.bladeHeightMm) > NO_MOVE_MM,
)
const place = computed(() => placeText(job.content.value.dialForMm, job.rig.value.kind, preferences.unit))
/** The place looked at, where that is not the one that the dial is for. */
const elsewhere = computed(() => job.lookAtMm.value)
const oneBevelBack = computed(() => job.blade.value.bevels === 'A' && job.side.value === 'B')
const uncertainty = computed(() => (job.up.value.ok ? job.up.value.uncertaintyDeg : 0.3))
function noteIt() {
  if (advice.value.ok && !dialled.value) failure.value = actions.noteDialled(advice.value.setting) ?? ''
}
const overJaws = computed(() => {
  const set = job.up.value
  return set.ok && set.lowestOverJawsDeg !== null && set.lowestOverJawsDeg > set.contact.edgeAngleDeg
    ? set.lowestOverJawsDeg
    : null
})
const linked = computed({
  get: () => job.content.value.dialled.linked,
  set: (is) =>
    job.change(is ? 'one dial for both sides' : 'a dial for each side', {
      dialled: { ...job.content.value.dialled, linked: is, ...(is ? { B: job.content.value.dialled.A } : {}) },
    }),
})
</script>

<template>
  <SheetPane label="What to dial" class="px-4 py-3">
    <h2 class="flex items-center gap-2 text-sm">
      <AngleMark angle="wanted" />To get {{ angleText(job.toSetDeg.value)
      }}<template v-if="otherAngle"> ({{ otherAngle }})</template> on
      {{ preferences.current.sideNames[job.side.value] }} {{ place }}, dial
    </h2>
    <p v-if="oneBevelBack" class="mt-1">
      Side {{ preferences.current.sideNames.B }} of this blade is its flat back: it gets no bevel. Lay it flat on the
      stone to take the burr off.
    </p>
    <template v-else-if="advice?.ok && parts">
      <p class="figure mt-1 flex flex-wrap items-baseline gap-x-2 leading-none" data-testid="dial">
        <span
          v-for="(part, i) in parts"
          :key="i"
          :class="part.figure ? 'text-5xl' : 'text-xl font-normal text-toned'"
          >{{ part.text }}</span
        >
      </p>
      <p class="mt-2">
        gives <b>{{ angleText(advice.givesDeg, uncertainty) }}</b>,
        <span data-testid="remains">{{ differenceText(advice.offDeg, uncertainty) }} remains</span>
      </p>
      <div class="mt-2 flex flex-wrap items-center gap-x-3 gap-y-1">
        <UButton
          size="lg"
          :variant="dialled ? 'outline' : 'solid'"
          :icon="dialled ? 'i-lucide-check' : undefined"
          :label="dialled ? 'Dialled' : 'I have dialled it'"
          :aria-disabled="dialled"
          data-focus="dial-it"
          @click="noteIt"
        />
        <!-- Named: else its label is looked up in the page, which lays all of it out. -->
        <UCheckbox
          v-if="job.blade.value.bevels === 'both'"
          v-model="linked"
          label="both sides alike"
          aria-label="both sides alike"
        />
      </div>
      <HeightMeasured />
      <p v-if="noted" class="mt-1 text-sm text-toned" data-testid="noted">{{ noted }}</p>
      <p v-if="failure" role="alert" class="mt-1 text-sm text-error">{{ failure }}</p>
    </template>
    <p v-else-if="advice && !advice.ok" class="mt-1 text-error" data-testid="no-dial">
      {{ problemText(advice, preferences.unit) }}
    </p>
    <p v-if="holdInstead.ok && movesBlade && !oneBevelBack" class="mt-2 text-sm text-toned">
      {{ advice.ok ? 'Or leave the dial and stand' : 'Stand' }} the blade
      {{ lengthText(holdInstead.bladeHeightMm, preferences.unit) }} out.
      <button type="button" class="text-link" @click="actions.holdSo(holdInstead.hold)">Hold it like this</button>
    </p>
    <p
      v-else-if="!holdInstead.ok && holdInstead.code === 'jaws-reach-to' && !oneBevelBack && !job.gripTrouble.value"
      class="mt-2 text-sm text-toned"
    >
      Moving the blade alone does not do it: {{ uncapital(problemText(holdInstead, preferences.unit)) }}.
    </p>
    <p v-if="elsewhere !== null || job.content.value.dialForMm !== null" class="mt-2 text-sm text-toned">
      <button v-if="elsewhere !== null" type="button" class="text-link mr-2" @click="actions.dialForPlace(elsewhere)">
        Dial for {{ placeText(elsewhere, job.rig.value.kind, preferences.unit) }}
      </button>
      <button
        v-if="job.content.value.dialForMm !== null"
        type="button"
        class="text-link"
        @click="actions.dialForPlace(null)"
      >
        Dial for the edge {{ placeText(null, job.rig.value.kind, preferences.unit) }}
      </button>
    </p>
    <p v-if="overJaws !== null && advice.ok" role="alert" class="mt-2 text-sm text-error">
      {{
        overJaws < AT_NO_ANGLE_DEG
          ? `The stone meets the jaws below ${angleText(overJaws, uncertainty)} here.`
          : 'The jaws are in the stone’s way here at any angle.'
      }}
      Stand the blade further out, or take narrower jaws.
    </p>
  </SheetPane>
</template>

<script setup lang="ts">
import { useWords } from '~/words/useWords'
import { isBeyondTolerance, mostCarried, type Unknown } from '#core/observe/calibration/fitRig'
import { MEASURES_UNIT } from '#core/uncertainty/measures'
import { useCalibration } from './useCalibration'
import { useJob } from '~/job/useJob'
import { sheetPath } from '~/navigation/stations'
import { useCollections } from '~/stores/collections'
import { usePreferences } from '~/stores/preferences'
import { angleText, differenceText } from '~/words/angleText'
import { splitBy } from '~/words/calibrationText'
import { NOT_COUNTED, UNKNOWN_WORD } from '~/words/goniometerText'
import { momentText } from '~/words/momentText'
import { toleranceText } from '~/words/toleranceText'

/** What the angles proved on this rig say of its own measures: how far each is off, how sure, and what it changes. */
const job = useJob()
const words = useWords()
const preferences = usePreferences()
const collections = useCollections()
const calibration = useCalibration()
const { fit, proved, every } = calibration
const names = computed(() => preferences.current.sideNames)

const wordOf = ({ id, stoneId }: Unknown) =>
  `${UNKNOWN_WORD[id]}${stoneId === null ? '' : `, ${collections.nameOf(stoneId)}`}`
const meanText = (id: Unknown['id'], size: number) =>
  toleranceText({ unit: MEASURES_UNIT[id], tolerance: size }, preferences.unit)
const signed = (id: Unknown['id'], size: number) => {
  const amount = meanText(id, Math.abs(size))
  return Number.parseFloat(amount) === 0 ? amount : `${size > 0 ? '+' : '−'}${amount}`
}

const rows = computed(() =>
  every.value.map((unknown) => ({
    unknown,
    fitted: fit.value?.unknowns.find((one) => one.id === unknown.id && one.stoneId === unknown.stoneId) ?? null,
  })),
)
const proofs = computed(() =>
  proved.value.counted.map(({ proof, angle }, i) => ({
    proof,
    angle,
    fitted: fit.value?.proofs[i] ?? null,
    toRepeat: fit.value?.repeat.includes(i) ?? false,
  })),
)
const countText = computed(() => {
  const { length } = proved.value.counted
  const applied = fit.value ? calibration.applied.value.length : length
  if (length === 0) return 'No new proof counts'
  if (applied < length) return `${applied} of ${length} proofs count${applied === 1 ? 's' : ''}`
  return length === 1 ? 'One proof counts' : `${length} proofs count`
})
const jobName = (id: string | null) => collections.jobs.find((one) => one.id === id)?.name ?? 'an archived job'
/** One or two proofs alone: how far one that is wrong would carry what follows it the most. */
const FEW = 2
const oneWrong = computed(() => {
  const { length } = calibration.applied.value
  const most = fit.value && length > 0 && length <= FEW ? mostCarried(fit.value) : undefined
  return most
    ? `From ${length === 1 ? 'one proof alone: if it' : 'two proofs alone: if one'} is 1° wrong, the correction of “${wordOf(most)}” is wrong by ${meanText(most.id, most.perWrongDeg)}.`
    : ''
})
const setNow = computed(() => {
  const [before, now] = [job.evaluation.value.sides[job.side.value], calibration.after.value]
  const then = now?.evaluation.sides[job.side.value]
  return before.ok && then?.ok ? { before, after: then } : null
})
</script>

<template>
  <div class="panes lg:grid-cols-[minmax(0,1fr)_24rem]">
    <SheetPane labelledby="fit">
      <h2 id="fit" class="text-lg font-semibold">{{ countText }} for {{ calibration.rig.value.name }}</h2>
      <p v-if="calibration.before.value" class="mt-2 flex flex-wrap items-center gap-3" data-testid="calibrated">
        <span class="text-toned">
          Its measures were last calibrated by proofs {{ momentText(calibration.rig.value.fitted!.at) }}.
        </span>
        <UButton
          color="neutral"
          variant="outline"
          label="Put them back as they were"
          :loading="calibration.busy.value"
          @click="calibration.putBack"
        />
      </p>
      <p v-if="proved.counted.length === 0" class="mt-2 text-toned">
        Record the setting as dialled, cut the bevel through to the apex, and
        <NuxtLink class="text-link" :to="sheetPath(job.id, 'prove')">prove it on the goniometer</NuxtLink>. One blade on
        both sides tells much; another height and another stone tell the rest.
      </p>
      <template v-else>
        <div class="mt-2 overflow-x-auto" tabindex="0" role="region" aria-label="The fitted measures">
          <table class="w-full text-left" data-testid="unknowns" :aria-busy="calibration.working.value">
            <thead>
              <tr class="border-b border-default text-sm text-muted">
                <th class="py-1 pr-3 font-normal">measure</th>
                <th class="px-3 font-normal">uncertainty before</th>
                <th class="px-3 font-normal">correction</th>
                <th class="pl-3 font-normal">uncertainty after</th>
              </tr>
            </thead>
            <tbody>
              <tr
                v-for="{ unknown, fitted } in rows"
                :key="wordOf(unknown)"
                class="border-t border-default"
                :class="{ 'text-muted': !fitted }"
              >
                <th class="py-1.5 pr-3 font-normal">{{ wordOf(unknown) }}</th>
                <td class="px-3 whitespace-nowrap">± {{ meanText(unknown.id, unknown.tolerance) }}</td>
                <td class="figure px-3 text-lg whitespace-nowrap">
                  {{
                    fitted
                      ? signed(unknown.id, fitted.error)
                      : fit
                        ? 'none needed'
                        : calibration.working.value
                          ? '…'
                          : ''
                  }}
                </td>
                <td class="pl-3 whitespace-nowrap">
                  {{ fitted ? `± ${meanText(unknown.id, fitted.uncertainty)}` : '' }}
                  <span v-if="fitted && isBeyondTolerance(fitted)" class="block text-error"
                    >beyond its tolerance: measure it</span
                  >
                </td>
              </tr>
            </tbody>
          </table>
        </div>
        <p v-if="oneWrong" class="mt-2 text-toned" data-testid="one-wrong">{{ oneWrong }}</p>
        <ul v-if="fit && calibration.tied.value.length > 0" class="mt-2 text-toned" data-testid="tied">
          <li v-for="pair in calibration.tied.value" :key="`${pair.one}:${pair.other}`">
            <b>{{ wordOf(fit.unknowns[pair.one]!) }}</b> and <b>{{ wordOf(fit.unknowns[pair.other]!) }}</b> cannot be
            told apart by these proofs.
            {{ splitBy(fit.unknowns[pair.one]!.id, fit.unknowns[pair.other]!.id) }}
          </li>
        </ul>
        <p v-if="setNow" class="mt-3" data-testid="set-after">
          This job sets {{ names[job.side.value] }} to
          <b>{{ angleText(setNow.after.contact.edgeAngleDeg, setNow.after.uncertaintyDeg) }}</b> then, ±
          {{ angleText(setNow.after.uncertaintyDeg, setNow.after.uncertaintyDeg) }}: it said
          {{ angleText(setNow.before.contact.edgeAngleDeg, setNow.before.uncertaintyDeg) }} ±
          {{ angleText(setNow.before.uncertaintyDeg, setNow.before.uncertaintyDeg) }}.
        </p>
        <div v-if="calibration.fitFailure.value" role="alert" class="mt-2 flex flex-wrap items-center gap-2 text-error">
          {{ words.problem(calibration.fitFailure.value) }}
          <UButton color="neutral" variant="outline" label="Try again" @click="calibration.fitAgain" />
        </div>
        <p v-if="calibration.failure.value" role="alert" class="mt-2 text-error">{{ calibration.failure.value }}</p>
        <UButton
          class="mt-3"
          size="xl"
          label="Apply these corrections to the rig"
          :disabled="!fit || calibration.applied.value.length === 0"
          :loading="calibration.busy.value"
          @click="calibration.takeOver"
        />
        <p class="mt-1 text-sm text-muted">Other jobs go on with the measures they were done with.</p>
        <h3 class="mt-4 border-t border-default pt-3 font-semibold">The proofs that count</h3>
        <ul data-testid="counted">
          <li
            v-for="{ proof, angle, fitted, toRepeat } in proofs"
            :key="proof.id"
            class="flex flex-wrap items-baseline gap-x-4 border-t border-default py-1.5 first:border-t-0"
          >
            <span class="figure text-lg">{{ angleText(proof.deg, proof.uncertaintyDeg) }}</span>
            <span>{{ names[proof.side] }}, {{ jobName(proof.jobId) }}</span>
            <span v-if="fitted && fitted.beforeDeg !== null" class="text-sm text-muted"
              >{{ differenceText(proof.deg - fitted.beforeDeg) }} against set,
              {{ fitted.afterDeg === null ? '' : differenceText(proof.deg - fitted.afterDeg) }} with these; counts as ±
              {{ angleText(angle.uncertaintyDeg, angle.uncertaintyDeg) }}</span
            >
            <span v-if="toRepeat" class="text-error"
              >Repeat this proof: it differs by more than the tolerances and the other proofs explain. It is not
              applied.</span
            >
          </li>
        </ul>
      </template>
    </SheetPane>
    <div class="space-y-3">
      <SheetPane labelledby="may-move">
        <h2 id="may-move" class="text-lg font-semibold">What may be off</h2>
        <UCheckbox
          v-for="unknown in every"
          :key="wordOf(unknown)"
          class="mt-3"
          size="xl"
          :model-value="calibration.mayMove(unknown)"
          :label="wordOf(unknown)"
          @update:model-value="calibration.letMove(unknown, $event === true)"
        />
        <p class="mt-3 text-sm text-muted">Untick what you know is right; the rest is then determined better.</p>
      </SheetPane>
      <SheetPane v-if="proved.left.length > 0" labelledby="left-out">
        <h2 id="left-out" class="text-lg font-semibold">Proofs that do not count</h2>
        <ul data-testid="not-counted">
          <li
            v-for="{ proof, why } in proved.left"
            :key="proof.id"
            class="border-t border-default py-1.5 first:border-t-0"
          >
            {{ angleText(proof.deg, proof.uncertaintyDeg) }} on {{ names[proof.side] }}, {{ jobName(proof.jobId) }}
            <span class="block text-sm text-muted">{{ momentText(proof.at) }}: {{ NOT_COUNTED[why] }}</span>
          </li>
        </ul>
      </SheetPane>
    </div>
  </div>
</template>

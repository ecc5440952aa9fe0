<script setup lang="ts">
import { useWords } from '~/words/useWords'
import type { JobRecord } from '#core/records/storage/kinds'
import { cardOf } from '#core/process/card/sameAgain'
import { adviseDial } from '#core/geometry/dial/advised'
import { gripOf } from '#core/geometry/hold/grip'
import { fittedWith } from '#core/records/rig/jaws'
import { moved } from '#core/geometry/clamping/bladeHeight'
import { parseLengthMm } from '#core/math/units/length'
import { useJob } from '~/job/useJob'
import { useSameAgain } from './useSameAgain'
import { useForm } from '~/forms/useForm'
import { usePreferences } from '~/stores/preferences'
import { dialText } from '~/words/dialText'
import { lengthText } from '~/words/lengthText'
import { GRIP_TEXT } from '~/words/placementText'

/** The same again: an earlier job's hold taken over, and the correction when the blade is lower now. */
const { others, heldAs } = useSameAgain()
const job = useJob()
const { actions } = job
const preferences = usePreferences()
const words = useWords()
const text = (mm: number) => lengthText(mm, preferences.unit)

const take = (one: JobRecord) => void job.change(`the same again as in ${one.name}`, cardOf(one))
/** What stands against holding this blade as in an earlier job; null where the jaws of then hold it. */
const against = (one: JobRecord) => gripOf(job.blade.value, fittedWith(job.rig.value, one.jawsName)).trouble(one.hold)

const { form, beginAnew } = useForm(
  `worn:${job.id}`,
  () => ({ measured: '' }),
  ({ measured }, inNewUnit) => ({ measured: inNewUnit(measured) }),
)
const now = computed(() => {
  const [setup, evaluation] = [job.setup.value, job.dialFor.value]
  const parsed = parseLengthMm(form.value.measured, preferences.unit)
  if (form.value.measured.trim() === '') return null
  const figures = { text: form.value.measured }
  if (!parsed.ok) return { problem: words.problem({ code: 'not-a-length', figures }) }
  if (parsed.value <= 0) return { problem: words.problem({ code: 'edge-in-jaws' }) }
  const differsMm = parsed.value - evaluation.bladeHeightMm
  const hold = moved(setup.hold, 0, differsMm)
  return {
    problem: '',
    differsMm,
    heightMm: parsed.value,
    advice: adviseDial({ ...setup, hold }, job.side.value, job.toSetDeg.value, evaluation.edgePoint),
  }
})
const dialled = computed(() => dialText(job.rig.value, actions.dialledNow()))
function correct() {
  if (!now.value || now.value.problem || now.value.advice === undefined || now.value.heightMm === undefined) return
  const failure = actions.setBladeHeight(now.value.heightMm)
  if (failure === null && now.value.advice.ok) actions.dial(now.value.advice.setting)
  if (failure === null) void beginAnew()
}
</script>

<template>
  <SheetPane labelledby="same">
    <h2 id="same" class="text-lg font-semibold">The same again</h2>
    <p v-if="others.length === 0" class="text-sm text-muted">
      The next job with this blade on this rig begins with this card.
    </p>
    <ul v-else>
      <li
        v-for="one in others.slice(0, 4)"
        :key="one.id"
        class="flex items-center justify-between gap-2 border-t border-default py-1.5 first:border-t-0"
      >
        <span class="min-w-0 wrap-anywhere"
          >{{ one.name }}<span class="block text-sm text-muted">{{ one.updatedAt.slice(0, 10) }}</span></span
        ><span v-if="one.id === heldAs?.id" class="font-semibold">Held like this</span
        ><span v-else-if="against(one)" class="text-sm">Not as then: {{ GRIP_TEXT[against(one)!] }}.</span
        ><UButton
          v-else
          color="neutral"
          variant="outline"
          label="Hold it as then"
          :aria-label="`Hold it as in ${one.name}`"
          @click="take(one)"
        />
      </li>
    </ul>
    <UFormField
      class="mt-3"
      :label="`Blade height measured now, ${preferences.unit}`"
      help="Steel wears away: the blade stands lower than on the card."
      :error="now?.problem || undefined"
      ><UInput v-model="form.measured" size="lg" inputmode="decimal" class="w-full"
    /></UFormField>
    <div v-if="now && !now.problem && now.differsMm !== undefined" class="mt-2" aria-live="polite" data-testid="worn">
      <p>
        {{
          Math.abs(now.differsMm) < 0.05
            ? 'As on the card: nothing to correct.'
            : `${text(Math.abs(now.differsMm))} ${now.differsMm < 0 ? 'lower' : 'higher'} than on the card.`
        }}<template v-if="now.advice?.ok && Math.abs(now.differsMm) >= 0.05">
          Dial <b>{{ dialText(job.rig.value, now.advice.setting) }}</b> instead of {{ dialled }}.</template
        >
      </p>
      <UButton v-if="Math.abs(now.differsMm) >= 0.05" class="mt-2" size="lg" label="Use it" @click="correct" />
    </div>
  </SheetPane>
</template>

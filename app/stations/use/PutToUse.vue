<script setup lang="ts">
import { isFarOff } from '#core/process/steps/asGround'
import { isOpen } from '#core/process/steps/step'
import { useJob } from '~/job/useJob'
import { useNextStep } from '~/job/useNextStep'
import { sheetPath } from '~/navigation/stations'
import { usePreferences } from '~/stores/preferences'
import { angleText } from '~/words/angleText'
import { momentText } from '~/words/momentText'
import { farOffText } from '~/words/stepText'
import { capital } from '~/words/sentence'

/** The edge goes to use: what is open before it, and what the edge has from heel to tip. */
const job = useJob()
const { steps, next, asGround } = useNextStep()
const put = computed(() => steps.value.find(({ id }) => id === 'put-to-use'))
/** What is still open before the edge can be said to be ready. */
const before = computed(() => {
  const at = steps.value.findIndex(({ id }) => id === 'put-to-use')
  return steps.value.slice(0, at).filter(({ state }) => isOpen(state)).length
})
/** What the edge has along its length, when all other steps are done. */
const along = computed(() => (before.value === 0 ? asGround.value : []))
const preferences = usePreferences()
const names = computed(() => preferences.current.sideNames)
const isNext = computed(() => next.value?.id === 'put-to-use')
const putAt = computed(() => (put.value?.state.is === 'done' ? put.value.state.fact.at : null))
const isPut = computed(() => putAt.value !== null)
function putToUse() {
  if (isNext.value) job.session.record('put to use', [{ ...job.session.newEntry(), stoneId: null, kind: 'put-to-use' }])
}
</script>

<template>
  <SheetPane v-if="put" labelledby="ready">
    <h2 id="ready" class="text-lg font-semibold">Put the edge to use</h2>
    <p v-if="putAt" class="mt-1">Put to use {{ momentText(putAt) }}.</p>
    <p v-else-if="before > 0" class="mt-1 text-toned">
      {{ before === 1 ? 'One step is' : `${before} steps are` }} still open before it. The line above leads there.
    </p>
    <template v-if="along.length > 0">
      <h3 class="mt-3 font-medium">From heel to tip</h3>
      <ul data-testid="as-ground">
        <li v-for="one in along" :key="one.side" class="mt-1">
          {{ names[one.side] }}: {{ angleText(one.lowestDeg) }} to {{ angleText(one.highestDeg) }} per side,
          {{ one.proved ? 'by the proofs and the setting' : 'by the setting alone: nothing was proved' }}.
          <span v-if="isFarOff(one)" class="block font-semibold"
            >{{ capital(farOffText(one, job.blade.value, names)) }}.</span
          >
        </li>
      </ul>
      <p v-if="along.some(isFarOff)" class="mt-1 text-toned">
        <NuxtLink class="text-link" :to="sheetPath(job.id, 'clamp', 'even')">A better hold, or positions</NuxtLink>
        for parts of the edge, would bring it nearer. Then grind again.
      </p>
    </template>
    <UButton
      class="mt-3"
      size="xl"
      :variant="isNext ? 'solid' : 'outline'"
      :icon="isPut ? 'i-lucide-check' : undefined"
      :label="isPut ? 'Put to use' : 'Put it to use'"
      :aria-disabled="!isNext"
      data-focus="put-to-use"
      @click="putToUse"
    />
  </SheetPane>
  <SheetPane v-else label="Put to use">
    <p>This job only finds the angle: no edge is put to use.</p>
  </SheetPane>
</template>

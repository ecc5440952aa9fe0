<script setup lang="ts">
import { ofKind } from '#core/log/activeEntries'
import { setupChanges } from '#core/log/setAlike'
import { useJob } from '~/job/useJob'
import { usePreferences } from '~/stores/preferences'
import { lengthText } from '~/words/lengthText'
import { momentText } from '~/words/momentText'

/** The blade height was measured with the blade in the clamp: said by a hand, not taken from what was planned. */
const job = useJob()
const preferences = usePreferences()
const height = computed(() => lengthText(job.dialFor.value.bladeHeightMm, preferences.unit))
const last = computed(() => ofKind(job.entriesOfBlade.value, 'blade-height').at(-1) ?? null)
const isNow = computed(
  () =>
    last.value !== null && setupChanges(last.value.setup, job.setNow.value, 'A').every((part) => !MOVES.includes(part)),
)
const MOVES: readonly string[] = ['rig', 'jaws', 'hold']
function record() {
  if (isNow.value) return
  const heightMm = job.dialFor.value.bladeHeightMm
  job.session.record('measured blade height', [{ ...job.newEntry(), kind: 'blade-height', heightMm }])
}
</script>

<template>
  <div v-if="job.rig.value.jaws" class="mt-2 flex flex-wrap items-center gap-x-3 gap-y-1">
    <UButton
      color="neutral"
      variant="outline"
      size="lg"
      :icon="isNow ? 'i-lucide-check' : undefined"
      :label="isNow ? `Blade height measured: ${height}` : `I measured the blade height: ${height}`"
      :aria-disabled="isNow"
      data-focus="height-measured"
      @click="record"
    />
    <span v-if="last && isNow" class="text-sm text-toned">{{ momentText(last.at) }}</span>
    <span v-else class="text-sm text-toned">Other? Enter it under Measures first.</span>
  </div>
</template>

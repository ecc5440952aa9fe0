<script setup lang="ts">
import { standingOf } from '#core/use/standing'
import { ofKind } from '#core/log/activeEntries'
import { useJob } from '~/job/useJob'
import { momentText } from '~/words/momentText'

/** For whom the job is, until when, and where it stands. */
const job = useJob()
const standing = computed(() => standingOf(job.entriesOfBlade.value))
const handedBackAt = computed(() => ofKind(job.entriesOfBlade.value, 'handed-back').at(-1)?.at ?? null)
const STANDING_WORD = {
  received: 'Received, not begun',
  'on-the-bench': 'On the bench',
  ready: 'Ready to be handed back',
  'handed-back': 'Handed back',
} as const
const owner = computed(() => job.blade.value.owner)
const dueOn = computed({
  get: () => job.content.value.dueOn ?? '',
  set: (on) => job.change('day it is wanted back', { dueOn: on || null }),
})
function handBack() {
  job.session.record('handed back', [{ ...job.session.newEntry(), stoneId: null, kind: 'handed-back' }])
}
</script>

<template>
  <section class="space-y-2" aria-label="For whom, until when" data-testid="terms">
    <p>
      <b>{{ STANDING_WORD[standing] }}</b><template v-if="handedBackAt"> {{ momentText(handedBackAt) }}</template
      ><template v-if="owner"> · for {{ owner }}</template>
    </p>
    <UFormField label="Wanted back on"
      ><UInput v-model.lazy="dueOn" type="date" size="xl" min="2000-01-01" max="2999-12-31" class="w-full"
    /></UFormField>
    <UFormField label="Notes on this job"
      ><UTextarea
        :model-value="job.content.value.notes"
        size="lg"
        maxlength="4000"
        class="w-full"
        @change="job.change('notes', { notes: ($event.target as HTMLTextAreaElement).value })"
    /></UFormField>
    <UButton
      v-if="standing === 'ready' && !job.practising"
      size="xl"
      color="neutral"
      variant="outline"
      label="It was handed back"
      @click="handBack"
    />
  </section>
</template>

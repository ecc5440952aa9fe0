<script setup lang="ts">
import { standingOf, type Standing } from '#core/use/standing'
import { ofKind } from '#core/log/activeEntries'
import { useJob } from '~/job/useJob'
import { momentText } from '~/words/momentText'

/** For whom the job is, until when, and where it stands. */
const job = useJob()
const standing = computed(() => standingOf(job.entriesOfBlade.value))
const handedBack = computed(() => ofKind(job.entriesOfBlade.value, 'handed-back').at(-1) ?? null)
const STANDING_WORD: Readonly<Record<Standing, string>> = {
  received: 'Received, not begun',
  'on-the-bench': 'On the bench',
  ready: 'Ready to be handed back',
  'handed-back': 'Handed back',
}
const owner = computed(() => job.blade.value.owner)
const problem = ref('')
const setDueOn = (on: string) =>
  (problem.value = job.change('day it is wanted back', { dueOn: on === '' ? null : on }) ?? '')
const handBack = () =>
  void job.session.record('handed back', [{ ...job.session.newEntry(), stoneId: null, kind: 'handed-back' }])
function notHandedBack() {
  if (handedBack.value) job.session.record('not handed back', [], [handedBack.value.id])
}
</script>

<template>
  <section class="space-y-2" aria-label="For whom, until when" data-testid="terms">
    <p>
      <b>{{ STANDING_WORD[standing] }}</b><template v-if="standing === 'handed-back' && handedBack">
        {{ momentText(handedBack.at) }}</template
      ><template v-if="owner"> · for {{ owner }}</template>
    </p>
    <UFormField label="Wanted back on" :error="problem"
      ><UInput
        :model-value="job.content.value.dueOn ?? ''"
        type="date"
        size="xl"
        min="2000-01-01"
        max="2999-12-31"
        class="w-full"
        @change="setDueOn(($event.target as HTMLInputElement).value)"
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
      label="Record that it was handed back"
      @click="handBack"
    />
    <UButton
      v-if="standing === 'handed-back' && !job.practising"
      size="xl"
      color="neutral"
      variant="outline"
      label="It is still here"
      @click="notHandedBack"
    />
  </section>
</template>

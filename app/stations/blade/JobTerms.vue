<script setup lang="ts">
import { standingOf } from '#core/use/standing'
import { ofKind } from '#core/log/activeEntries'
import { useJob } from '~/job/useJob'
import { useCollections } from '~/stores/collections'
import { sheetPath } from '~/navigation/stations'
import { momentText } from '~/words/momentText'
import { STANDING_WORD } from '~/words/standingText'

/** For whom the job is, until when, and where it stands. */
const job = useJob()
const standing = computed(() => standingOf(job.entriesOfBlade.value))
const handedBack = computed(() => ofKind(job.entriesOfBlade.value, 'handed-back').at(-1) ?? null)
const owner = computed(() => job.blade.value.owner)
const collections = useCollections()
/** What is known of the owner; undefined where only the name is. */
const known = computed(() => collections.owners.find(({ name }) => name === owner.value))
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
      ><template v-if="owner">
        · for
        <NuxtLink v-if="known" class="text-link" :to="`/owners/${known.id}`">{{ owner }}</NuxtLink><template v-else>{{
          owner
        }}</template></template
      >
    </p>
    <p v-if="known?.wishes" class="whitespace-pre-line wrap-anywhere"><b>Wishes:</b> {{ known.wishes }}</p>
    <p v-if="known?.reach" class="text-sm whitespace-pre-line wrap-anywhere text-muted">{{ known.reach }}</p>
    <UFormField label="Wanted back on" :error="problem || undefined"
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
    <NuxtLink v-if="!job.practising" class="text-link" :to="sheetPath(job.id, 'use', 'ticket')"
      >Ticket, and what the owner is told</NuxtLink
    >
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

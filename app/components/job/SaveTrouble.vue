<script setup lang="ts">
import equal from 'fast-deep-equal'
import { job as jobSchema, type Job } from '#core/job/job'
import { useJob } from '~/job/useJob'
import { useSaving } from '~/job/useSaving'
import { usePreferences } from '~/stores/preferences'
import { problemText } from '~/words/problemText'

/** Stands over the bench while a change is not kept, or while two versions stand against each other. */
const job = useJob()
const preferences = usePreferences()
const toast = useToast()
const { standing, retry } = useSaving(job)
const theirs = computed(() => {
  const state = job.session.saveState.value
  return state.is === 'conflict' ? jobSchema.parse(state.theirs) : null
})
const message = computed(() => (standing.value.problem ? problemText(standing.value.problem, preferences.unit) : ''))

watch(job.session.notice, (notice) => {
  if (notice?.is === 'undo-ends-with-page')
    toast.add({ title: 'The browser’s storage is full: undo lasts only as long as this page stays open.' })
  if (notice?.is === 'step-no-longer-fits')
    toast.add({ title: `“${notice.label}” cannot be taken back: it was changed elsewhere since.` })
})

const WORDS: Partial<Record<keyof Job, string>> = {
  name: 'Name',
  hold: 'How it is held',
  dialled: 'What is dialled',
  wanted: 'Wanted angle',
  rigId: 'Rig',
  bladeId: 'Blade',
  stoneId: 'Stone',
  lookAtMm: 'Place along the edge',
  notes: 'Notes',
}
const differing = computed(() => {
  const [mine, other] = [job.content.value, theirs.value]
  if (!other) return []
  return (Object.keys(WORDS) as (keyof Job)[])
    .filter((key) => !equal(mine[key], other[key]))
    .map((key) => ({ key, word: WORDS[key], mine: valueText(mine[key]), theirs: valueText(other[key]) }))
})

/** A value in a few words: enough to tell one version from the other. */
function valueText(value: unknown): string {
  if (typeof value !== 'object' || value === null) return String(value ?? '–')
  return Object.entries(value)
    .flatMap(([key, part]) =>
      key === 'linked' || key === 'by' || part === ''
        ? []
        : typeof part === 'object' && part !== null
          ? [`${key} ${valueText(part)}`]
          : [
              `${key.replace(/(Mm|Deg)$/, '')} ${typeof part === 'number' ? Math.round(part * 100) / 100 : (part ?? '–')}`,
            ],
    )
    .join(', ')
}
</script>

<template>
  <div
    v-if="message"
    role="alert"
    class="flex flex-wrap items-center gap-3 border-b border-error bg-default px-4 py-2 text-error"
  >
    <UIcon name="i-lucide-triangle-alert" class="size-5" />
    <span class="flex-1">{{ message }}</span>
    <UButton v-if="standing.is === 'waiting'" color="error" variant="outline" label="Try now" @click="retry()" />
  </div>
  <UModal
    :open="theirs !== null"
    :dismissible="false"
    :close="false"
    title="This job was changed elsewhere"
    description="Both versions are here. Keep one; the other can be brought back with Undo."
  >
    <template #body>
      <table class="w-full text-left">
        <thead>
          <tr>
            <th class="pb-1 pr-3"><span class="sr-only">What</span></th>
            <th class="pb-1 pr-3">Here</th>
            <th class="pb-1">Elsewhere</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="row in differing" :key="row.key" class="border-t border-default align-top">
            <th class="py-1.5 pr-3 font-medium">{{ row.word }}</th>
            <td class="py-1.5 pr-3">{{ row.mine }}</td>
            <td class="py-1.5">{{ row.theirs }}</td>
          </tr>
        </tbody>
      </table>
      <p v-if="differing.length === 0">The two versions say the same.</p>
    </template>
    <template #footer>
      <UButton size="lg" label="Keep what is here" @click="job.session.resolve('mine')" />
      <UButton
        size="lg"
        color="neutral"
        variant="outline"
        label="Take the other"
        @click="job.session.resolve('theirs')"
      />
    </template>
  </UModal>
</template>

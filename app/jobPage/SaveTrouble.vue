<script setup lang="ts">
import { useJob } from '~/job/useJob'
import { useSaving } from '~/job/useSaving'
import { useCollections } from '~/stores/collections'
import { usePreferences } from '~/stores/preferences'
import { jobDifferences } from '~/words/jobText'
import { problemText } from '~/words/problemText'

/** Stands over the bench while a change is not kept, or while two versions stand against each other. */
const job = useJob()
const preferences = usePreferences()
const collections = useCollections()
const toast = useToast()
const { standing, retry } = useSaving(job)
const between = computed(() => {
  const state = job.session.saveState.value
  return state.is === 'conflict' ? state.between : null
})
const message = computed(() => (standing.value.problem ? problemText(standing.value.problem, preferences.unit) : ''))

// The other hand may have taken a blade that is not known here.
watch(between, (now) => now && void collections.learnBlade(now.theirs.bladeId))
watch(job.session.notice, (notice) => {
  if (notice?.is === 'undo-ends-with-page')
    toast.add({ title: 'The browser’s storage is full: undo lasts only as long as this page stays open.' })
  if (notice?.is === 'step-no-longer-fits')
    toast.add({ title: `“${notice.label}” cannot be taken back: it was changed elsewhere since.` })
})

const differing = computed(() =>
  between.value
    ? jobDifferences(between.value.mine, between.value.theirs, {
        unit: preferences.unit,
        sideNames: preferences.current.sideNames,
        rig: (of) => collections.rigAt(of.rigId, of.rigRevision),
        name: collections.nameOf,
        heelToMiddleMm: (of) => job.actions.heelToMiddle(of.hold),
      })
    : [],
)
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
    :open="between !== null"
    :dismissible="false"
    :close="false"
    title="The same was changed elsewhere"
    description="Choose what stands. All else that either hand changed is kept; taking the other can be undone."
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
          <tr v-for="row in differing" :key="row.word" class="border-t border-default align-top">
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

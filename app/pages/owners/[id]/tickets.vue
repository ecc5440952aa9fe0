<script setup lang="ts">
import { MOST_LISTED_AT_ONCE } from '#core/exchange/api/lists'
import { useFoundPart } from '~/composables/useFoundPart'
import { useCollections } from '~/stores/collections'
import { useWords } from '~/words/useWords'
import { momentText } from '~/words/momentText'

/** The tickets of an owner's jobs on the bench, to be printed and cut apart. */
const collections = useCollections()
const words = useWords()
const route = useRoute()
const owner = computed(() => collections.owners.find(({ id }) => id === route.params.id) ?? null)
const { ids, problem, part } = useFoundPart(collections.findJobs, () =>
  owner.value ? { owner: owner.value.name, limit: MOST_LISTED_AT_ONCE } : null,
)
const tickets = computed(() =>
  ids.value
    .flatMap((id) => {
      const job = collections.jobs.find((one) => one.id === id)
      const blade = collections.blades.find((one) => one.id === job?.bladeId)
      return job && blade ? [{ job, blade, begunOn: momentText(job.createdAt).slice(0, 10) }] : []
    })
    .sort((one, other) => one.job.name.localeCompare(other.job.name, undefined, { numeric: true })),
)
const print = () => window.print()
useHead({ title: () => `Tickets, ${owner.value?.name ?? ''} · Jaw Tilt` })
</script>

<template>
  <main id="work" class="mx-auto w-full max-w-5xl px-4 py-6">
    <div class="mb-4 flex flex-wrap items-end justify-between gap-2">
      <h1 class="text-2xl font-semibold wrap-anywhere">Tickets, {{ owner?.name }}</h1>
      <div class="flex gap-2">
        <UButton
          :to="`/owners/${String(route.params.id)}`"
          color="neutral"
          variant="outline"
          size="xl"
          label="Back"
          icon="i-lucide-arrow-left"
        />
        <UButton size="xl" icon="i-lucide-printer" label="Print" :disabled="tickets.length === 0" @click="print" />
      </div>
    </div>
    <p v-if="problem" role="alert" class="text-error">{{ words.problem(problem) }}</p>
    <p v-else-if="part && tickets.length === 0" class="pane">No job with a blade of theirs is on the bench.</p>
    <div class="print-sheet">
      <div class="grid gap-3 sm:grid-cols-2 print:grid-cols-2">
        <BladeTicket
          v-for="{ job, blade, begunOn } in tickets"
          :key="job.id"
          class="break-inside-avoid rounded-sm border border-dashed border-accented bg-default p-4"
          :name="job.name"
          :blade="blade"
          :job="job"
          :owner="owner"
          :begun-on="begunOn"
        />
      </div>
    </div>
  </main>
</template>

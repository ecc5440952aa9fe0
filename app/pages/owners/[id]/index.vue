<script setup lang="ts">
import { useFoundPart } from '~/composables/useFoundPart'
import { useArchiving } from '~/shelf/useArchiving'
import { useCollections } from '~/stores/collections'
import { useLog } from '~/stores/log'
import { useWords } from '~/words/useWords'

/** An owner: how to reach them, what they wish, their blades, and their jobs on the bench. */
const collections = useCollections()
useLog()
const words = useWords()
const route = useRoute()
const { shelve } = useArchiving('owners')
const owner = computed(() => collections.owners.find(({ id }) => id === route.params.id) ?? null)
const name = computed(() => owner.value?.name ?? '')
const changing = ref(false)
const asked = computed(() => (name.value === '' ? null : { owner: name.value }))
const {
  part: bladePart,
  ids: bladeIds,
  problem: noBlades,
  left: bladesLeft,
  more: moreBlades,
} = useFoundPart(
  collections.findBlades,
  () => asked.value,
  () => collections.bladesChanged,
)
const blades = computed(() =>
  bladeIds.value.flatMap((id) => collections.blades.find((one) => one.id === id && !one.archivedAt) ?? []),
)
const {
  part: jobPart,
  ids: jobIds,
  problem: noJobs,
  left: jobsLeft,
  more: moreJobs,
} = useFoundPart(
  collections.findJobs,
  () => asked.value,
  () => collections.bench.total,
)
const jobs = computed(() =>
  jobIds.value.flatMap((id) => collections.jobs.find((one) => one.id === id && !one.archivedAt) ?? []),
)
const problem = computed(() => noBlades.value ?? noJobs.value)
const startPath = computed(() => ({ path: '/start', query: { owner: name.value } }))
const newBlade = computed(() => ({ path: '/shelf/blade', query: { owner: name.value } }))
useHead({ title: () => `${name.value || 'Owner'} · Jaw Tilt` })
</script>

<template>
  <main id="work" class="mx-auto w-full max-w-5xl space-y-4 px-4 py-6">
    <template v-if="owner">
      <div class="flex flex-wrap items-end justify-between gap-x-4 gap-y-2">
        <h1 class="text-2xl font-semibold wrap-anywhere">{{ owner.name }}</h1>
        <div class="flex flex-wrap gap-2">
          <UButton to="/owners" color="neutral" variant="outline" size="xl" label="Owners" icon="i-lucide-arrow-left" />
          <UButton
            color="neutral"
            variant="outline"
            size="xl"
            icon="i-lucide-pencil-line"
            label="Change"
            @click="() => void (changing = true)"
          />
          <UButton
            color="neutral"
            variant="outline"
            size="xl"
            icon="i-lucide-archive"
            :label="owner.archivedAt ? 'Unarchive' : 'Archive'"
            @click="shelve(owner, !owner.archivedAt)"
          />
        </div>
      </div>
      <dl class="pane grid gap-x-6 gap-y-2 sm:grid-cols-[auto_1fr]">
        <template
          v-for="[term, said] in [
            ['How to reach them', owner.reach],
            ['Wishes', owner.wishes],
            ['Notes', owner.notes],
          ]"
          :key="term"
          ><template v-if="said"
            ><dt class="text-muted">{{ term }}</dt>
            <dd class="whitespace-pre-line wrap-anywhere">{{ said }}</dd></template
          ></template
        >
        <p v-if="!owner.reach && !owner.wishes && !owner.notes" class="text-muted">
          Nothing is said of them yet: how to reach them, and what they wish for their blades.
        </p>
      </dl>
      <p v-if="problem" role="alert" class="text-error">{{ words.problem(problem) }}</p>
      <section class="pane" aria-labelledby="their-blades">
        <div class="mb-2 flex flex-wrap items-center justify-between gap-2">
          <h2 id="their-blades" class="text-xl font-semibold">
            Blades<template v-if="bladePart">: {{ bladePart.total }}</template>
          </h2>
          <div class="flex flex-wrap gap-2">
            <UButton
              :to="newBlade"
              color="neutral"
              variant="outline"
              size="xl"
              icon="i-lucide-plus"
              label="A new blade"
            />
            <UButton
              v-if="blades.length > 0 && collections.canStart"
              :to="startPath"
              size="xl"
              icon="i-lucide-list-checks"
              label="Start jobs"
            />
          </div>
        </div>
        <ul v-if="blades.length > 0" class="grid grid-cols-1 gap-3 sm:grid-cols-2 lg:grid-cols-3">
          <li v-for="blade in blades" :key="blade.id" class="rounded-sm border border-default p-3">
            <BladeCard :blade="blade" hides-owner />
          </li>
        </ul>
        <p v-else-if="bladePart" class="text-muted">No blade is said to be theirs yet.</p>
        <UButton
          v-if="bladePart?.next"
          class="mt-3"
          color="neutral"
          variant="outline"
          size="xl"
          :label="`Show more, ${bladesLeft} are left`"
          @click="moreBlades"
        />
        <BladeCopies
          v-if="blades.length > 0"
          class="mt-4 border-t border-default pt-3"
          :blades="blades"
          :owner="name"
        />
      </section>
      <section aria-labelledby="their-jobs">
        <div class="mb-2 flex flex-wrap items-center justify-between gap-2">
          <h2 id="their-jobs" class="text-xl font-semibold">On the bench</h2>
          <UButton
            v-if="jobs.length > 0"
            :to="`/owners/${owner.id}/tickets`"
            color="neutral"
            variant="outline"
            size="xl"
            icon="i-lucide-printer"
            label="Tickets"
          />
        </div>
        <ul v-if="jobs.length > 0" class="pane divide-y divide-default p-0" aria-label="Their jobs on the bench">
          <JobRow v-for="job in jobs" :key="job.id" :job="job" />
        </ul>
        <p v-else-if="jobPart" class="pane text-muted">No job with a blade of theirs is on the bench.</p>
        <UButton
          v-if="jobPart?.next"
          class="mt-3"
          color="neutral"
          variant="outline"
          size="xl"
          :label="`Show more, ${jobsLeft} are left`"
          @click="moreJobs"
        />
      </section>
      <OwnerPanel v-model:open="changing" :from="owner" />
    </template>
    <template v-else-if="collections.loaded">
      <h1 class="text-xl font-semibold">There is no such owner here</h1>
      <UButton size="lg" to="/owners" label="Owners" />
    </template>
    <p v-else class="text-muted" aria-busy="true">Loading…</p>
  </main>
</template>

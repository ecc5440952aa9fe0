<script setup lang="ts">
import { lastJobs, type LastJobs } from '#core/kept/lists'
import { useWords } from '~/composables/useWords'
import { ask } from '~/saving/api'
import { useCollections } from '~/stores/collections'
import { sheetPath } from '~/stations'

/** A new job: which blade is it? Rig, stone and hold then come from the last job with it. */
const collections = useCollections()
const words = useWords()
const router = useRouter()
const busy = ref('')
const sought = ref('')
const MANY = 9
/** When each was last done; null while that is asked for. */
const last = shallowRef<ReadonlyMap<string, LastJobs[number]> | null>(null)
onMounted(async () => {
  const answer = await ask(lastJobs, '/api/last-jobs')
  last.value = new Map((answer.ok ? answer.value : []).map((one) => [one.bladeId, one]))
})
const lastAt = (id: string) => last.value?.get(id)?.updatedAt ?? ''
const blades = computed(() =>
  collections.blades.filter((one) => one.archivedAt === null).sort((a, b) => lastAt(b.id).localeCompare(lastAt(a.id))),
)
const found = computed(() => {
  const text = sought.value.trim().toLowerCase()
  return blades.value.filter((one) => `${one.name} ${one.owner} ${one.use}`.toLowerCase().includes(text))
})
const rigName = (bladeId: string) => {
  const done = last.value?.get(bladeId)
  return done ? `${done.updatedAt.slice(0, 10)} on ${collections.nameOf(done.rigId)}` : 'not done here yet'
}
/** So many are drawn at once: the others are found by their words. */
const MOST_DRAWN = 60
async function start(bladeId: string) {
  if (busy.value) return
  busy.value = bladeId
  const job = await collections.startJob(bladeId)
  const experience = last.value?.has(bladeId)
  busy.value = ''
  // What was done before stands ready at the clamp; what is new begins with which rig.
  if (job) await router.replace(sheetPath(job.id, experience ? 'clamp' : 'rig'))
}
useHead({ title: 'Start a job · Jaw Tilt' })
</script>

<template>
  <main id="work" class="mx-auto w-full max-w-6xl px-4 py-6">
    <div class="mb-1 flex items-end justify-between gap-4">
      <h1 class="text-2xl font-semibold">Which blade is it?</h1>
      <UButton
        to="/shelf/blade?then=start"
        color="neutral"
        variant="outline"
        size="xl"
        icon="i-lucide-plus"
        label="A new blade"
      />
    </div>
    <template v-if="collections.loaded && last">
      <EmptyStart v-if="!collections.canStart" class="mt-4" />
      <template v-else>
        <p class="mb-3 text-muted">Rig, stone and hold are taken from the last job with it.</p>
        <UInput
          v-if="blades.length > MANY"
          v-model="sought"
          size="xl"
          icon="i-lucide-search"
          placeholder="Name, owner or use"
          aria-label="Find a blade"
          class="mb-3 w-full max-w-md"
        />
        <ul class="grid gap-3 sm:grid-cols-2 lg:grid-cols-3">
          <li v-for="blade in found.slice(0, MOST_DRAWN)" :key="blade.id">
            <button
              type="button"
              class="choice-card block w-full border border-default text-left"
              :disabled="busy !== ''"
              @click="start(blade.id)"
            >
              <BladeCard :blade="blade" /><span class="mt-1 block truncate text-sm text-muted">{{
                rigName(blade.id)
              }}</span>
            </button>
          </li>
        </ul>
        <p v-if="found.length > MOST_DRAWN" class="mt-3 text-muted">
          And {{ found.length - MOST_DRAWN }} more: look for them by name, owner or use.
        </p>
        <p v-if="found.length === 0" class="text-muted">No blade is called so.</p>
      </template>
      <p v-if="collections.problem" role="alert" class="mt-3 text-error">{{ words.problem(collections.problem) }}</p>
    </template>
    <p v-else class="text-muted" aria-busy="true">Looking along the shelf…</p>
  </main>
</template>

<script setup lang="ts">
import type { LastJob } from '#core/exchange/api/lists'
import { useWords } from '~/words/useWords'
import { useCollections } from '~/stores/collections'
import { sheetPath } from '~/navigation/stations'

/** A new job: which blade is it? Rig, stone and hold then come from the last job with it. */
const collections = useCollections()
const words = useWords()
const router = useRouter()
const busy = ref('')
const route = useRoute()
/** Whose blades alone are shown; an account comes with several. */
const owner = computed(() => (typeof route.query.owner === 'string' ? route.query.owner : ''))
const several = ref(owner.value !== '')
const chosen = ref<string[]>([])
const toggle = (id: string) =>
  (chosen.value = chosen.value.includes(id) ? chosen.value.filter((one) => one !== id) : [...chosen.value, id])
/** A blade that is on the bench already is chosen by hand alone. */
const free = (shown: readonly { id: string }[], last: ReadonlyMap<string, LastJob>) =>
  shown.map(({ id }) => id).filter((id) => !last.get(id)?.isOnBench)
const areChosen = (ids: readonly string[]) => ids.length > 0 && ids.every((id) => chosen.value.includes(id))
const chooseAll = (ids: readonly string[]) => void (chosen.value = areChosen(ids) ? [] : [...ids])
const lastText = (last: LastJob | undefined) =>
  last
    ? `${last.isOnBench ? 'on the bench, ' : ''}${last.updatedAt.slice(0, 10)} on ${collections.nameOf(last.rigId)}`
    : 'not done here yet'
async function start(bladeId: string, last: LastJob | undefined) {
  if (several.value) return toggle(bladeId)
  if (busy.value) return
  busy.value = bladeId
  const job = await collections.startJob(bladeId)
  busy.value = ''
  // What was done before stands ready at the clamp; what is new begins with which rig.
  if (job) await router.replace(sheetPath(job.id, last ? 'clamp' : 'rig'))
}
useHead({ title: 'Start a job · Jaw Tilt' })
</script>

<template>
  <main id="work" class="mx-auto w-full max-w-6xl px-4 py-6">
    <div class="mb-1 flex flex-wrap items-end justify-between gap-x-4 gap-y-2">
      <h1 class="text-2xl font-semibold">Which blade is it?</h1>
      <UButton
        v-if="collections.loaded && collections.canStart"
        class="ml-auto"
        :color="several ? 'primary' : 'neutral'"
        :variant="several ? 'solid' : 'outline'"
        size="xl"
        icon="i-lucide-list-checks"
        label="Several at once"
        :aria-pressed="several"
        @click="() => void (several = !several)"
      />
      <UButton
        to="/shelf/blade?then=start"
        color="neutral"
        variant="outline"
        size="xl"
        icon="i-lucide-plus"
        label="A new blade"
      />
    </div>
    <template v-if="collections.loaded">
      <EmptyStart v-if="!collections.canStart" class="mt-4" />
      <template v-else>
        <p class="mb-3 text-muted">
          <template v-if="owner"
            >Blades of {{ owner }}. <NuxtLink class="text-link" to="/start">All blades</NuxtLink>. </template
          >Rig, stone and hold are taken from the last job with it.
        </p>
        <BatchStart v-if="several" class="mb-3" :blade-ids="chosen" :owner="owner" @started="toggle" />
        <BladeList :key="owner" v-slot="{ blades, last }" :owner="owner">
          <UButton
            v-if="several"
            class="mb-3"
            color="neutral"
            variant="outline"
            size="xl"
            :label="areChosen(free(blades, last)) ? 'Choose none' : 'Choose all that are not on the bench'"
            :disabled="free(blades, last).length === 0"
            @click="chooseAll(free(blades, last))"
          />
          <ul class="grid grid-cols-1 gap-3 sm:grid-cols-2 lg:grid-cols-3">
            <li v-for="blade in blades" :key="blade.id">
              <button
                type="button"
                class="choice-card block w-full border border-default text-left aria-pressed:border-primary aria-pressed:ring-2 aria-pressed:ring-primary"
                :aria-pressed="several ? chosen.includes(blade.id) : undefined"
                :disabled="busy !== ''"
                @click="start(blade.id, last.get(blade.id))"
              >
                <BladeCard :blade="blade" /><span class="mt-1 block text-sm wrap-anywhere text-muted">{{
                  lastText(last.get(blade.id))
                }}</span>
              </button>
            </li>
          </ul>
        </BladeList>
      </template>
      <p v-if="collections.problem" role="alert" class="mt-3 text-error">{{ words.problem(collections.problem) }}</p>
    </template>
    <p v-else class="text-muted" aria-busy="true">Loading…</p>
  </main>
</template>

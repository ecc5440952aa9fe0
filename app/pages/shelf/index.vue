<script setup lang="ts">
import { describingAt } from '~/describing/useDescribing'
import { useCollections } from '~/stores/collections'

/** What there is to work with, without a job: rigs, blades and stones, described, measured anew, copied, put away. */
const collections = useCollections()
const router = useRouter()
const chosen = reactive({ rig: '', blade: '', stone: '' })
const there = <T extends { archivedAt: string | null }>(things: readonly T[]) =>
  things.filter((thing) => thing.archivedAt === null)
const rigs = computed(() => there(collections.rigs))
const blades = computed(() => there(collections.blades))
const describe = (thing: 'rig' | 'blade', from: { id: string } | null, copy: boolean) =>
  void router.push(describingAt(`/shelf/${thing}`, from, copy))
useHead({ title: 'The shelf · Jaw Tilt' })
</script>

<template>
  <main id="work" class="mx-auto w-full max-w-[90rem] px-4 py-6">
    <div class="mb-4 flex items-end justify-between gap-4">
      <h1 class="text-2xl font-semibold">The shelf</h1>
      <UButton to="/" color="neutral" variant="outline" size="xl" label="The bench" icon="i-lucide-arrow-left" />
    </div>
    <div v-if="collections.loaded" class="grid items-start gap-6 lg:grid-cols-3">
      <section class="pane" aria-labelledby="rigs">
        <h2 id="rigs" class="mb-2 text-xl font-semibold">Rigs</h2>
        <ToolActions
          class="mb-3"
          kind="rigs"
          :chosen="rigs.find((one) => one.id === chosen.rig) ?? null"
          :things="collections.rigs"
          word="rig"
          @describe="(from, copy) => describe('rig', from, copy)"
        />
        <p v-if="rigs.length === 0" class="mb-2 text-toned">
          None yet. Its pivot, its jaws and how its height is set: a rule and a calliper will do.
        </p>
        <CardChoice
          v-else
          v-slot="{ thing }"
          :things="rigs"
          :chosen="chosen.rig"
          label="Rig"
          @choose="chosen.rig = $event"
        >
          <RigCard :rig="thing" />
        </CardChoice>
      </section>
      <section class="pane" aria-labelledby="blades">
        <h2 id="blades" class="mb-2 text-xl font-semibold">Blades</h2>
        <ToolActions
          class="mb-3"
          kind="blades"
          :chosen="blades.find((one) => one.id === chosen.blade) ?? null"
          :things="collections.blades"
          word="blade"
          @describe="(from, copy) => describe('blade', from, copy)"
        />
        <p v-if="blades.length === 0" class="mb-2 text-toned">
          None yet. The shape of its edge, its thickness and its grind: from the library, a photograph or a drawing.
        </p>
        <CardChoice
          v-else
          v-slot="{ thing }"
          :things="blades"
          :chosen="chosen.blade"
          label="Blade"
          @choose="chosen.blade = $event"
        >
          <BladeCard :blade="thing" />
        </CardChoice>
      </section>
      <div class="pane">
        <StoneBox
          title="Stones"
          :chosen="chosen.stone"
          @choose="chosen.stone = $event"
          @described="chosen.stone = $event.id"
        />
        <ToolExchange class="mt-6" />
      </div>
    </div>
    <SampleRoom v-if="collections.loaded" class="mt-6" />
    <p v-else class="text-muted" aria-busy="true">Looking along the shelf…</p>
  </main>
</template>

<script setup lang="ts">
import { useCollections } from '~/stores/collections'

/** What there is to work with, without a job: rigs, blades, stones and instruments. */
const collections = useCollections()
const stoneId = ref('')
useHead({ title: 'The shelf · Jaw Tilt' })
</script>

<template>
  <main id="work" class="mx-auto w-full max-w-[90rem] px-4 py-6">
    <div class="mb-4 flex flex-wrap items-end justify-between gap-x-4 gap-y-2">
      <h1 class="text-2xl font-semibold">The shelf</h1>
      <div class="flex gap-2">
        <UButton to="/owners" color="neutral" variant="outline" size="xl" label="Owners" icon="i-lucide-users" />
        <UButton to="/" color="neutral" variant="outline" size="xl" label="The bench" icon="i-lucide-arrow-left" />
      </div>
    </div>
    <template v-if="collections.loaded">
      <div class="grid items-start gap-6 lg:grid-cols-3">
        <ShelfOf
          v-slot="{ record }"
          kind="rigs"
          word="rig"
          title="Rigs"
          empty="None yet. Its pivot, its jaws and how its height is set: a rule and a calliper will do."
          :records="collections.rigs"
          ><RigCard :rig="record"
        /></ShelfOf>
        <ShelfOf
          v-slot="{ record }"
          kind="blades"
          word="blade"
          title="Blades"
          empty="None yet. The shape of its edge, its thickness and its grind: from the library, a photograph or a drawing."
          :records="collections.blades"
          ><BladeCard :blade="record"
        /></ShelfOf>
        <div class="pane">
          <StoneBox title="Stones" :chosen="stoneId" @choose="stoneId = $event" @described="stoneId = $event.id" />
          <ToolExchange class="mt-6" />
          <InstrumentBox class="mt-6 border-t border-default pt-4" />
        </div>
      </div>
      <SampleRoom class="mt-6" />
    </template>
    <p v-else class="text-muted" aria-busy="true">Looking along the shelf…</p>
  </main>
</template>

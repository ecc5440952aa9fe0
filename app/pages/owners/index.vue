<script setup lang="ts">
import type { OwnerRecord } from '#core/records/storage/kinds'
import { useOwnerNames } from '~/owners/useOwnerNames'
import { useArchiving } from '~/shelf/useArchiving'
import { useCollections } from '~/stores/collections'
import { useWords } from '~/words/useWords'

/** Whose blades there are: those with a record, and names that stand on blades alone. */
const collections = useCollections()
const words = useWords()
const { names, problem, asked, load } = useOwnerNames()
const { putBack } = useArchiving('owners')
const sought = ref('')
const FEW = 9
const all = computed(() => {
  const counted = new Map(names.value.map(({ name, blades }) => [name, blades]))
  const kept = collections.owners.filter((one) => one.archivedAt === null)
  const known = new Set(collections.owners.map(({ name }) => name))
  const rows = [
    ...kept.map(({ id, name, reach }) => ({ id, name, reach, blades: counted.get(name) ?? 0 })),
    ...names.value
      .filter(({ name }) => !known.has(name))
      .map(({ name, blades }) => ({ id: null, name, reach: '', blades })),
  ]
  return rows.sort((one, other) => one.name.localeCompare(other.name))
})
const found = computed(() => {
  const asked = sought.value.trim().toLocaleLowerCase()
  return all.value.filter(({ name, reach }) => `${name} ${reach}`.toLocaleLowerCase().includes(asked))
})
const away = computed(() => collections.owners.filter((one) => one.archivedAt !== null))
const bladesText = (count: number) => (count === 0 ? 'no blade' : count === 1 ? 'one blade' : `${count} blades`)
const described = ref<{ readonly name: string } | null>(null)
const open = computed({ get: () => described.value !== null, set: (is) => !is && (described.value = null) })
const opened = ({ id }: OwnerRecord) => void navigateTo(`/owners/${id}`)
const describe = (name: string) => void (described.value = { name })
useHead({ title: 'Owners · Jaw Tilt' })
</script>

<template>
  <main id="work" class="mx-auto w-full max-w-3xl px-4 py-6">
    <div class="mb-4 flex flex-wrap items-end justify-between gap-x-4 gap-y-2">
      <h1 class="text-2xl font-semibold">Owners</h1>
      <div class="flex gap-2">
        <UButton to="/" color="neutral" variant="outline" size="xl" label="The bench" icon="i-lucide-arrow-left" />
        <UButton size="xl" icon="i-lucide-plus" label="New owner" @click="describe('')" />
      </div>
    </div>
    <p v-if="problem" role="alert" class="mb-3 text-error">
      {{ words.problem(problem) }} <button type="button" class="text-link" @click="load">Try again</button>
    </p>
    <template v-if="collections.loaded && asked">
      <UInput
        v-if="all.length > FEW"
        v-model="sought"
        size="xl"
        icon="i-lucide-search"
        placeholder="Name, telephone, address"
        aria-label="Find an owner"
        class="mb-3 w-full max-w-md"
      />
      <ul v-if="found.length > 0" class="pane divide-y divide-default p-0" aria-label="Owners">
        <li
          v-for="one in found"
          :key="one.name"
          class="relative flex flex-wrap items-baseline justify-between gap-x-3 px-4 py-3 hover:bg-elevated"
        >
          <NuxtLink
            v-if="one.id"
            :to="`/owners/${one.id}`"
            class="text-lg font-semibold wrap-anywhere after:absolute after:inset-0"
            >{{ one.name }}</NuxtLink
          >
          <button
            v-else
            type="button"
            class="text-left text-lg wrap-anywhere after:absolute after:inset-0"
            @click="describe(one.name)"
          >
            {{ one.name }} <span class="text-base text-link">Add how to reach them</span>
          </button>
          <span class="text-muted">{{ bladesText(one.blades) }}</span>
          <span v-if="one.reach" class="w-full truncate text-sm text-muted">{{ one.reach }}</span>
        </li>
      </ul>
      <p v-else-if="sought !== ''" role="status" class="pane p-6">No owner has that name.</p>
      <p v-else class="pane p-6">
        None yet, and none is needed for your own blades. Whose a blade is can be said where it is described.
      </p>
      <ArchivedList :total="away.length" :records="away" @back="putBack" />
    </template>
    <p v-else-if="!problem" class="text-muted" aria-busy="true">Loading…</p>
    <OwnerPanel v-model:open="open" :from="null" :name="described?.name" @done="opened" />
  </main>
</template>

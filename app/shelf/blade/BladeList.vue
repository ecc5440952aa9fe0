<script setup lang="ts">
import { refDebounced } from '@vueuse/core'
import type { LastJob } from '#core/exchange/api/lists'
import { useFoundPart } from '~/composables/useFoundPart'
import { useWords } from '~/words/useWords'
import { useCollections } from '~/stores/collections'

/** The blades in use, those first that were in hand last: one owner’s alone, or all, found by their words, more when asked for. */
const { owner = '' } = defineProps<{ owner?: string }>()
const collections = useCollections()
const words = useWords()
const sought = ref('')
const search = refDebounced(sought, 200)
/** Fewer than these are seen at a glance. */
const FEW = 9
const { part, ids, problem, left, more } = useFoundPart(
  collections.findBlades,
  () => ({ search: search.value.trim(), owner }),
  () => collections.bladesChanged,
)
const blades = computed(() =>
  ids.value.flatMap((id) => collections.blades.find((one) => one.id === id && one.archivedAt === null) ?? []),
)
/** When each was last done, as far as one was. */
const last = ref(new Map<string, LastJob>())
watch(part, (now) => now?.last.forEach((one) => last.value.set(one.bladeId, one)))
</script>

<template>
  <div>
    <UInput
      v-if="collections.bladesInUse > FEW || sought !== ''"
      v-model="sought"
      size="xl"
      icon="i-lucide-search"
      placeholder="Name, owner or use"
      aria-label="Find a blade"
      class="mb-3 w-full max-w-md"
    />
    <p v-if="problem" role="alert" class="text-error">{{ words.problem(problem) }}</p>
    <p v-if="!part && !problem" class="text-muted" aria-busy="true">Looking along the shelf…</p>
    <p v-else-if="blades.length === 0 && sought !== ''" role="status" class="text-muted">No blade has that name.</p>
    <slot v-else-if="part" :blades="blades" :last="last" />
    <UButton
      v-if="part?.next"
      class="mt-3"
      color="neutral"
      variant="outline"
      size="xl"
      :label="`Show more, ${left} are left`"
      @click="more"
    />
  </div>
</template>

<script setup lang="ts">
import { LISTED_AT_ONCE } from '#core/exchange/api/lists'
import { useFoundPart } from '~/composables/useFoundPart'
import { useArchiving } from './useArchiving'
import { useCollections } from '~/stores/collections'

/** The blades that were put away, newest first: put back from here. */
const collections = useCollections()
const { putBack } = useArchiving('blades')
const opened = ref(false)
// Shut, only how many there are is shown.
const { part, ids, left, more } = useFoundPart(
  collections.findBlades,
  () => ({ away: true, limit: opened.value ? LISTED_AT_ONCE : 1 }),
  () => collections.bladesChanged,
)
const away = computed(() =>
  ids.value.flatMap((id) => collections.blades.find((one) => one.id === id && one.archivedAt !== null) ?? []),
)
</script>

<template>
  <ArchivedList
    :total="part?.total ?? 0"
    :records="away"
    :left="opened && part?.next ? left : 0"
    @open="opened = $event"
    @back="putBack"
    @more="more"
  />
</template>

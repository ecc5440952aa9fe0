<script setup lang="ts">
import { isSample } from '#core/records/storage/samples'
import type { RecordKind } from '#core/records/storage/kinds'
import { useCollections } from '~/stores/collections'
import { momentText } from '~/words/momentText'

/** What a thing is called; with the moment it was made where another is called the same, and marked as a sample. */
const props = defineProps<{ kind: RecordKind; thing: { id: string; name: string; createdAt: string } }>()
const collections = useCollections()
const twin = computed(() => collections.isTwin(props.kind, props.thing))
</script>

<template>
  <span
    >{{ thing.name
    }}<span v-if="twin" class="ml-1.5 text-sm font-normal text-muted">{{ momentText(thing.createdAt) }}</span
    ><span v-if="isSample(thing.id)" class="ml-1.5 text-sm font-normal text-muted">sample</span></span
  >
</template>

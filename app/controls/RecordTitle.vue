<script setup lang="ts">
import { isSample } from '#core/records/storage/samples'
import type { RecordKind } from '#core/records/storage/kinds'
import { useCollections } from '~/stores/collections'
import { momentText } from '~/words/momentText'

/** What a record is called; with the moment it was made where another is called the same, and marked as a sample. */
const props = defineProps<{ kind: RecordKind; record: { id: string; name: string; createdAt: string } }>()
const collections = useCollections()
const twin = computed(() => collections.isTwin(props.kind, props.record))
</script>

<template>
  <span
    >{{ record.name
    }}<span v-if="twin" class="ml-1.5 text-sm font-normal text-muted">{{ momentText(record.createdAt) }}</span
    ><span v-if="isSample(record.id)" class="ml-1.5 text-sm font-normal text-muted">sample</span></span
  >
</template>

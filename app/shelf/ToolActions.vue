<script setup lang="ts" generic="K extends Tool">
import type { RecordOf } from '#core/records/storage/kinds'
import { useArchiving } from './useArchiving'
import type { Tool } from '~/stores/known'

/** What can be done with the rig, blade or stone that is chosen, and those that were put away. */
const props = defineProps<{ kind: K; chosen: RecordOf<K> | null; records: RecordOf<K>[]; word: string }>()
const emit = defineEmits<{ describe: [from: RecordOf<K> | null, copy: boolean] }>()
const { shelve, putBack } = useArchiving(props.kind)
const away = computed(() =>
  props.records.filter((record) => record.archivedAt !== null).map(({ id, name }) => ({ id, name: String(name) })),
)
</script>

<template>
  <div>
    <div class="flex flex-wrap gap-2">
      <template v-if="chosen">
        <UButton
          color="neutral"
          variant="outline"
          size="lg"
          icon="i-lucide-pencil-line"
          label="Measure again"
          :aria-label="`Measure ${chosen.name} again`"
          @click="emit('describe', chosen, false)"
        />
        <UButton
          color="neutral"
          variant="outline"
          size="lg"
          icon="i-lucide-copy"
          label="Duplicate"
          :aria-label="`Duplicate ${chosen.name}`"
          @click="emit('describe', chosen, true)"
        />
        <UButton
          v-if="chosen.archivedAt === null"
          color="neutral"
          variant="outline"
          size="lg"
          icon="i-lucide-archive"
          label="Archive"
          :aria-label="`Archive ${chosen.name}`"
          @click="shelve(chosen, true)"
        />
        <slot />
      </template>
      <UButton
        color="neutral"
        variant="outline"
        size="lg"
        icon="i-lucide-plus"
        :label="`New ${word}`"
        @click="emit('describe', null, false)"
      />
    </div>
    <ArchivedBlades v-if="kind === 'blades'" />
    <ArchivedList v-else :total="away.length" :records="away" @back="putBack" />
  </div>
</template>

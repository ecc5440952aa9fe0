<script setup lang="ts" generic="K extends Tool">
import type { Kept } from '#core/kept/things'
import { useWords } from '~/composables/useWords'
import { useCollections, type Tool } from '~/stores/collections'

/** What can be done with the rig or stone that is chosen, and those that were put away. */
const props = defineProps<{ kind: K; chosen: Kept<K> | null; things: Kept<K>[]; word: string }>()
const emit = defineEmits<{ describe: [from: Kept<K> | null, copy: boolean] }>()
const collections = useCollections()
const toast = useToast()
const words = useWords()
const away = computed(() => props.things.filter((thing) => thing.archivedAt !== null))

async function shelve(thing: Kept<K>, out: boolean): Promise<void> {
  const answer = await collections.putAway(props.kind, thing, out)
  if (!answer.ok) toast.add({ title: words.problem(answer.problem), color: 'error' })
  else if (out)
    toast.add({
      title: `${thing.name} is put away`,
      actions: [{ label: 'Put it back', onClick: () => void shelve(answer.value, false) }],
    })
}
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
          label="Measure anew"
          :aria-label="`Measure ${chosen.name} anew`"
          @click="emit('describe', chosen, false)"
        />
        <UButton
          color="neutral"
          variant="outline"
          size="lg"
          icon="i-lucide-copy"
          label="Copy"
          :aria-label="`Copy ${chosen.name}`"
          @click="emit('describe', chosen, true)"
        />
        <UButton
          v-if="chosen.archivedAt === null"
          color="neutral"
          variant="outline"
          size="lg"
          icon="i-lucide-archive"
          label="Put away"
          :aria-label="`Put ${chosen.name} away`"
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
    <details v-if="away.length > 0" class="mt-2">
      <summary class="cursor-pointer py-1 text-sm">Put away: {{ away.length }}</summary>
      <ul>
        <li v-for="thing in away" :key="thing.id" class="flex items-center justify-between py-1">
          <span>{{ thing.name }}</span><UButton
            color="neutral"
            variant="ghost"
            label="Put back"
            :aria-label="`Put ${thing.name} back`"
            @click="shelve(thing, false)"
          />
        </li>
      </ul>
    </details>
  </div>
</template>

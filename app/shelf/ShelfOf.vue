<script setup lang="ts" generic="K extends 'rigs' | 'blades'">
import type { RecordOf } from '#core/records/storage/kinds'
import { describingAt } from '~/forms/useDescribing'
import { useCollections } from '~/stores/collections'
import { capital } from '~/words/sentence'

/** The rigs, or the blades, that there are: chosen, described, measured anew, copied, put away. */
const props = defineProps<{ kind: K; word: 'rig' | 'blade'; title: string; empty: string; records: RecordOf<K>[] }>()
const collections = useCollections()
const router = useRouter()
const chosenId = ref('')
const there = computed(() => props.records.filter((record) => record.archivedAt === null))
const chosen = computed(() => there.value.find((record) => record.id === chosenId.value) ?? null)
const describe = (from: RecordOf<K> | null, copy: boolean) =>
  void router.push(describingAt(`/shelf/${props.word}`, from, copy))
</script>

<template>
  <section class="pane" :aria-labelledby="kind">
    <h2 :id="kind" class="mb-2 text-xl font-semibold">{{ title }}</h2>
    <ToolActions class="mb-3" :kind="kind" :chosen="chosen" :records="records" :word="word" @describe="describe"
      ><UButton
        v-if="kind === 'rigs' && chosen"
        :to="`/shelf/rigs/${chosen.id}`"
        color="neutral"
        variant="outline"
        size="lg"
        icon="i-lucide-history"
        label="Record"
    /></ToolActions>
    <p v-if="(kind === 'blades' ? collections.bladesInUse : there.length) === 0" class="mb-2 text-toned">{{ empty }}</p>
    <BladeList v-else-if="kind === 'blades'" v-slot="{ blades }">
      <CardChoice
        v-slot="{ record }"
        :records="blades as unknown as RecordOf<K>[]"
        :chosen="chosenId"
        :label="capital(word)"
        @choose="chosenId = $event"
        ><slot :record="record"
      /></CardChoice>
    </BladeList>
    <CardChoice
      v-else
      v-slot="{ record }"
      :records="there"
      :chosen="chosenId"
      :label="capital(word)"
      @choose="chosenId = $event"
      ><slot :record="record"
    /></CardChoice>
  </section>
</template>

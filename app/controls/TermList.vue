<script setup lang="ts">
import { GLOSSARY, type Term } from '~/words/glossary'

/** Terms that are looked for, those of a station first; each with what it means and a small drawing. */
const props = defineProps<{ station: string | null }>()
const sought = ref('')
const isOf = ({ stations }: Term) => stations.some((one) => one === props.station)
const shown = computed(() => {
  const words = sought.value.trim().toLowerCase()
  const found = GLOSSARY.filter(({ term, means }) => `${term} ${means}`.toLowerCase().includes(words))
  return [...found.filter(isOf), ...found.filter((one) => !isOf(one))]
})
</script>

<template>
  <div>
    <UInput
      v-model="sought"
      size="xl"
      icon="i-lucide-search"
      placeholder="Apex, burr, setback…"
      aria-label="Find a term"
      class="w-full max-w-md"
    />
    <dl class="mt-3" data-testid="terms">
      <div
        v-for="one in shown"
        :id="`term-${one.id}`"
        :key="one.id"
        class="flex flex-wrap items-center gap-x-4 gap-y-1 border-t border-default py-2 sm:flex-nowrap"
      >
        <div class="min-w-0 flex-1">
          <dt class="font-semibold">{{ one.term }}</dt>
          <dd>{{ one.means }}</dd>
        </div>
        <TermDrawing v-if="one.shown" :view="one.shown.view" :part="one.shown.part" />
      </div>
    </dl>
    <p v-if="shown.length === 0" role="status" class="mt-3">No term has these letters.</p>
  </div>
</template>

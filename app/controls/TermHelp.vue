<script setup lang="ts">
import { termIn } from '~/words/glossary'

/** What the term of a label means, one press away; nothing where the label has none. */
const props = defineProps<{ label: string }>()
const term = computed(() => termIn(props.label))
</script>

<template>
  <UPopover v-if="term" :content="{ side: 'top', align: 'start' }"
    ><button
      type="button"
      class="inline-grid size-6 shrink-0 place-items-center rounded-full align-middle text-muted hover:text-highlighted"
      :aria-label="`What is meant by “${term.term}”?`"
      data-testid="term-help"
    >
      <UIcon name="i-lucide-circle-help" class="size-4" />
    </button>
    <template #content>
      <div class="max-w-72 p-3">
        <p class="font-semibold">{{ term.term }}</p>
        <p>{{ term.means }}</p>
        <TermDrawing v-if="term.shown" :view="term.shown.view" :part="term.shown.part" class="mt-1" />
      </div> </template
  ></UPopover>
</template>

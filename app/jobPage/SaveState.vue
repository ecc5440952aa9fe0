<script setup lang="ts">
import { useSaving } from '~/job/useSaving'
import type { JobView } from '~/job/view'
import { usePreferences } from '~/stores/preferences'
import { problemText } from '~/words/problemText'

const props = defineProps<{ job: JobView }>()
const preferences = usePreferences()
const { standing } = useSaving(props.job)
const SHOWN = {
  saved: { word: 'Saved', icon: 'i-lucide-check' },
  saving: { word: 'Saving', icon: 'i-lucide-loader-circle' },
  waiting: { word: 'Not saved yet', icon: 'i-lucide-triangle-alert' },
  refused: { word: 'Not saved', icon: 'i-lucide-triangle-alert' },
  conflict: { word: 'Two versions', icon: 'i-lucide-git-compare-arrows' },
} as const
const shown = computed(() => SHOWN[standing.value.is])
const message = computed(() => (standing.value.problem ? problemText(standing.value.problem, preferences.unit) : ''))
</script>

<template>
  <span
    class="flex w-32 shrink-0 items-center justify-end gap-1.5 text-sm max-sm:w-auto"
    :class="message ? 'text-error' : 'text-muted'"
    :title="message"
    data-testid="save-state"
    :data-state="standing.is"
  >
    <UIcon :name="shown.icon" class="size-4" />
    <span role="status" class="max-sm:sr-only">{{ shown.word }}</span>
  </span>
</template>

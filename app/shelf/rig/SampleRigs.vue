<script setup lang="ts">
import { z } from 'zod'
import type { RigKind } from '#core/records/rig/kinds'
import { rigMeasures, type Rig } from '#core/records/rig/rig'
import { ask } from '~/saving/api'

/** Offers the measures of the sample rig of a kind to begin with: one's own is then only corrected. */
const props = defineProps<{ kind: RigKind }>()
const emit = defineEmits<{ begin: [sample: Rig] }>()
const samples = shallowRef<Rig[]>([])
onMounted(async () => {
  const answer = await ask(z.array(rigMeasures), '/api/sample-rigs')
  if (answer.ok) samples.value = answer.value
})
const sample = computed(() => samples.value.find((one) => one.kind === props.kind))
</script>

<template>
  <p v-if="sample" class="text-sm text-muted">
    Or begin with the measures of a sample, and correct them:
    <button type="button" class="text-link" @click="emit('begin', sample)">{{ sample.name }}</button>
  </p>
</template>

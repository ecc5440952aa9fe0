<script setup lang="ts">
import { z } from 'zod'
import { alikeEdge, type AlikeEdge } from '#core/exchange/api/alike'
import { useJob } from '~/job/useJob'
import { ask } from '~/saving/api'
import { alikeText } from '~/words/nextAngleText'

/** What other blades of this steel and for this work say, beside the blade's own record: seen, not counted in. */
const job = useJob()
const edges = shallowRef<readonly AlikeEdge[]>([])
watch(
  () => job.content.value.bladeId,
  async (id) => {
    const answer = await ask(z.array(alikeEdge), `/api/alike?blade=${id}`)
    edges.value = answer.ok ? answer.value : []
  },
  { immediate: true },
)
</script>

<template>
  <p v-if="edges.length > 0" class="mt-1 text-sm text-muted" data-testid="alike">
    {{ alikeText(edges) }} Shown beside it, not counted in.
  </p>
</template>

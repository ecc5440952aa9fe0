<script setup lang="ts">
import { z } from 'zod'
import { alikeEdge, type AlikeEdge } from '#core/exchange/api/alike'
import { useJob } from '~/job/useJob'
import { ask } from '~/saving/api'
import { angleText } from '~/words/angleText'

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
const said = computed(() => {
  const degs = (held: boolean) => edges.value.filter(({ became }) => (became === 'held') === held).map(({ deg }) => deg)
  const range = (all: readonly number[]) => {
    const [least, most] = [Math.min(...all), Math.max(...all)].map((deg) => angleText(deg))
    return least === most ? `at ${least}` : `at ${least} to ${most}`
  }
  const edgesText = (n: number) => (n === 1 ? 'one edge' : `${n} edges`)
  const [held, failed] = [degs(true), degs(false)]
  const parts = [
    ...(held.length > 0 ? [`${edgesText(held.length)} held ${range(held)}`] : []),
    ...(failed.length > 0 ? [`${edgesText(failed.length)} failed ${range(failed)}`] : []),
  ]
  return parts.join('; ')
})
const blades = computed(() => new Set(edges.value.map(({ bladeId }) => bladeId)).size)
</script>

<template>
  <p v-if="edges.length > 0" class="mt-1 text-sm text-muted" data-testid="alike">
    {{ blades === 1 ? 'Another blade' : `${blades} other blades` }} of this steel and for this work: {{ said }}. Shown
    beside it, not counted in.
  </p>
</template>

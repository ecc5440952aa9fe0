import { computed } from 'vue'
import type { KeptStone } from '#core/kept/kept'
import { stoneSwaps } from '#core/dial/stoneSwaps'
import { useCollections } from '~/stores/collections'
import { useJob } from '~/stores/job'
import { riseOnDial } from '~/words/riseText'
import { useBench } from './useBench'

/** The stones of the job in their order, and what to change at each swap. */
export function useStoneOrder() {
  const bench = useBench()
  const job = useJob()
  const collections = useCollections()
  const box = computed(() =>
    collections.stones.filter((stone) => stone.archivedAt === null || job.content?.progression.includes(stone.id)),
  )
  const chosen = computed(() => job.content?.progression ?? [])
  /** Always coarse to fine: the box is sorted so. */
  const order = computed(() => box.value.filter((stone) => chosen.value.includes(stone.id)))
  function toggle(stone: KeptStone, into: boolean) {
    const ids = box.value
      .filter((one) => (one.id === stone.id ? into : chosen.value.includes(one.id)))
      .map((one) => one.id)
    job.change(into ? `take ${stone.name}` : `leave ${stone.name} out`, { progression: ids })
  }
  const swaps = computed(() => {
    const [things, evaluation] = [bench.setup.value, bench.evaluation.value]
    return things && evaluation
      ? stoneSwaps(things, bench.side.value, bench.wantedDeg.value, evaluation.station, order.value)
      : []
  })
  /** From the stone before, in the rig's own language. */
  const onDial = (i: number): string => {
    const [before, now] = [swaps.value[i - 1]?.height, swaps.value[i]?.height]
    return before?.ok && now?.ok && bench.rig.value ? riseOnDial(bench.rig.value, before.heightMm, now.heightMm) : ''
  }
  return { box, chosen, toggle, swaps, onDial }
}

import { computed } from 'vue'
import type { StoneRecord } from '#core/records/storage/kinds'
import { nth } from '#core/math/list'
import { stoneSwaps } from '#core/geometry/dial/stoneSwaps'
import { useJob } from '~/job/useJob'
import { riseOnDial } from '~/words/riseText'

/** The stones of the job in their order, and what to change at each swap. */
export function useStoneOrder() {
  const job = useJob()
  const chosen = computed(() => job.content.value.progression)
  const box = computed(() =>
    job.stones.value.filter((stone) => stone.archivedAt === null || chosen.value.includes(stone.id)),
  )
  function toggle(stone: StoneRecord, into: boolean) {
    const ids = box.value
      .filter((one) => (one.id === stone.id ? into : chosen.value.includes(one.id)))
      .map((one) => one.id)
    job.change(into ? `take ${stone.name}` : `leave ${stone.name} out`, { progression: ids })
  }
  const uses = computed(() => (chosen.value.length > 0 ? job.uses.value : []))
  const swaps = computed(() => {
    const toSet = uses.value.map((use) => ({ ...use, toSetDeg: job.toSetOn(job.side.value, use) }))
    const swapped = stoneSwaps(job.setup.value, job.side.value, job.dialFor.value.edgePoint, toSet)
    return swapped.map((swap, i) => ({ ...swap, forMicroBevel: nth(toSet, i).forMicroBevel }))
  })
  /** From the stone before, in the rig's own language. */
  const onDial = (i: number): string => {
    const [before, now] = [swaps.value[i - 1]?.height, swaps.value[i]?.height]
    return before?.ok && now?.ok ? riseOnDial(job.rig.value, before.heightMm, now.heightMm) : ''
  }
  return { box, chosen, toggle, swaps, onDial }
}

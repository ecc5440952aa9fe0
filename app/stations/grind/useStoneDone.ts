import { ofKind } from '#core/log/activeEntries'
import type { StoneDone } from '#core/log/entry'
import { stoneDoneOn } from '#core/log/stoneDone'
import { strokesMade } from '#core/log/strokesMade'
import type { Side } from '#core/records/common/side'
import { stoneOrder } from '#core/steel/stones/orders'
import { computed } from 'vue'
import { usePlan } from './plan/usePlan'
import { useJob } from '~/job/useJob'

/** What the stone on the rod has to do, and what is recorded when a person says that it has done it. */
export function useStoneDone() {
  const job = useJob()
  const { ask, before, current } = usePlan()
  /** Null where the sides cannot be ground; a stone that is not in the order has to do all by itself. */
  const work = computed(() => {
    const stone = job.stone.value
    const inOrder = current.value?.works.find((one) => one.stone.id === stone.id)
    return inOrder ?? (ask.value ? (stoneOrder([stone], ask.value).works[0] ?? null) : null)
  })
  const workOn = (side: Side) => work.value?.sides.find((one) => one.side === side) ?? null

  /** Records that the stone on the rod has done its work on these sides. */
  function recordDone(sides: readonly Side[]) {
    const entries = sides.map((side): StoneDone => {
      const about = job.newEntry()
      const of = { side, stoneId: job.stone.value.id, position: about.setup.position }
      const since = stoneDoneOn(job.entriesOfBlade.value, of)?.at ?? ''
      const made = strokesMade(ofKind(job.entriesOfBlade.value, 'strokes').filter(({ at }) => at > since))
      const strokes = made.find(({ stoneId }) => stoneId === of.stoneId)?.full[side] ?? 0
      // What was taken off a bevel that nobody knew says nothing of the stone.
      const isKnown = strokes > 0 && (work.value?.task !== 'shape' || before.value.from !== 'assumed')
      const steelMm3 = isKnown ? (workOn(side)?.removedMm3 ?? 0) : 0
      return { ...about, kind: 'stone-done', side, removedMm3: steelMm3 > 0 ? steelMm3 : null, strokes }
    })
    job.session.record('stone finished', entries)
  }
  return { work, workOn, recordDone }
}

import { ofKind } from '#core/log/activeEntries'
import type { StoneDone } from '#core/log/entry'
import { isOfUse, minutesAtStone, stoneDoneOn } from '#core/log/stoneDone'
import { strokesMade } from '#core/log/strokesMade'
import type { Side } from '#core/records/common/side'
import type { StoneRecord } from '#core/records/storage/kinds'
import { stoneOrder, type StoneWork } from '#core/steel/stones/orders'
import { computed } from 'vue'
import { usePlan } from './plan/usePlan'
import { useJob } from '~/job/useJob'

/** What the stone on the rod has to do, and what is recorded when a person says that it has done it. */
export function useStoneDone() {
  const job = useJob()
  const { ask, before, current } = usePlan()
  /** Null where the sides cannot be ground; a stone that is not in the order has to do all by itself. */
  const work = computed(() => {
    const { stone, forMicroBevel } = job.onRod.value
    const its = (works: readonly StoneWork<StoneRecord>[]) =>
      works.find((one) => one.stone.id === stone.id && (one.task === 'micro-bevel') === forMicroBevel) ?? null
    return its(current.value?.works ?? []) ?? (ask.value && its(stoneOrder([stone], ask.value).works))
  })
  /** The part of the edge that is worked in this hold: of a long blade that of its position. */
  const share = computed(() => {
    const { worked } = job.setup.value
    return worked ? (worked.toMm - worked.fromMm) / job.edgeMm.value : 1
  })
  /** What it has to do on a side in this hold: steel, mm³, and strokes; as many on a strop however long the edge is. */
  function workOn(side: Side) {
    const all = work.value?.sides.find((one) => one.side === side)
    if (!all || work.value?.task === 'strop') return all ?? null
    const { least, middle, most } = all.strokes
    const part = share.value
    return {
      removedMm3: part * all.removedMm3,
      strokes: { least: part * least, middle: part * middle, most: part * most },
    }
  }
  const onRod = computed(() => ({ stoneId: job.stone.value.id, forMicroBevel: job.onRod.value.forMicroBevel }))
  const lastDone = (side: Side) => {
    const { position } = job.setNow.value
    return stoneDoneOn(job.entriesOfBlade.value, { side, ...onRod.value, position })
  }

  /** Records that the stone on the rod has done its work on these sides. */
  function recordDone(sides: readonly Side[]) {
    const entries = sides.map((side): StoneDone => {
      const about = job.newEntry()
      const { position } = about.setup
      const since = lastDone(side)?.at ?? ''
      const made = ofKind(job.entriesOfBlade.value, 'strokes').filter(
        (one) => one.at > since && isOfUse(one, onRod.value) && (position === null || one.setup?.position === position),
      )
      const strokes = strokesMade(made)[0]?.full[side] ?? 0
      // What was taken off a bevel that nobody knew says nothing of the stone, nor does a micro-bevel of any width.
      const { task } = work.value ?? {}
      const isKnown = strokes > 0 && task !== 'micro-bevel' && (task !== 'shape' || before.value.from !== 'assumed')
      const steelMm3 = isKnown ? (workOn(side)?.removedMm3 ?? 0) : 0
      const removedMm3 = steelMm3 > 0 ? steelMm3 : null
      const dialled = job.dialled.value[side]
      const minutes =
        dialled.is === 'not-noted' ? null : minutesAtStone(job.entriesOfBlade.value, dialled.noted.at, about.at)
      return { ...about, kind: 'stone-done', side, removedMm3, strokes, minutes }
    })
    job.session.record('stone finished', entries)
  }
  /** Takes back that the stone on the rod has done its work on a side. */
  function takeBackDone(side: Side) {
    const last = lastDone(side)
    if (last) job.session.record('stone not finished after all', [], [last.id])
  }
  return { work, workOn, lastDone, recordDone, takeBackDone }
}

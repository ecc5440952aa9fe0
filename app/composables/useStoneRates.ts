import { computed } from 'vue'
import { secondsPerStroke } from '#core/steel/stones/pace'
import { stoneRate, type StoneJob, type StoneRate } from '#core/steel/stones/rate'
import type { StoneRecord } from '#core/records/storage/kinds'
import { useLog } from '~/stores/log'

/** What each stone takes with a stroke, and how long one takes, as far as it is known from any job. */
export function useStoneRates() {
  const log = useLog()
  const byStone = computed(() => {
    const jobs = new Map<string, Map<string | null, StoneJob>>()
    for (const { stoneId, jobId, removedMm3, strokes } of log.ofKind('stone-done')) {
      if (!stoneId || removedMm3 === null || strokes === 0) continue
      // Both sides of a job are one: the same hand on the same steel.
      const ofStone = jobs.get(stoneId) ?? new Map<string | null, StoneJob>()
      const before = ofStone.get(jobId) ?? { removedMm3: 0, strokes: 0 }
      ofStone.set(jobId, { removedMm3: before.removedMm3 + removedMm3, strokes: before.strokes + strokes })
      jobs.set(stoneId, ofStone)
    }
    return jobs
  })
  const rateOf = (stone: Pick<StoneRecord, 'id' | 'grainUm'>): StoneRate =>
    stoneRate(stone.grainUm, [...(byStone.value.get(stone.id)?.values() ?? [])])
  /** How long a stroke takes this hand, seconds. */
  const pace = computed(() => secondsPerStroke(log.ofKind('stone-done')))
  return { rateOf, pace }
}

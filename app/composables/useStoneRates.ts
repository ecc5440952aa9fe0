import { computed } from 'vue'
import { stoneRate, type StoneJob, type StoneRate } from '#core/steel/stones/rate'
import type { StoneRecord } from '#core/records/storage/kinds'
import { useLog } from '~/stores/log'

/** What each stone takes with a stroke, as far as it is known from what it did on any job. */
export function useStoneRates() {
  const log = useLog()
  const byStone = computed(() => {
    const jobs = new Map<string, StoneJob[]>()
    for (const { stoneId, removedMm3, strokes } of log.ofKind('stone-done'))
      if (stoneId && removedMm3 !== null && strokes > 0) jobs.set(stoneId, [...(jobs.get(stoneId) ?? []), { removedMm3, strokes }])
    return jobs
  })
  return (stone: Pick<StoneRecord, 'id' | 'grainUm'>): StoneRate =>
    stoneRate(stone.grainUm, byStone.value.get(stone.id) ?? [])
}

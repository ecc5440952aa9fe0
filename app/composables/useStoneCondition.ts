import { wearHistory } from '#core/log/wearLog'
import { stoneCondition, type StoneCondition } from '#core/records/stone/condition'
import type { StoneRecord } from '#core/records/storage/kinds'
import { useLog } from '~/stores/log'

/** How a stone stands by its measures, its wear log and what was counted at the bench. */
export function useStoneCondition() {
  const log = useLog()
  return (stone: StoneRecord): StoneCondition =>
    stoneCondition(stone, wearHistory([...log.ofKind('stone-wear'), ...log.ofKind('stone-done')], stone.id))
}

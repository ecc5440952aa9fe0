import { wearHistory } from '#core/log/wearLog'
import { cleaningDue, type CleaningDue } from '#core/records/stone/care'
import { stoneCondition, type StoneCondition } from '#core/records/stone/condition'
import type { StoneRecord } from '#core/records/storage/kinds'
import { useLog } from '~/stores/log'

/** How a stone stands by its measures, its wear log and what was counted at the bench. */
export function useStoneCondition() {
  const log = useLog()
  const history = (stone: StoneRecord) =>
    wearHistory([...log.ofKind('stone-wear'), ...log.ofKind('stone-done')], stone.id)
  return {
    conditionOf: (stone: StoneRecord): StoneCondition => stoneCondition(stone, history(stone)),
    /** Whether it is due to be cleaned, where its log has a habit to go by. */
    cleaningDueOf: (stone: StoneRecord): CleaningDue | null => cleaningDue(history(stone)),
  }
}

import type { KnownHold } from '../../records/job/knownHold'
import { uncertaintyBudget } from '../../uncertainty/budget'
import { READ_TO_DEG, readingMoves } from '../gauge/likelyCauses'
import type { ProvedAgainst, ReadAgainst, SetThere } from '../ledger/against'
import type { GaugeUse } from '../../records/job/gaugeZero'
import type { ProvedAndRead, ProvedAgainstSet, ReadAgainstSet } from './proofCauses'

/**
 * What was proved and read on a job, as its causes are looked for: only what can be held against what is set, a reading
 * no surer than a gauge at a bench can be read. `known`: how well the hold is known. Source: docs/calibration.md, "Why
 * proved and set differ".
 */
export function foundOnJob(
  { proved, read }: { readonly proved: readonly ProvedAgainst[]; readonly read: readonly ReadAgainst[] },
  known: KnownHold,
  use: GaugeUse,
): Required<Pick<ProvedAndRead, 'proved' | 'read'>> {
  const budgetOf = ({ setup, side, pivotHeightMm, edgePoint }: SetThere) =>
    uncertaintyBudget(setup, known, side, pivotHeightMm, edgePoint)
  return {
    proved: proved.flatMap(
      ({ side, amount: { uncertaintyDeg }, set, differsDeg, found, toApex }): ProvedAgainstSet[] =>
        set && differsDeg !== null && !found
          ? [{ side, differsDeg, uncertaintyDeg, budget: budgetOf(set), toApex }]
          : [],
    ),
    read: read.flatMap(({ side, amount: { deg, uncertaintyDeg }, mustDeg, set }): ReadAgainstSet[] => {
      if (!set || mustDeg === null) return []
      const moves = readingMoves(set.setup, side, set, use)
      return [
        { readDeg: deg, mustDeg, uncertaintyDeg: Math.max(uncertaintyDeg, READ_TO_DEG), budget: budgetOf(set), moves },
      ]
    }),
  }
}

import type { LikelyCause } from '../gauge/likelyCauses'
import { proofCauses, type ProofCause, type ProvedAndRead } from './proofCauses'

/** What is off when what was read or proved is not as it was set. */
export type Cause = ProofCause | LikelyCause

/**
 * Why what was read and proved on a job differs from what was set, the likeliest first: as long as nothing is proved,
 * what explains the readings (`ofReadings`, as likelyCauses has them); then what explains all of it together, behind
 * another zero of the gauge, which no proof can tell of. Source: docs/calibration.md, "Why proved and set differ".
 */
export function causesOnJob(ofReadings: readonly LikelyCause[], found: ProvedAndRead): readonly Cause[] {
  if (found.proved.length === 0) return ofReadings
  return [...ofReadings.filter(({ by }) => by === 'zero'), ...proofCauses(found)]
}

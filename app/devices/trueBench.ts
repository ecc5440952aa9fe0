import { randomLcg, randomNormal } from 'd3-random'
import type { Side } from '#core/records/common/side'
import type { EdgePoint } from '#core/math/curve/edgePoints'
import type { KnownHold } from '#core/records/job/knownHold'
import { measuresOf, type MeasureId } from '#core/uncertainty/measures'
import { edgeAngleShifter } from '#core/uncertainty/shifted'
import type { Setup } from '#core/geometry/setup/setup'

/** A number from 0 to 1 that is always the same for a text. */
export const seedOf = (text: string): number =>
  [...text].reduce((hash, letter) => (Math.imul(hash, 31) + letter.charCodeAt(0)) >>> 0, 7) / 2 ** 32

/**
 * How far a make-believe bench is off what was measured of it: every measure drawn once within twice its tolerance, the
 * same for the same seed. Answers what that does to the edge angle of a side, degrees; what a simulated gauge has to
 * find out.
 */
export function hiddenError(setup: Setup, known: KnownHold, seed: number) {
  const normal = randomNormal.source(randomLcg(seed))(0, 1)
  const shifts = Object.fromEntries(
    measuresOf(setup, known, null).map(({ id, tolerance }) => [id, normal() * tolerance]),
  ) as Record<MeasureId, number>
  return (side: Side, pivotHeightMm: number, edgePoint: EdgePoint): number => {
    const angle = edgeAngleShifter(setup, side, pivotHeightMm, edgePoint)
    const [as, off] = [angle({}), angle(shifts)]
    return as === null || off === null ? 0 : off - as
  }
}

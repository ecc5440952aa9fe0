import { nth } from '../list'
import { segmentLength } from './arcLength'
import { fitPoints, type FittedCurve } from './fitPoints'
import type { Segment } from './segment'
import { segmentAt } from './segmentAt'

/** A line no longer than this share of its curve may be a step of a drawn bend. */
const SHORT_SHARE = 0.05
/** So many short lines one after the other are a bend, not facets. */
const LEAST_STEPS = 8

/**
 * A curve whose bends were drawn as many short lines, with these fitted by few lines, arcs and Béziers within a
 * tolerance (mm), corners kept sharp; everything else as it was. The residual is 0 where nothing had to be fitted.
 */
export function smoothed(curve: readonly Segment[], toleranceMm: number): FittedCurve {
  const shortMm = SHORT_SHARE * curve.reduce((sum, piece) => sum + segmentLength(piece), 0)
  const segments: Segment[] = []
  let residualMm = 0
  let steps: Segment[] = []
  for (const piece of [...curve, null]) {
    if (piece?.type === 'line' && segmentLength(piece) <= shortMm) {
      steps.push(piece)
      continue
    }
    if (steps.length >= LEAST_STEPS) {
      const fitted = fitPoints(
        [segmentAt(nth(steps, 0), 0).point, ...steps.map((step) => segmentAt(step, 1).point)],
        toleranceMm,
      )
      segments.push(...fitted.segments)
      residualMm = Math.max(residualMm, fitted.residualMm)
    } else segments.push(...steps)
    steps = []
    if (piece) segments.push(piece)
  }
  return { segments, residualMm }
}

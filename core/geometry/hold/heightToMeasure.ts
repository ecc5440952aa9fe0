import type { EdgePoint } from '../../math/curve/edgePoints'
import { evenEdgePoints } from '../../math/curve/edgePoints'
import { bladeHeightMm, edgePointOverJaws } from '../clamping/bladeHeight'
import { clampFrame, toClampFrame } from '../clamping/clampFrame'
import type { Setup } from '../setup/setup'

/** So many places tell where the edge passes over the jaws' middle: between them it is interpolated. */
const PLACES_ALONG = 100

/** The blade height that is measured with the blade in the clamp. */
export interface HeightToMeasure {
  /** How far the edge stands out of the jaws, as the blade is held. */
  readonly heightMm: number
  /** Where it is measured, from the heel; null: at the place that the dial is for. */
  readonly placeMm: number | null
}

/**
 * What a rule held from the jaws to the edge must show: at the place that the dial is for, where that is over the jaws;
 * else over their middle. Null on a table, where there is nothing to measure.
 */
export function heightToMeasure(
  { rig, blade, hold }: Pick<Setup, 'rig' | 'blade' | 'hold'>,
  dialFor: EdgePoint,
): HeightToMeasure | null {
  if (!rig.jaws) return null
  const [alongMm] = toClampFrame(dialFor.point, clampFrame(hold))
  if (Math.abs(alongMm) <= rig.jaws.widthMm / 2) return { heightMm: bladeHeightMm(dialFor, hold), placeMm: null }
  const middle = edgePointOverJaws(blade.edge, evenEdgePoints(blade.edge, PLACES_ALONG), hold)
  return { heightMm: bladeHeightMm(middle, hold), placeMm: middle.fromHeelMm }
}

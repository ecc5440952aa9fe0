import { nth } from '../../math/list'
import { solveLinear } from '../../math/vector/solveLinear'
import type { Side } from '../../records/common/side'

/** What is expected of a face before it is looked at: a normal distribution of the angle at its middle, degrees. */
export interface Expected {
  readonly deg: number
  readonly sigmaDeg: number
}

/** A face of the blade: a zone of a side, by its number; null: the side as a whole. */
export interface FacePlace {
  readonly side: Side
  readonly zone: number | null
}

/** What is known of a face, from an earlier proof or from looks. */
export interface KnownFace extends FacePlace, Expected {}

/** Standard deviations, degrees: of the sides around the blade's angle, and of the zones around their side's. */
const SIDES_DEG = 1.5
const ZONES_DEG = 0.9
/** Of the blade's angle, of which nothing is known beforehand. */
const BLADE_DEG = 20

/** The covariance of the angles of two faces of one blade, square degrees. */
const covarianceOf = (one: FacePlace, other: FacePlace): number => {
  if (one.side !== other.side) return BLADE_DEG ** 2
  const sameZone = one.zone !== null && one.zone === other.zone
  return BLADE_DEG ** 2 + SIDES_DEG ** 2 + (sameZone ? ZONES_DEG ** 2 : 0)
}
/** The variance of one. */
const varianceOf = ({ zone }: FacePlace): number =>
  BLADE_DEG ** 2 + SIDES_DEG ** 2 + (zone === null ? 0 : ZONES_DEG ** 2)

/**
 * What is expected of a face from what is known of others, and of itself from before: the sides of a blade lie around
 * one angle, the zones of a side around the side's. Null where nothing is known. Source: docs/ink.md, "The prior of a
 * face".
 */
export function expectedOf(face: FacePlace, known: readonly KnownFace[]): Expected | null {
  if (known.length === 0) return null
  // A normal distribution given others (kriging): the weights x solve K·x = k, of what deviates from the mean.
  const meanDeg = known.reduce((sum, { deg }) => sum + deg, 0) / known.length
  const covariance = known.map((one, i) =>
    known.map((other, j) => covarianceOf(one, other) + (i === j ? one.sigmaDeg ** 2 : 0)),
  )
  const to = known.map((one) => covarianceOf(face, one))
  const weights = solveLinear(covariance.map((row, i) => [...row, nth(to, i)]))
  if (!weights) return null
  const deg = weights.reduce((sum, weight, i) => sum + weight * (nth(known, i).deg - meanDeg), meanDeg)
  const variance = varianceOf(face) - weights.reduce((sum, weight, i) => sum + weight * nth(to, i), 0)
  return { deg, sigmaDeg: Math.sqrt(Math.max(variance, 1e-6)) }
}

import { radians } from '../units/angle'
import { dot, subtract, type Vec2 } from '../vector/vec2'

/**
 * One side of an edge before: old bevel from the apex to the shoulder, then the primary face. Millimetres and degrees.
 */
export interface BevelSection {
  readonly edgeAngleDeg: number
  /** Shoulder's half of the thickness behind the edge. */
  readonly shoulderMm: number
  readonly primaryHalfAngleDeg: number
}

export type Reprofiled =
  | {
      readonly ok: true
      /** The new face takes the whole old bevel away, or ends on it. */
      readonly outcome: 'full' | 'micro'
      /** From the old apex inward to where the new face ends, along the centre plane. */
      readonly endsAtMm: number
      readonly faceWidthMm: number
      /** Half of the thickness where the face ends: the new shoulder's. */
      readonly shoulderMm: number
      readonly removedMm2: number
    }
  /** The new face runs flatter than the primary face: it would never end on the blade. */
  | { readonly ok: false; readonly reason: 'flatter-than-primary' }

/**
 * What a new face at an angle takes off one side, its apex worn back by so much along the centre plane: where it ends
 * on the old outline, how wide it is, and the area of steel that goes. A face that takes nothing off (steeper, and the
 * apex not worn back) is a micro-bevel of no width. Source: docs/geometry.md, "Cross-section".
 */
export function reprofile(old: BevelSection, newAngleDeg: number, apexWornMm: number): Reprofiled {
  const [slopeOld, slopeNew, slopePrimary] = [old.edgeAngleDeg, newAngleDeg, old.primaryHalfAngleDeg].map((deg) =>
    Math.tan(radians(deg)),
  ) as [number, number, number]
  const shoulderAt = old.shoulderMm / slopeOld
  // Inward along the centre plane from the old apex; half-thickness across it.
  const shoulder: Vec2 = [shoulderAt, old.shoulderMm]
  const overShoulder = (shoulderAt - apexWornMm) * slopeNew
  if (overShoulder >= old.shoulderMm) {
    // The new face meets the old bevel before its shoulder.
    const at = slopeNew > slopeOld ? (apexWornMm * slopeNew) / (slopeNew - slopeOld) : apexWornMm
    return outcome('micro', [at, at * slopeOld], [])
  }
  if (slopeNew <= slopePrimary) return { ok: false, reason: 'flatter-than-primary' }
  const at = (old.shoulderMm + apexWornMm * slopeNew - shoulderAt * slopePrimary) / (slopeNew - slopePrimary)
  return outcome('full', [at, (at - apexWornMm) * slopeNew], [shoulder])

  function outcome(kind: 'full' | 'micro', end: Vec2, between: readonly Vec2[]): Reprofiled {
    const removed: Vec2[] = [[0, 0], ...between, end, [apexWornMm, 0]]
    const across = subtract(end, [apexWornMm, 0])
    return {
      ok: true,
      outcome: kind,
      endsAtMm: end[0],
      faceWidthMm: Math.sqrt(dot(across, across)),
      shoulderMm: end[1],
      removedMm2: polygonArea(removed),
    }
  }
}

function polygonArea(points: readonly Vec2[]): number {
  const twice = points.reduce((sum, [x, y], i) => {
    const [nextX, nextY] = points[(i + 1) % points.length]!
    return sum + x * nextY - nextX * y
  }, 0)
  return Math.abs(twice) / 2
}

import { failed, type Failure } from '../../schema/result'
import { radians } from '../../math/units/angle'
import { areaOf } from '../../math/vector/polygon'
import { dot, subtract, type Vec2 } from '../../math/vector/vec2'

/**
 * One side of an edge before: old bevel from the apex to the shoulder, then the primary face. Millimetres and degrees.
 */
export interface BevelSection {
  readonly edgeAngleDeg: number
  /** Shoulder's half of the thickness behind the edge. */
  readonly shoulderMm: number
  readonly primaryHalfAngleDeg: number
  /**
   * Where the primary face is hollow or convex: how far it goes from the shoulder, along the centre plane, and by how
   * much it bows halfway (convex: positive) from the straight line at that half-angle. Else it is straight.
   */
  readonly face?: { readonly lengthMm: number; readonly bowMm: number }
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
  | Failure<'flatter-than-primary'>

/**
 * What a new face at an angle takes off one side, its apex worn back by so much along the centre plane: where it ends
 * on the old outline, how wide it is, and the area of steel that goes. A face that takes nothing off (steeper, and the
 * apex not worn back) is a micro-bevel of no width. Source: docs/geometry.md, "Cross-section".
 */
export function reprofile(old: BevelSection, newAngleDeg: number, apexWornMm: number): Reprofiled {
  const slope = (deg: number) => Math.tan(radians(deg))
  const [slopeOld, slopeNew, slopePrimary] = [
    slope(old.edgeAngleDeg),
    slope(newAngleDeg),
    slope(old.primaryHalfAngleDeg),
  ]
  const shoulderAt = old.shoulderMm / slopeOld
  const { lengthMm, bowMm } = old.face ?? { lengthMm: 1, bowMm: 0 }
  const curve = (4 * bowMm) / lengthMm ** 2
  // Inward along the centre plane from the old apex; half-thickness across it.
  const shoulder: Vec2 = [shoulderAt, old.shoulderMm]
  const overShoulder = (shoulderAt - apexWornMm) * slopeNew
  if (overShoulder >= old.shoulderMm) {
    // The new face meets the old bevel before its shoulder.
    const at = slopeNew > slopeOld ? (apexWornMm * slopeNew) / (slopeNew - slopeOld) : apexWornMm
    return outcome('micro', [at, at * slopeOld], [], 0)
  }
  const along = alongFace()
  if (along === null) return failed('flatter-than-primary')
  const at = shoulderAt + along
  return outcome('full', [at, (at - apexWornMm) * slopeNew], [shoulder], (curve * along ** 3) / 6)

  /** How far behind the shoulder the new face comes out of the primary one, mm; null where it does not. */
  function alongFace(): number | null {
    // Half-thickness of the primary face over the new one: over + (primary - new) u + bow u (length - u) is 0.
    const over = old.shoulderMm - overShoulder
    const slope = slopePrimary + curve * lengthMm - slopeNew
    if (curve === 0) return slope < 0 ? -over / slope : null
    const root = slope * slope + 4 * curve * over
    if (root < 0) return null
    // The nearer of the two, in a form that loses no digits.
    const ends = [(2 * over) / (-slope + Math.sqrt(root)), (2 * over) / (-slope - Math.sqrt(root))]
    const first = Math.min(...ends.filter((end) => end >= 0))
    return first <= lengthMm ? first : null
  }

  /** `bowedMm2`: what lies between the primary face's curve and its chord (Archimedes' segment of a parabola). */
  function outcome(kind: 'full' | 'micro', end: Vec2, between: readonly Vec2[], bowedMm2: number): Reprofiled {
    const removed: Vec2[] = [[0, 0], ...between, end, [apexWornMm, 0]]
    const across = subtract(end, [apexWornMm, 0])
    return {
      ok: true,
      outcome: kind,
      endsAtMm: end[0],
      faceWidthMm: Math.sqrt(dot(across, across)),
      shoulderMm: end[1],
      removedMm2: areaOf(removed) + bowedMm2,
    }
  }
}

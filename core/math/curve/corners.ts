import { degrees } from '../units/angle'
import { segmentLength } from './arcLength'
import type { Curve } from './curve'
import { segmentAt } from './segmentAt'

/** A place where two pieces of a curve meet at an angle. */
export interface Corner {
  readonly fromHeelMm: number
  /** How far the heading turns there: negative turns into the blade, as a belly does. */
  readonly turnDeg: number
}

/** A turn smaller than this between two pieces is a smooth joint. */
const LEAST_CORNER_DEG = 5

/** The corners of an edge, from heel to tip. */
export function cornersOf(curve: Curve): Corner[] {
  let fromHeelMm = 0
  return curve.flatMap((piece, i) => {
    fromHeelMm += segmentLength(piece)
    const next = curve[i + 1]
    if (!next) return []
    const [a, b] = [segmentAt(piece, 1).heading, segmentAt(next, 0).heading]
    const turnDeg = degrees(Math.atan2(a[0] * b[1] - a[1] * b[0], a[0] * b[0] + a[1] * b[1]))
    return Math.abs(turnDeg) < LEAST_CORNER_DEG ? [] : [{ fromHeelMm, turnDeg }]
  })
}

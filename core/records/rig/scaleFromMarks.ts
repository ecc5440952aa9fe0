import { failed, type Failure } from '../../schema/result'
import { radians } from '../../math/units/angle'

/** A printed mark that was set, and the pivot height measured at it. */
export interface MeasuredMark {
  readonly markDeg: number
  readonly heightMm: number
}

export type DrawnFor =
  | {
      readonly ok: true
      /** The blade height and the face offset that the scale was drawn for. */
      readonly bladeHeightMm: number
      readonly faceOffsetMm: number
      /** The greatest distance of a measured height from the scale's own. */
      readonly residualMm: number
    }
  | Failure<'marks-too-near' | 'fits-no-stone'>

/** Marks nearer to each other than this do not tell distance and face offset apart, degrees. */
const LEAST_APART_DEG = 5

/**
 * What a printed degree scale was drawn for, from the pivot heights (mm) measured at two of its marks or more, by least
 * squares: a mark m stands for r₀ · tan m + d₀ / cos m. Refused when the marks lie together, or no distance beyond the
 * setback and no offset of 0 or more fits. Source: docs/geometry.md, "Printed degree scales".
 */
export function scaleFromMarks(marks: readonly MeasuredMark[], setbackMm: number): DrawnFor {
  const degrees = marks.map((mark) => mark.markDeg)
  if (marks.length < 2 || Math.max(...degrees) - Math.min(...degrees) < LEAST_APART_DEG)
    return failed('marks-too-near', { leastDeg: LEAST_APART_DEG })
  let [tt, ts, ss, th, sh] = [0, 0, 0, 0, 0]
  for (const { markDeg, heightMm } of marks) {
    const [tan, sec] = [Math.tan(radians(markDeg)), 1 / Math.cos(radians(markDeg))]
    tt += tan * tan
    ts += tan * sec
    ss += sec * sec
    th += tan * heightMm
    sh += sec * heightMm
  }
  const determinant = tt * ss - ts * ts
  const distanceMm = (th * ss - sh * ts) / determinant
  const faceOffsetMm = (sh * tt - th * ts) / determinant
  if (distanceMm <= setbackMm || faceOffsetMm < 0) return failed('fits-no-stone')
  const residualMm = Math.max(
    ...marks.map(({ markDeg, heightMm }) =>
      Math.abs(distanceMm * Math.tan(radians(markDeg)) + faceOffsetMm / Math.cos(radians(markDeg)) - heightMm),
    ),
  )
  return { ok: true, bladeHeightMm: distanceMm - setbackMm, faceOffsetMm, residualMm }
}

import type { Side } from '#core/records/common/side'
import type { Vec2 } from '#core/math/vector/vec2'
import type { AngleId } from '~/navigation/stations'

/** One of the four angles along the edge: a line through places from the heel, mm, and degrees. */
export interface DrawnAngle {
  readonly angle: AngleId
  readonly line: readonly Vec2[]
}
/** An angle that was found at a place, or over a stretch, with its uncertainty. */
export interface DrawnFinding {
  readonly angle: AngleId
  /** As it is said beside it: "read", "ink". */
  readonly word: string
  readonly fromMm: number
  readonly toMm: number
  readonly deg: number
  readonly uncertaintyDeg: number
}
/** One side's angles along the edge. */
export interface DrawnSide {
  readonly side: Side
  readonly name: string
  readonly angles: readonly DrawnAngle[]
  readonly findings: readonly DrawnFinding[]
}

/** The degrees that a drawing of a side reaches over, whole ones. */
export function reachOf({ angles, findings }: DrawnSide): readonly [leastDeg: number, mostDeg: number] {
  const degs = [
    ...angles.flatMap(({ line }) => line.map(([, deg]) => deg)),
    ...findings.flatMap(({ deg, uncertaintyDeg }) => [deg - uncertaintyDeg, deg + uncertaintyDeg]),
  ]
  return [Math.floor(Math.min(...degs) - 0.5), Math.ceil(Math.max(...degs) + 0.5)]
}

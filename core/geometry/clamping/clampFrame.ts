import { radians } from '../../math/units/angle'
import { rotate, type Vec2 } from '../../math/vector/vec2'
import type { ClampPosition } from '../../records/job/clampPosition'

/** The turn from blade frame to clamp frame, worked out once for many points. */
export interface ClampFrame {
  readonly x: number
  readonly y: number
  readonly cos: number
  readonly sin: number
}

export function clampFrame(hold: ClampPosition): ClampFrame {
  const turn = radians(hold.turnDeg)
  return { x: hold.bladeXMm, y: hold.bladeYMm, cos: Math.cos(turn), sin: Math.sin(turn) }
}

/** A blade-frame point in the clamp frame's (u, v), mm. Source: docs/geometry.md, "Frames". */
export function toClampFrame(point: Vec2, frame: ClampFrame): Vec2 {
  const x = point[0] - frame.x
  const y = point[1] - frame.y
  return [x * frame.cos - y * frame.sin, x * frame.sin + y * frame.cos]
}

/** A clamp-frame (u, v) in the blade frame, mm: the inverse of toClampFrame. */
export const toBladeFrame = ([u, v]: Vec2, frame: ClampFrame): Vec2 => [
  u * frame.cos + v * frame.sin + frame.x,
  v * frame.cos - u * frame.sin + frame.y,
]

/** The clamp position that puts a blade point at (u, v) of the clamp frame, the turn kept. */
export function holdWith(bladePoint: Vec2, at: Vec2, hold: ClampPosition): ClampPosition {
  const [x, y] = rotate(at, radians(-hold.turnDeg))
  return { ...hold, bladeXMm: bladePoint[0] - x, bladeYMm: bladePoint[1] - y }
}

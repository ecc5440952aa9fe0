import { add, leftOf, length, scale, subtract, unit, type Vec2 } from '#core/math/vector/vec2'

/** A dimension line in pixels: the measured points, the line beside them, and where its figure stands. */
export interface Dimension {
  readonly from: Vec2
  readonly to: Vec2
  readonly lineFrom: Vec2
  readonly lineTo: Vec2
  readonly label: Vec2
  /** Too short for arrow heads inside. */
  readonly cramped: boolean
}

/** A dimension between two points, its line `offset` pixels to the left of the way from one to the other. */
export function dimension(from: Vec2, to: Vec2, offset: number): Dimension {
  const along = unit(subtract(to, from))
  const aside = scale(leftOf(along), offset)
  const [lineFrom, lineTo] = [add(from, aside), add(to, aside)]
  return {
    from,
    to,
    lineFrom,
    lineTo,
    label: scale(add(lineFrom, lineTo), 0.5),
    cramped: length(subtract(to, from)) < 26,
  }
}

/** A point or direction in a plane; which frame is said where it is used. */
export type Vec2 = readonly [number, number]

export const add = (a: Vec2, b: Vec2): Vec2 => [a[0] + b[0], a[1] + b[1]]
export const subtract = (a: Vec2, b: Vec2): Vec2 => [a[0] - b[0], a[1] - b[1]]
export const scale = (a: Vec2, k: number): Vec2 => [a[0] * k, a[1] * k]
export const dot = (a: Vec2, b: Vec2): number => a[0] * b[0] + a[1] * b[1]
export const length = (a: Vec2): number => Math.hypot(a[0], a[1])

/** The same direction with length 1; the zero vector stays zero. */
export function unit(a: Vec2): Vec2 {
  const size = length(a)
  return size === 0 ? [0, 0] : [a[0] / size, a[1] / size]
}

/** A quarter turn counter-clockwise. Of a heading from heel to tip it is the way out of the blade. */
export const leftOf = (a: Vec2): Vec2 => [-a[1], a[0]]

/** Rotates counter-clockwise by radians. */
export function rotate(a: Vec2, angle: number): Vec2 {
  const c = Math.cos(angle)
  const s = Math.sin(angle)
  return [a[0] * c - a[1] * s, a[0] * s + a[1] * c]
}

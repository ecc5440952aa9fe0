import type { Vec2 } from './vec2'

/** Where two lines cross, and how far along each from its first point (0) to its second (1). */
export interface Crossing {
  readonly at: Vec2
  readonly along: number
  readonly alongOther: number
}

/** Where the line through a and b crosses the one through c and d; null where they run alike. */
export function crossing(a: Vec2, b: Vec2, c: Vec2, d: Vec2): Crossing | null {
  const [abx, aby, cdx, cdy] = [b[0] - a[0], b[1] - a[1], d[0] - c[0], d[1] - c[1]]
  const across = abx * cdy - aby * cdx
  if (Math.abs(across) < 1e-9) return null
  const along = ((c[0] - a[0]) * cdy - (c[1] - a[1]) * cdx) / across
  const alongOther = ((c[0] - a[0]) * aby - (c[1] - a[1]) * abx) / across
  return { at: [a[0] + along * abx, a[1] + along * aby], along, alongOther }
}

import type { Finish } from '../../log/choices'

/** What one side of a blade throws on the screen, degrees per side. */
export interface ThrownSide {
  /** Null: the primary face is too dull to throw a spot. */
  readonly primaryDeg: number | null
  /** Null: the edge throws nothing. */
  readonly edge: { readonly finish: Finish; readonly fromDeg: number; readonly toDeg: number } | null
}

/** A stretch that shines along the scale, degrees: soft over so much beyond its ends, so high across it, so bright. */
export interface ShiningBody {
  readonly from: number
  readonly to: number
  readonly softDeg: number
  readonly highDeg: number
  /** From 0 to 1. */
  readonly light: number
}

/** What shines on a screen before the blade stands askew: the beam's own glare in the middle, then each side. */
export function bodiesOf(sides: readonly [lower: ThrownSide, upper: ThrownSide]): ShiningBody[] {
  const bodies: ShiningBody[] = [{ from: 0, to: 0, softDeg: 0.65, highDeg: 0.65, light: 0.42 }]
  for (const [i, { primaryDeg, edge }] of sides.entries()) {
    const sign = i === 0 ? -1 : 1
    const dot = (deg: number, light: number) =>
      bodies.push({ from: sign * deg, to: sign * deg, softDeg: 0.265, highDeg: 0.47, light })
    if (primaryDeg !== null) dot(primaryDeg, 0.9)
    if (!edge) continue
    const half = (edge.toDeg - edge.fromDeg) / 2
    const at = (sign * (edge.fromDeg + edge.toDeg)) / 2
    if (edge.finish === 'crisp') dot(sign * at, 1)
    else if (edge.finish === 'convex')
      bodies.push({ from: at - half, to: at + half, softDeg: 0.235, highDeg: 0.41, light: 0.35 })
    // A haze is half as bright at its ends.
    else bodies.push({ from: at, to: at, softDeg: half / 1.177, highDeg: 0.47, light: 0.6 })
  }
  return bodies
}

/** What is finished on a finer grain than this throws a dot, micrometres. */
const POLISHED_UM = 5

/** What a flat bevel at an angle throws, finished on a stone of so many micrometres: scratches spread it to a haze. */
export function thrownBy(deg: number, grainUm: number): NonNullable<ThrownSide['edge']> {
  if (grainUm <= POLISHED_UM) return { finish: 'crisp', fromDeg: deg, toDeg: deg }
  const half = Math.min(2, 0.35 * Math.sqrt(grainUm / POLISHED_UM))
  return { finish: 'hazy', fromDeg: deg - half, toDeg: deg + half }
}

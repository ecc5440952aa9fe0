import { radians } from '#core/math/units/angle'

/** A scratch for each so many pixels, where as much steel was taken off as in the middle. */
const EVERY = 7
const MOST_SHARE = 2

/** A place of the edge: where it is drawn, what was taken off there against the middle, and how scratches lean. */
export interface ScratchedPlace {
  readonly x: number
  readonly share: number
  /** Degrees, towards the tip; null where the stone does not get there. */
  readonly leanDeg: number | null
}

/**
 * Scratches across a band from its top down, as an SVG path: the more steel was taken off at a place, the denser.
 * Places: even along the band, which is as wide and as high as is said, pixels.
 */
export function scratchLines(places: readonly ScratchedPlace[], width: number, height: number): string {
  const step = width / Math.max(1, places.length)
  const lines: string[] = []
  let due = 0
  for (const { x, share, leanDeg } of places) {
    if (leanDeg === null) continue
    due += (Math.min(MOST_SHARE, share) * step) / EVERY
    const across = height * Math.tan(radians(leanDeg))
    for (; due >= 1; due--) lines.push(`M${(x - across / 2).toFixed(1)} 0l${across.toFixed(1)} ${height}`)
  }
  return lines.join('')
}

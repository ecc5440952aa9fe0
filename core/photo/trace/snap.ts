import { lastOf, nth } from '../../math/list'
import { deviationOf } from '../../math/statistics/robust'
import { dot, subtract, type Vec2 } from '../../math/vector/vec2'
import type { GrayPicture } from '../picture/grayPicture'
import { APART, EVERY_PX, jumpsAcross, peakNear, preferring, spaced } from './profiles'
import { BESIDE_PX, faintBeyond, hasRival, judgedAt } from './rivals'
import { smoothOutline, type SnappedOutline } from './smoothOutline'
import { strongestPath } from './strongestPath'

/** A gap between places that were found wider than so many pixels is no outline that was seen. */
const MOST_GAP_PX = 20

/** Whether the outline is plain to see from the place before a place to it. */
export const sureUpTo = ({ points, sure }: Pick<SnappedOutline, 'points' | 'sure'>, i: number): boolean => {
  const [[x, y], [toX, toY]] = [nth(points, i - 1), nth(points, i)]
  return nth(sure, i - 1) && nth(sure, i) && Math.hypot(toX - x, toY - y) <= MOST_GAP_PX
}

/** The stretches where it is not, as they lie in the picture. */
export function unsureStretches(found: Pick<SnappedOutline, 'points' | 'sure'>): Vec2[][] {
  const stretches: Vec2[][] = []
  for (let i = 1, begun = false; i < found.points.length; i++) {
    const unsure = !sureUpTo(found, i)
    if (unsure && !begun) stretches.push([nth(found.points, i - 1)])
    if (unsure) lastOf(stretches).push(nth(found.points, i))
    begun = unsure
  }
  return stretches
}

/** A jump in brightness weaker than this, or than so many times what the noise makes, is no outline. */
const LEAST_JUMP = 4

const TIMES_NOISE = 4

/** One that stands out by fewer times the noise is seen, but not followed to half a degree. */
const SURE_TIMES_NOISE = 7.5

/** What is known of an outline before it is looked for. */
export interface OutlineKnown {
  /** A place on its inner side, pixels. */
  readonly inside?: Vec2
  /** Where two lines run side by side, the one that it is: a bevel lies within the outer, a shadow beyond the inner. */
  readonly line?: 'outer' | 'inner' | null
}

/**
 * Moves a rough chain of points (pixels) onto the outline that runs beside it: of the jumps in brightness across the
 * chain, within `reachPx` of it, the row that is strongest and smoothest all along (dynamic programming), brighter on
 * one and the same side; to a fraction of a pixel. The noise is taken out by a parabola through the places around,
 * within each stretch between corners that were marked. Source: docs/geometry.md, "Tracing a photograph".
 */
export function snapToOutline(
  picture: GrayPicture,
  rough: readonly Vec2[],
  reachPx: number,
  { inside, line = null }: OutlineKnown = {},
): SnappedOutline {
  const reach = Math.round(reachPx)
  const places = spaced(rough, EVERY_PX)
  /** Towards greater offsets (1) or smaller ones (-1); 0 where it is not known. */
  const outward = places.map(({ at, normal }) => (inside ? Math.sign(dot(subtract(at, inside), normal)) : 0))
  const wide = places.map((place) => jumpsAcross(picture, place, reach + BESIDE_PX))
  const seen = wide.map((across) => across.slice(BESIDE_PX, -BESIDE_PX))
  const jumps = line ? seen.map((across, i) => preferring(across, (line === 'outer' ? 1 : -1) * nth(outward, i))) : seen
  // What is seen at one place and not a little further on is noise.
  const noise = deviationOf(
    seen.slice(APART).flatMap((across, i) => [...across].map((jump, k) => jump - nth(seen, i)[k]!)),
  )
  const least = Math.max(LEAST_JUMP, TIMES_NOISE * noise)
  const up = strongestPath(jumps, places, reach, 1, least)
  const down = strongestPath(jumps, places, reach, -1, least)
  const [row, sign] = up.strength >= down.strength ? [up.offsets, 1] : [down.offsets, -1]
  const rivalled = wide.map((across, i) => hasRival(across, nth(row, i) + BESIDE_PX, least, line !== null))
  // Beyond the inner of two lines there is the outer.
  const faint = line === 'inner' ? [] : faintBeyond(seen, row, outward, noise)
  const found = places.flatMap(({ at, normal, mark }, i) => {
    const across = nth(seen, i)
    const best = nth(row, i)
    if (sign * across[best]! < least) return []
    const offset = best - reach + peakNear(across, best, sign)
    const point: Vec2 = [at[0] + normal[0] * offset, at[1] + normal[1] * offset]
    const plain = sign * across[best]! > SURE_TIMES_NOISE * noise
    return [{ point, sure: plain && !nth(rivalled, judgedAt(places, i)) && !faint[i], mark }]
  })
  return smoothOutline(found)
}

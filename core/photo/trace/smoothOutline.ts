import { nth, bothOf } from '../../math/list'
import { parabolaThrough } from '../../math/curve/parabolaThrough'
import { deviationOf } from '../../math/statistics/robust'
import { crossing } from '../../math/vector/crossing'
import { leastSquaresLine } from '../../math/vector/line'
import type { Vec2 } from '../../math/vector/vec2'
import { EVERY_PX } from './profiles'
import { CORNER_DEG } from './rivals'

/** The noise is taken out over so many pixels to either side, by how much there is. */
const OVER_PX = { first: 40, least: 24, most: 260, perScatter: 500 } as const

/** What stands off its neighbours by more deviations than this does not count. */
const MOST_DEVIATIONS = 3

/** A loop of more places than these is one that was marked. */
const MOST_LOOP = 30

/** An outline as it was found beside marks, pixels. */
export interface SnappedOutline {
  readonly points: Vec2[]
  /** Of each point, whether the outline is plain to see there. */
  readonly sure: boolean[]
  /** How far found places scatter about the outline, one standard deviation, pixels. */
  readonly scatterPx: number
  /** The noise was taken out over so much to either side, pixels. */
  readonly overPx: number
}

export interface FoundPlace {
  readonly point: Vec2
  readonly sure: boolean
  readonly mark: boolean
}

/** Takes the noise out of found places, stretch by stretch between corners. */
export function smoothOutline(found: readonly FoundPlace[]): SnappedOutline {
  const scatterPx = scatterOf(found.map(({ point }) => point))
  const overPx = Math.max(OVER_PX.least, Math.min(OVER_PX.most, OVER_PX.perScatter * scatterPx))
  const corners = found.flatMap(({ mark }, i) => (mark && turnAt(found, i, overPx) > CORNER_DEG ? [i] : []))
  const points: Vec2[] = []
  const sure: boolean[] = []
  const ends = [0, ...corners, found.length]
  for (let s = 1; s < ends.length; s++) {
    const stretch = found.slice(ends[s - 1], ends[s]).map(({ point }) => point)
    const along = lengthsOf(stretch)
    stretch.forEach((_, i) => {
      points.push(parabolaAt(stretch, along, i, overPx))
      sure.push(nth(found, nth(ends, s - 1) + i).sure)
    })
  }
  return { ...withoutLoops(points, sure), scatterPx, overPx }
}

/**
 * Where the marks' chain turns, what was found beside both of its legs overlaps: such small loops are cut off, and
 * places that an edge would have to turn back for are left out.
 */
function withoutLoops(points: readonly Vec2[], sure: readonly boolean[]): Pick<SnappedOutline, 'points' | 'sure'> {
  const [kept, plain] = [[...points], [...sure]]
  for (let i = 0; i + 3 < kept.length; i++)
    for (let j = Math.min(kept.length - 2, i + MOST_LOOP); j > i + 1; j--) {
      const met = crossing(nth(kept, i), nth(kept, i + 1), nth(kept, j), nth(kept, j + 1))
      if (!met || ![met.along, met.alongOther].every((share) => share > 0 && share < 1)) continue
      kept.splice(i + 1, j - i, met.at)
      plain.splice(i + 1, j - i, nth(plain, i) && nth(plain, j))
      break
    }
  for (let i = 1; i + 1 < kept.length;) {
    const [a, b, c] = [nth(kept, i - 1), nth(kept, i), nth(kept, i + 1)]
    if ((b[0] - a[0]) * (c[0] - b[0]) + (b[1] - a[1]) * (c[1] - b[1]) >= 0) i++
    else {
      kept.splice(i, 1)
      plain.splice(i, 1)
      i = Math.max(1, i - 1)
    }
  }
  return { points: kept, sure: plain }
}

/** How found places scatter about the parabolas through those around them, one robust standard deviation, pixels. */
function scatterOf(points: readonly Vec2[]): number {
  const along = lengthsOf(points)
  return deviationOf(
    points.map((point, i) => {
      const there = parabolaAt(points, along, i, OVER_PX.first)
      return Math.hypot(point[0] - there[0], point[1] - there[1])
    }),
  )
}

/** By how much the outline turns at a place, from the lines through what lies before and behind it, degrees. */
function turnAt(found: readonly FoundPlace[], i: number, overPx: number): number {
  const many = Math.max(3, Math.round(overPx / EVERY_PX))
  const [before, behind] = [found.slice(Math.max(0, i - many), i), found.slice(i, i + many)]
  if (before.length < 3 || behind.length < 3) return 0
  const [a, b] = bothOf([before, behind], (side) => leastSquaresLine(side.map(({ point }) => point)).direction)
  return (Math.abs(Math.atan2(a[0] * b[1] - a[1] * b[0], a[0] * b[0] + a[1] * b[1])) * 180) / Math.PI
}

function lengthsOf(points: readonly Vec2[]): number[] {
  let sum = 0
  return points.map((point, i) => {
    const before = points[i - 1]
    return before ? (sum += Math.max(1e-6, Math.hypot(point[0] - before[0], point[1] - before[1]))) : 0
  })
}

/**
 * Where the parabola through the places around goes at one of them: across the line that they make, so that a step
 * along it counts for nothing. What stands far off the others is left out.
 */
function parabolaAt(points: readonly Vec2[], along: readonly number[], i: number, overPx: number): Vec2 {
  let [low, high] = [i, i]
  while (low > 0 && nth(along, i) - nth(along, low - 1) <= overPx) low--
  while (high < points.length - 1 && nth(along, high + 1) - nth(along, i) <= overPx) high++
  const around = points.slice(low, high + 1)
  if (around.length < 4) return nth(points, i)
  const [x, y] = leastSquaresLine(around).direction
  const here = nth(points, i)
  const local = around.map((point): Vec2 => {
    const [dx, dy] = [point[0] - here[0], point[1] - here[1]]
    return [dx * x + dy * y, dy * x - dx * y]
  })
  const fit = parabolaThrough(local)
  if (!fit) return here
  const off = local.map(([s, t]) => Math.abs(t - fit(s)))
  const most = MOST_DEVIATIONS * Math.max(0.05, deviationOf(off))
  const kept = local.filter((_, k) => nth(off, k) <= most)
  const across = ((kept.length >= 4 ? parabolaThrough(kept) : null) ?? fit)(0)
  return [here[0] - y * across, here[1] + x * across]
}

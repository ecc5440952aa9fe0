import { failed, type Result } from '../../schema/result'
import { lastOf, nth, bothOf } from '../../math/list'
import { parabolaThrough } from '../../math/curve/parabolaThrough'
import type { Vec2 } from '../../math/vector/vec2'

/**
 * The bevel in a picture: places by how far along it, pixels from its first end, and how far down its face, 0 at the
 * shoulder and 1 at the edge.
 */
export interface Band {
  readonly lengthPx: number
  /** From shoulder to edge in the middle. */
  readonly widthPx: number
  at(alongPx: number, down: number): Vec2
  /** The other way about. */
  downAt(place: Vec2): { alongPx: number; down: number }
}

/** Why no band can be laid through what was tapped. */
export type BandProblem = 'few-taps' | 'lines-meet' | 'taps-apart' | 'bevel-too-narrow'
/** A band narrower than this, or shorter than so many widths, tells nothing. */
const LEAST_WIDTH_PX = 10

/**
 * The band between the taps on the edge and those on the shoulder, pixels: lines through them that follow a curved or
 * tilted bevel, over the length that both have. Taps err by a few pixels; four or more on a line are smoothed.
 * Source: docs/ink.md, "A test from a photograph".
 */
export function bandThrough(edge: readonly Vec2[], shoulder: readonly Vec2[]): Result<Band, BandProblem> {
  if (edge.length < 2 || shoulder.length < 2) return failed('few-taps')
  // Both lines run from left to right, in whatever order they were tapped.
  const [first, last] = ends(edge)
  const size = Math.hypot(last[0] - first[0], last[1] - first[1])
  if (size < LEAST_WIDTH_PX) return failed('bevel-too-narrow', { leastPx: LEAST_WIDTH_PX })
  const along: Vec2 = [(last[0] - first[0]) / size, (last[1] - first[1]) / size]
  const turned = ([x, y]: Vec2): Vec2 => [
    (x - first[0]) * along[0] + (y - first[1]) * along[1],
    (y - first[1]) * along[0] - (x - first[0]) * along[1],
  ]
  const [edgeTaps, shoulderTaps] = bothOf([edge, shoulder], (taps) => taps.map(turned).sort((a, b) => a[0] - b[0]))
  const from = Math.max(nth(edgeTaps, 0)[0], nth(shoulderTaps, 0)[0])
  const to = Math.min(lastOf(edgeTaps)[0], lastOf(shoulderTaps)[0])
  if (to - from < LEAST_WIDTH_PX) return failed('taps-apart')
  const [edgeAt, shoulderAt] = [lineThrough(edgeTaps), lineThrough(shoulderTaps)]
  const widths = Array.from({ length: 21 }, (_, i) => {
    const u = from + ((to - from) * i) / 20
    return edgeAt(u) - shoulderAt(u)
  })
  if (widths.some((width) => width * nth(widths, 0) <= 0)) return failed('lines-meet')
  if (Math.min(...widths.map(Math.abs)) < LEAST_WIDTH_PX) return failed('bevel-too-narrow', { leastPx: LEAST_WIDTH_PX })
  return {
    ok: true,
    lengthPx: to - from,
    widthPx: Math.abs(nth(widths, 10)),
    at(alongPx, down) {
      const u = from + alongPx
      const across = shoulderAt(u) + down * (edgeAt(u) - shoulderAt(u))
      return [first[0] + u * along[0] - across * along[1], first[1] + u * along[1] + across * along[0]]
    },
    downAt(place) {
      const [u, across] = turned(place)
      return { alongPx: u - from, down: (across - shoulderAt(u)) / (edgeAt(u) - shoulderAt(u)) }
    },
  }
}

const ends = (taps: readonly Vec2[]): [Vec2, Vec2] => {
  const wide = spreadOf(taps, 0) >= spreadOf(taps, 1) ? 0 : 1
  const by = [...taps].sort((a, b) => a[wide] - b[wide])
  return [nth(by, 0), lastOf(by)]
}
const spreadOf = (taps: readonly Vec2[], i: 0 | 1): number =>
  Math.max(...taps.map((tap) => tap[i])) - Math.min(...taps.map((tap) => tap[i]))

/** Taps that lie this close to a parabola, as a fraction of their length, are on it: the rest is the hand's. */
const ON_PARABOLA = 0.006

/** The line through points in order of their first coordinate: a parabola where it fits, else from point to point. */
function lineThrough(points: readonly Vec2[]): (u: number) => number {
  if (points.length >= 4) {
    const bowed = parabolaThrough(points)
    const most = Math.max(4, ON_PARABOLA * (lastOf(points)[0] - nth(points, 0)[0]))
    if (bowed && points.every(([u, d]) => Math.abs(bowed(u) - d) <= most)) return bowed
  }
  return (u) => {
    let i = 1
    while (i < points.length - 1 && nth(points, i)[0] < u) i++
    const [[u0, d0], [u1, d1]] = [nth(points, i - 1), nth(points, i)]
    return u1 === u0 ? d1 : d0 + ((d1 - d0) * (u - u0)) / (u1 - u0)
  }
}

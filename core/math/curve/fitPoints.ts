import fitCurve from 'fit-curve'
import { lastOf, nth } from '../list'
import { degrees } from '../units/angle'
import { dot, length, subtract, type Vec2 } from '../vector/vec2'
import type { Segment } from './segment'
import { segmentAt } from './segmentAt'

export interface FittedCurve {
  readonly segments: Segment[]
  /** The greatest distance of a point from the curve, mm. */
  readonly residualMm: number
}

/** A turn sharper than this over the window is a corner and stays sharp. */
const CORNER_DEG = 28
const MOST_ARC_DEG = 170

/**
 * Fits a chain of points (two or more, mm) by as few lines, arcs and Béziers as keep within a tolerance, its corners
 * kept sharp. Corners are looked for over a window of three tolerances, so that a noisy trace has none by chance. Lines
 * and arcs through a stretch's ends first, then Béziers. Source: Schneider, "An algorithm for automatically fitting
 * digitized curves", 1990.
 */
export function fitPoints(points: readonly Vec2[], toleranceMm: number): FittedCurve {
  const distinct = points.filter((point, i) => i === 0 || length(subtract(point, nth(points, i - 1))) > 1e-6)
  const corners = cornersOf(distinct, Math.max(1, 3 * toleranceMm))
  const cuts = [0, ...corners, distinct.length - 1]
  const segments: Segment[] = []
  let residualMm = 0
  for (let i = 1; i < cuts.length; i++) {
    const fitted = fitStretch(distinct.slice(cuts[i - 1], nth(cuts, i) + 1), toleranceMm)
    segments.push(...fitted.segments)
    residualMm = Math.max(residualMm, fitted.residualMm)
  }
  return { segments, residualMm }
}

function fitStretch(points: readonly Vec2[], toleranceMm: number): FittedCurve {
  const [from, to] = [nth(points, 0), lastOf(points)]
  const line: FittedCurve = {
    segments: [{ type: 'line', from: [...from], to: [...to] }],
    residualMm: Math.max(...points.map((point) => fromLine(point, from, to))),
  }
  if (points.length === 2 || line.residualMm <= toleranceMm) return line
  const arc = arcThroughEnds(points)
  if (arc && arc.residualMm <= toleranceMm) return arc
  let best: FittedCurve = line
  for (const error of [toleranceMm ** 2, (toleranceMm / 2) ** 2, (toleranceMm / 4) ** 2]) {
    const beziers = (
      fitCurve(
        points.map((point) => [...point]),
        error,
      ) as [number, number][][]
    ).map((p): Segment => ({ type: 'bezier', points: [nth(p, 0), nth(p, 1), nth(p, 2), nth(p, 3)] }))
    const residualMm = Math.max(...points.map((point) => fromBeziers(point, beziers)))
    best = { segments: beziers, residualMm }
    if (residualMm <= toleranceMm) break
  }
  return best
}

/** The arc through the ends whose height over their chord is the best for the points between; null where it is none. */
function arcThroughEnds(points: readonly Vec2[]): FittedCurve | null {
  const [from, to] = [nth(points, 0), lastOf(points)]
  const chord = length(subtract(to, from))
  if (chord < 1e-6) return null
  const [ax, ay] = [(to[0] - from[0]) / chord, (to[1] - from[1]) / chord]
  // In the chord's own frame the circle through the ends is x² − c·x + y² − 2·k·y = 0: least squares for k.
  let [above, below] = [0, 0]
  for (const point of points) {
    const [x, y] = [dot(subtract(point, from), [ax, ay]), dot(subtract(point, from), [-ay, ax])]
    above += 2 * y * (x * x - chord * x + y * y)
    below += 4 * y * y
  }
  if (below < 1e-12) return null
  const k = above / below
  const radiusMm = Math.hypot(chord / 2, k)
  const centre: Vec2 = [from[0] + (ax * chord) / 2 - ay * k, from[1] + (ay * chord) / 2 + ax * k]
  const angle = (point: Vec2) => degrees(Math.atan2(point[1] - centre[1], point[0] - centre[0]))
  const startDeg = angle(from)
  const middle = nth(points, Math.floor(points.length / 2))
  let sweep = ((angle(to) - startDeg + 540) % 360) - 180
  // The way round that the points take.
  const through = ((angle(middle) - startDeg + 540) % 360) - 180
  if (sweep > 0 !== through > 0) sweep += sweep > 0 ? -360 : 360
  if (Math.abs(sweep) > MOST_ARC_DEG || radiusMm > 20_000) return null
  const residualMm = Math.max(...points.map((point) => Math.abs(length(subtract(point, centre)) - radiusMm)))
  return { segments: [{ type: 'arc', centre: [...centre], radiusMm, startDeg, endDeg: startDeg + sweep }], residualMm }
}

/** Where the chain turns sharply: looked at over a window to either side, the sharpest place of each turn. */
function cornersOf(points: readonly Vec2[], windowMm: number): number[] {
  const turned = points.map((_, i) => {
    const [before, after] = [reach(points, i, -1, windowMm), reach(points, i, 1, windowMm)]
    if (before === null || after === null) return 0
    const [a, b] = [subtract(nth(points, i), nth(points, before)), subtract(nth(points, after), nth(points, i))]
    return Math.abs(degrees(Math.atan2(a[0] * b[1] - a[1] * b[0], dot(a, b))))
  })
  return turned.flatMap((turn, i) => {
    if (turn < CORNER_DEG) return []
    const near = points.map((_, j) => j).filter((j) => length(subtract(nth(points, j), nth(points, i))) <= windowMm)
    const sharpest = near.reduce((best, j) => (nth(turned, j) > nth(turned, best) ? j : best), nth(near, 0))
    return sharpest === i ? [i] : []
  })
}

/** The first point at least so far away, in one direction along the chain. */
function reach(points: readonly Vec2[], from: number, towards: 1 | -1, mm: number): number | null {
  for (let i = from + towards; i >= 0 && i < points.length; i += towards)
    if (length(subtract(nth(points, i), nth(points, from))) >= mm) return i
  const end = towards === 1 ? points.length - 1 : 0
  return end === from ? null : end
}

function fromLine(point: Vec2, from: Vec2, to: Vec2): number {
  const [along, away] = [subtract(to, from), subtract(point, from)]
  const share = Math.min(1, Math.max(0, dot(away, along) / Math.max(dot(along, along), 1e-12)))
  return length(subtract(away, [along[0] * share, along[1] * share]))
}

const SAMPLES = 48
function fromBeziers(point: Vec2, beziers: readonly Segment[]): number {
  let nearest = Infinity
  for (const piece of beziers) {
    if (piece.type !== 'bezier') continue
    let before: Vec2 = piece.points[0]
    for (let i = 1; i <= SAMPLES; i++) {
      const here = segmentAt(piece, i / SAMPLES).point
      nearest = Math.min(nearest, fromLine(point, before, here))
      before = here
    }
  }
  return nearest
}

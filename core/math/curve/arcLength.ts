import { nth } from '../list'
import type { BezierSegment, Segment } from './segment'
import { bezierSpeed } from './segmentAt'

// Nodes and weights of 8-point Gauss–Legendre quadrature on [-1, 1] (Abramowitz & Stegun, table 25.4).
const NODES = [0.1834346424956498, 0.525532409916329, 0.7966664774136267, 0.9602898564975363]
const WEIGHTS = [0.362683783378362, 0.3137066458778873, 0.2223810344533745, 0.1012285362903763]
const PANELS = 16

/** Length of a Bézier between two parameters that lie within one panel. */
function panelLength(bezier: BezierSegment, t0: number, t1: number): number {
  const half = (t1 - t0) / 2
  const middle = t0 + half
  let sum = 0
  for (let i = 0; i < NODES.length; i++) {
    const offset = nth(NODES, i) * half
    sum += nth(WEIGHTS, i) * (bezierSpeed(bezier, middle - offset) + bezierSpeed(bezier, middle + offset))
  }
  return sum * half
}

const knotsOf = new WeakMap<BezierSegment, readonly number[]>()

/** Lengths from the start to each panel's end, worked out once for a Bézier. */
function knots(bezier: BezierSegment): readonly number[] {
  const known = knotsOf.get(bezier)
  if (known) return known
  const lengths = [0]
  for (let panel = 0; panel < PANELS; panel++)
    lengths.push(nth(lengths, panel) + panelLength(bezier, panel / PANELS, (panel + 1) / PANELS))
  knotsOf.set(bezier, lengths)
  return lengths
}

/** Length of a segment in mm. Lines and arcs exactly, Béziers by quadrature (to 1e-9 of their length). */
export function segmentLength(segment: Segment): number {
  if (segment.type === 'line') return Math.hypot(segment.to[0] - segment.from[0], segment.to[1] - segment.from[1])
  if (segment.type === 'arc') return (Math.abs(segment.endDeg - segment.startDeg) * Math.PI * segment.radiusMm) / 180
  return nth(knots(segment), PANELS)
}

/** The parameter at which a segment has run `lengthMm` from its start (clamped to its ends). */
export function parameterAtLength(segment: Segment, lengthMm: number): number {
  const total = segmentLength(segment)
  const wanted = Math.min(total, Math.max(0, lengthMm))
  if (segment.type !== 'bezier') return wanted / total
  const lengths = knots(segment)
  const panel = Math.max(0, lengths.findIndex((length, i) => i > 0 && length >= wanted) - 1)
  const start = panel / PANELS
  let low = start
  let high = start + 1 / PANELS
  let t = low + (wanted - nth(lengths, panel)) / (nth(lengths, panel + 1) - nth(lengths, panel)) / PANELS
  for (let step = 0; step < 40; step++) {
    const error = nth(lengths, panel) + panelLength(segment, start, t) - wanted
    if (Math.abs(error) < 1e-10) break
    if (error > 0) high = t
    else low = t
    const newton = t - error / Math.max(bezierSpeed(segment, t), 1e-12)
    t = newton >= low && newton <= high ? newton : (low + high) / 2
  }
  return t
}

/** Length of a whole curve in mm. */
export const curveLength = (curve: readonly Segment[]): number =>
  curve.reduce((sum, segment) => sum + segmentLength(segment), 0)

import { lastOf, nth } from '../../math/list'
import { drawnHeel } from '../../records/blade/heel'
import { reversed } from '../../math/curve/reversed'
import type { Segment } from '../../math/curve/segment'
import { segmentAt } from '../../math/curve/segmentAt'
import { crossesItself } from '../../math/curve/crossesItself'
import { restOf } from '../../math/curve/restOf'
import { shifted } from '../../math/curve/shifted'
import { smoothed } from '../../math/curve/smoothed'
import { evenEdgePoints } from '../../math/curve/edgePoints'
import type { Finding } from '../../schema/problem'
import type { Vec2 } from '../../math/vector/vec2'
import { withoutGaps, type DrawnPath } from './drawnPath'

/** How a drawing lies: its unit, and whether its tip is at the left and its edge below. */
export interface DrawingAxes {
  readonly mmPerUnit: number
  readonly tipAtLeft: boolean
  readonly edgeBelow: boolean
}

export type PlacedEdge =
  | {
      readonly ok: true
      readonly edge: Segment[]
      readonly spine: Segment[] | null
      /** Whether the drawing shows a choil, or a heel that stands free. */
      readonly choil: boolean
      /** How far the drawn points of a bend are from the curve that was fitted to them, mm; 0 where none was. */
      readonly residualMm: number
    }
  | ({ readonly ok: false } & Finding)

/** Bends drawn as many short lines are fitted within this, mm: a drawing is exact, a scan is not. */
const FIT_MM = 0.005

/** A heel line rises this much more than it runs, and takes this much of the outline's height. */
const HEEL_LINE = { leastSlope: 2, leastShare: 0.25 } as const
const LEAST_EDGE_MM = 5
const CHECKED = 240

/**
 * Puts a drawn path into the blade's frame: x from heel to tip from 0, y from spine (0) to edge. A closed outline is
 * parted at heel and tip into edge and spine; of an open one all is edge, and `widthMm` says how far its widest place
 * is from the spine. A choil that was drawn is left out of the edge, and bends of many short lines are fitted. Refused
 * when it has no length to speak of or crosses itself. Source: docs/geometry.md, "Frames".
 */
export function placeEdge(path: DrawnPath, axes: DrawingAxes, widthMm: number): PlacedEdge {
  const turned = withoutGaps(path.segments.map((piece) => mapped(piece, axes)))
  const [start, end] = [segmentAt(nth(turned, 0), 0).point, segmentAt(lastOf(turned), 1).point]
  const span = extent(turned)
  if (span.maxX - span.minX < LEAST_EDGE_MM)
    return { ok: false, code: 'edge-too-short', figures: { lengthMm: span.maxX - span.minX, leastMm: LEAST_EDGE_MM } }
  const closed = Math.hypot(start[0] - end[0], start[1] - end[1]) < 0.01 * (span.maxX - span.minX)
  const parts = closed
    ? parted(turned, span)
    : { edge: start[0] <= end[0] ? turned : [...reversed(turned)], spine: null }
  if (parts.edge.length === 0) return { ok: false, code: 'no-edge-in-outline' }
  const heel = drawnHeel(parts.edge)
  const [smoothEdge, smoothSpine] = [smoothed(heel.edge, FIT_MM), parts.spine && smoothed(parts.spine, FIT_MM)]
  const at = extent(parts.spine ? [...heel.edge, ...parts.spine] : heel.edge)
  const heelX = segmentAt(nth(heel.edge, 0), 0).point[0]
  const shift: Vec2 = [-heelX, parts.spine ? -at.minY : widthMm - at.maxY]
  const edge = shifted(smoothEdge.segments, shift)
  const crossing = crossesItself(evenEdgePoints(edge, CHECKED).map((edgePoint) => edgePoint.point))
  if (crossing !== null) return { ok: false, code: 'crosses-itself' }
  const spine = smoothSpine && fromHeelOn(shifted(smoothSpine.segments, shift))
  return {
    ok: true,
    edge,
    spine,
    choil: heel.choil,
    residualMm: Math.max(smoothEdge.residualMm, smoothSpine?.residualMm ?? 0),
  }
}

function mapped(piece: Segment, { mmPerUnit: k, tipAtLeft, edgeBelow }: DrawingAxes): Segment {
  const [sx, sy] = [tipAtLeft ? -k : k, edgeBelow ? -k : k]
  const p = ([x, y]: Vec2): [number, number] => [x * sx, y * sy]
  if (piece.type === 'line') return { type: 'line', from: p(piece.from), to: p(piece.to) }
  if (piece.type === 'bezier')
    return { type: 'bezier', points: [p(piece.points[0]), p(piece.points[1]), p(piece.points[2]), p(piece.points[3])] }
  const mirror = (deg: number) => (sx < 0 ? 180 - deg : deg) * (sy < 0 ? -1 : 1)
  return {
    type: 'arc',
    centre: p(piece.centre),
    radiusMm: piece.radiusMm * k,
    startDeg: mirror(piece.startDeg),
    endDeg: mirror(piece.endDeg),
  }
}

const HEEL_FINE = 400
/** What of a spine lies above the edge: from over the heel (x = 0) on. */
function fromHeelOn(spine: readonly Segment[]): Segment[] {
  const edgePoints = evenEdgePoints(spine, HEEL_FINE)
  const next = edgePoints.findIndex((edgePoint) => edgePoint.point[0] >= 0)
  if (next <= 0) return [...spine]
  const [before, after] = [nth(edgePoints, next - 1), nth(edgePoints, next)]
  const share = -before.point[0] / (after.point[0] - before.point[0])
  return restOf(spine, before.fromHeelMm + share * (after.fromHeelMm - before.fromHeelMm))
}

interface Extent {
  readonly minX: number
  readonly maxX: number
  readonly minY: number
  readonly maxY: number
}

function extent(pieces: readonly Segment[]): Extent {
  const points = pieces.flatMap((piece) => Array.from({ length: 17 }, (_, i) => segmentAt(piece, i / 16).point))
  const [xs, ys] = [points.map((p) => p[0]), points.map((p) => p[1])]
  return { minX: Math.min(...xs), maxX: Math.max(...xs), minY: Math.min(...ys), maxY: Math.max(...ys) }
}

/**
 * A closed outline parted at tip and heel: the tip is the joint farthest along; the line at the heel is no part of edge
 * or spine.
 */
function parted(pieces: readonly Segment[], span: Extent): { edge: Segment[]; spine: Segment[] | null } {
  const ends = (piece: Segment) => [segmentAt(piece, 0).point, segmentAt(piece, 1).point] as const
  const tip = pieces.reduce((best, piece, i) => (ends(piece)[0][0] > ends(nth(pieces, best))[0][0] ? i : best), 0)
  // From the tip round to the tip again.
  const round = [...pieces.slice(tip), ...pieces.slice(0, tip)]
  const isHeelLine = (piece: Segment) => {
    const [from, to] = ends(piece)
    const [run, rise] = [Math.abs(to[0] - from[0]), Math.abs(to[1] - from[1])]
    return (
      rise > HEEL_LINE.leastSlope * run &&
      rise > HEEL_LINE.leastShare * (span.maxY - span.minY) &&
      Math.min(from[0], to[0]) < span.minX + 0.2 * (span.maxX - span.minX)
    )
  }
  const [first, last] = [round.findIndex(isHeelLine), round.findLastIndex(isHeelLine)]
  const heelMost = round.reduce((best, piece, i) => (ends(piece)[1][0] < ends(nth(round, best))[1][0] ? i : best), 0)
  const back = round.slice(0, first < 0 ? heelMost + 1 : first)
  const forth = round.slice(first < 0 ? heelMost + 1 : last + 1)
  const meanY = (all: readonly Segment[]) =>
    all.reduce((sum, piece) => sum + segmentAt(piece, 0.5).point[1], 0) / Math.max(1, all.length)
  const reversedBack = [...reversed(back)]
  if (back.length === 0 || forth.length === 0) return { edge: forth.length > 0 ? forth : reversedBack, spine: null }
  return meanY(forth) >= meanY(reversedBack)
    ? { edge: forth, spine: reversedBack }
    : { edge: reversedBack, spine: forth }
}

import { reversed } from '../../curve/reversed'
import type { Segment } from '../../curve/segment'
import { segmentAt } from '../../curve/segmentAt'
import { crossesItself } from '../../curve/crossesItself'
import { evenStations } from '../../curve/stations'
import type { Vec2 } from '../../vector/vec2'
import type { DrawnPath } from './drawnPath'

/** How a drawing lies: its unit, and whether its tip is at the left and its edge below. */
export interface DrawingAxes {
  readonly mmPerUnit: number
  readonly tipAtLeft: boolean
  readonly edgeBelow: boolean
}

export type PlacedEdge =
  | { readonly ok: true; readonly edge: Segment[]; readonly spine: Segment[] | null }
  | { readonly ok: false; readonly message: string }

/** A drawn heel line this near to square is the heel and no part of the edge. */
const HEEL_RUN_SHARE = 0.03
const LEAST_EDGE_MM = 5
const CHECKED = 240

/**
 * Puts a drawn path into the blade's frame: x from heel to tip from 0, y from spine (0) to edge. A closed outline is parted at heel and
 * tip into edge and spine; of an open one all is edge, and `widthMm` says how far its widest place is from the spine. Refused when
 * it has no length to speak of or crosses itself. Source: docs/geometry.md, "Frames".
 */
export function placeEdge(path: DrawnPath, axes: DrawingAxes, widthMm: number): PlacedEdge {
  const turned = path.segments.map((piece) => mapped(piece, axes))
  const [start, end] = [segmentAt(turned[0]!, 0).point, segmentAt(turned.at(-1)!, 1).point]
  const span = extent(turned)
  if (span.maxX - span.minX < LEAST_EDGE_MM) return { ok: false, message: `This path is ${(span.maxX - span.minX).toFixed(1)} mm long: too short for an edge. Is the unit right?` }
  const closed = Math.hypot(start[0] - end[0], start[1] - end[1]) < 0.01 * (span.maxX - span.minX)
  const parts = closed ? parted(turned, span) : { edge: start[0] <= end[0] ? turned : [...reversed(turned)], spine: null }
  if (parts.edge.length === 0) return { ok: false, message: 'This outline has no edge that runs from heel to tip.' }
  const at = extent(parts.spine ? [...parts.edge, ...parts.spine] : parts.edge)
  const heelX = segmentAt(parts.edge[0]!, 0).point[0]
  const shift: Vec2 = [-heelX, parts.spine ? -at.minY : widthMm - at.maxY]
  const edge = parts.edge.map((piece) => shifted(piece, shift))
  const crossing = crossesItself(evenStations(edge, CHECKED).map((station) => station.point))
  if (crossing !== null) return { ok: false, message: 'This edge crosses itself: take a simpler path.' }
  return { ok: true, edge, spine: parts.spine?.map((piece) => shifted(piece, shift)) ?? null }
}

function mapped(piece: Segment, { mmPerUnit: k, tipAtLeft, edgeBelow }: DrawingAxes): Segment {
  const [sx, sy] = [tipAtLeft ? -k : k, edgeBelow ? -k : k]
  const p = ([x, y]: Vec2): [number, number] => [x * sx, y * sy]
  if (piece.type === 'line') return { type: 'line', from: p(piece.from), to: p(piece.to) }
  if (piece.type === 'bezier') return { type: 'bezier', points: [p(piece.points[0]), p(piece.points[1]), p(piece.points[2]), p(piece.points[3])] }
  const mirror = (deg: number) => (sx < 0 ? 180 - deg : deg) * (sy < 0 ? -1 : 1)
  return { type: 'arc', centre: p(piece.centre), radiusMm: piece.radiusMm * k, startDeg: mirror(piece.startDeg), endDeg: mirror(piece.endDeg) }
}

function shifted(piece: Segment, [dx, dy]: Vec2): Segment {
  const p = ([x, y]: Vec2): [number, number] => [x + dx, y + dy]
  if (piece.type === 'line') return { type: 'line', from: p(piece.from), to: p(piece.to) }
  if (piece.type === 'arc') return { ...piece, centre: p(piece.centre) }
  return { type: 'bezier', points: [p(piece.points[0]), p(piece.points[1]), p(piece.points[2]), p(piece.points[3])] }
}

function extent(pieces: readonly Segment[]): { minX: number; maxX: number; minY: number; maxY: number } {
  const points = pieces.flatMap((piece) => Array.from({ length: 17 }, (_, i) => segmentAt(piece, i / 16).point))
  const [xs, ys] = [points.map((p) => p[0]), points.map((p) => p[1])]
  return { minX: Math.min(...xs), maxX: Math.max(...xs), minY: Math.min(...ys), maxY: Math.max(...ys) }
}

/** A closed outline parted at its joints: the tip is the joint farthest along; the heel's own line is left out. */
function parted(pieces: readonly Segment[], span: { minX: number; maxX: number }): { edge: Segment[]; spine: Segment[] | null } {
  const starts = pieces.map((piece) => segmentAt(piece, 0).point)
  const tip = starts.reduce((best, point, i) => (point[0] > starts[best]![0] ? i : best), 0)
  // From the tip round to the tip again.
  const round = [...pieces.slice(tip), ...pieces.slice(0, tip)]
  const run = (piece: Segment) => Math.abs(segmentAt(piece, 1).point[0] - segmentAt(piece, 0).point[0])
  const isHeel = (piece: Segment) => run(piece) < HEEL_RUN_SHARE * (span.maxX - span.minX) && Math.min(segmentAt(piece, 0).point[0], segmentAt(piece, 1).point[0]) < span.minX + 0.2 * (span.maxX - span.minX)
  const out = round.findIndex((piece, i) => isHeel(piece) || segmentAt(piece, 1).point[0] > segmentAt(piece, 0).point[0] + 1e-9 && i > 0)
  const cut = out < 0 ? Math.floor(round.length / 2) : out
  const back = round.slice(0, cut)
  const forth = round.slice(cut).filter((piece) => !isHeel(piece))
  const meanY = (all: readonly Segment[]) => all.reduce((sum, piece) => sum + segmentAt(piece, 0.5).point[1], 0) / Math.max(1, all.length)
  const reversedBack = [...reversed(back)]
  if (back.length === 0 || forth.length === 0) return { edge: forth.length > 0 ? forth : reversedBack, spine: null }
  return meanY(forth) >= meanY(reversedBack) ? { edge: forth, spine: reversedBack } : { edge: reversedBack, spine: forth }
}

// @ts-expect-error: the package brings no types; what is used of it is told below.
import { parseString } from 'dxf'
import Drawing from 'dxf-writer'
import { nth } from '../../math/list'
import type { Curve } from '../../math/curve/curve'
import { fitPoints } from '../../math/curve/fitPoints'
import type { Segment } from '../../math/curve/segment'
import { segmentAt } from '../../math/curve/segmentAt'
import { degrees } from '../../math/units/angle'
import type { Vec2 } from '../../math/vector/vec2'
import { reversed } from '../../math/curve/reversed'
import {
  chained,
  counted,
  endsOf,
  extentOf,
  JOIN_SHARE,
  type DrawnPath,
  type ReadDrawing,
  type WrittenBlade,
} from './drawnPath'

/** $INSUNITS of the header: millimetres for a unit. */
const MM_PER: Record<number, number> = { 1: 25.4, 2: 304.8, 4: 1, 5: 10, 6: 1000 }
/**
 * Splines are sampled until their chords are so near to them and then fitted this closely, as shares of their extent. A
 * stretch between two knots is parted into four at least, and no more often than so.
 */
const SPLINE = { sampledShare: 5e-6, fittedShare: 5e-5, leastParts: 4, mostHalvings: 9, most: 100_000 } as const

/** What is smaller or larger than this is no drawing of an edge, in whatever unit. */
const [LEAST_EXTENT, MOST_EXTENT] = [1e-6, 1e9]

interface ParsedDxf {
  readonly header: { readonly insUnits?: number }
  readonly entities: readonly unknown[]
}
/** Throws where a section is not one. */
const parse = parseString as (text: string) => ParsedDxf
interface Point {
  readonly x: number
  readonly y: number
}
/** As the package has an entity, as far as it is read here; angles in radians. */
interface Entity {
  readonly type: string
  readonly layer?: string
  readonly visible?: boolean
  readonly paperSpace?: number
  /** −1 where it is seen from below: its own x runs the other way. */
  readonly extrusionZ?: number
  readonly start?: Point
  readonly end?: Point
  readonly vertices?: readonly (Point & { readonly bulge?: number })[]
  readonly closed?: boolean
  readonly x?: number
  readonly y?: number
  readonly r?: number
  readonly startAngle?: number
  readonly endAngle?: number
  readonly controlPoints?: readonly Point[]
  readonly knots?: readonly number[]
  readonly weights?: readonly number[]
  readonly degree?: number
}

/**
 * Reads the lines, arcs, polylines and splines of a DXF, joined where their ends meet, layer by layer. What is hidden,
 * or on a sheet of paper, is left out.
 */
export function readDxf(text: string): ReadDrawing {
  const lines = text.split(/\r\n|\r|\n/).map((line) => line.trim())
  // Every DXF says where it ends.
  if (lines.includes('0') && !lines.includes('EOF')) return { ok: false, code: 'file-cut-off' }
  let drawing: ParsedDxf
  try {
    drawing = parse(fitPointsAsControls(lines).join('\n'))
  } catch {
    return { ok: false, code: 'not-dxf' }
  }
  if (!lines.includes('ENTITIES')) return { ok: false, code: 'not-dxf' }
  const entities = (drawing.entities as readonly Entity[]).filter(
    ({ visible, paperSpace }) => visible !== false && !paperSpace,
  )
  const read = entities.map((entity) => ({
    kind: entity.type,
    layer: entity.layer ?? '',
    segments: segmentsOf(entity),
  }))
  const pieces = read.flatMap(({ segments }) => segments)
  if (pieces.length === 0) {
    const only = [...new Set(entities.map((entity) => entity.type))].join(', ')
    return { ok: false, code: 'nothing-drawn-in-dxf', figures: { only } }
  }
  const unit = Number(drawing.header.insUnits)
  const joinAt = JOIN_SHARE * extentOf(pieces.flatMap(endsOf))
  const on = (layer: string) => read.flatMap((one) => (one.layer === layer ? one.segments : []))
  return {
    ok: true,
    paths: byLayer([...new Set(read.map(({ layer }) => layer))], on, joinAt),
    mmPerUnit: MM_PER[unit] ?? null,
    written: MM_PER[unit] === 1 ? writtenIn(on) : null,
    leftOut: counted(read.filter(({ segments }) => segments.length === 0).map(({ kind }) => kind)),
  }
}

/** The chains of each layer by itself; and of all together where they go on from one layer to another. */
function byLayer(layers: readonly string[], on: (layer: string) => Segment[], joinAt: number): DrawnPath[] {
  const chains = layers.flatMap((layer) =>
    chained(on(layer), joinAt).map((segments, i) => ({ name: `${layer || 'chain'} ${i + 1}`, segments })),
  )
  const across = chained(layers.flatMap(on), joinAt)
  if (across.length === chains.length) return chains
  return [...chains, ...across.map((segments, i) => ({ name: `all layers ${i + 1}`, segments }))]
}

/**
 * The package leaves out what a spline goes through: where that is all a spline has, it stands for its control points
 * here. Lines come in pairs of a code and its value.
 */
function fitPointsAsControls(lines: readonly string[]): string[] {
  const out = [...lines]
  const isStart = (i: number) => out[i] === '0'
  for (let i = 0; i + 1 < out.length; i += 2) {
    if (!isStart(i) || out[i + 1] !== 'SPLINE') continue
    let end = i + 2
    while (end < out.length && !isStart(end)) end += 2
    const codes = Array.from({ length: (end - i) / 2 - 1 }, (_, k) => i + 2 + 2 * k)
    if (codes.some((at) => out[at] === '10')) continue
    for (const at of codes) if (out[at] === '11' || out[at] === '21') out[at] = String(Number(out[at]) - 1)
  }
  return out
}

/** Pieces that were written here meet this nearly, and their blade begins over x = 0. */
const WRITTEN_MM = 1e-6
/** The blade on the layers edge and spine: one chain each that begins over the heel, where this wrote them. */
function writtenIn(piecesOn: (layer: string) => Segment[]): WrittenBlade | null {
  const fromHeel = (layer: string): Segment[] | null => {
    const chains = chained(piecesOn(layer), WRITTEN_MM)
    const [chain] = chains
    if (chains.length !== 1 || !chain) return null
    const beginsAtHeel = (curve: readonly Segment[]) => Math.abs(segmentAt(nth(curve, 0), 0).point[0]) < WRITTEN_MM
    return [chain, [...reversed(chain)]].find(beginsAtHeel) ?? null
  }
  const edge = fromHeel('edge')
  return edge && segmentAt(nth(edge, 0), 0).point[1] > 0 ? { edge, spine: fromHeel('spine') } : null
}

const point = (at: Point): [number, number] => [at.x, at.y]
const apart = (a: Vec2, b: Vec2): number => Math.hypot(a[0] - b[0], a[1] - b[1])
const isPoint = (at: Point | undefined): at is Point =>
  at !== undefined && Number.isFinite(at.x) && Number.isFinite(at.y)

/** An entity as pieces; none where it is of another kind, or a figure of it is none. */
function segmentsOf(entity: Entity): Segment[] {
  const pieces = asDrawn(entity)
  // A line is drawn in the world, what is flat in a plane of its own.
  return (entity.extrusionZ ?? 1) < 0 && entity.type !== 'LINE' && entity.type !== 'SPLINE'
    ? pieces.map(seenFromBelow)
    : pieces
}
function asDrawn({ type, start, end, vertices = [], closed, ...entity }: Entity): Segment[] {
  if (type === 'LINE' && isPoint(start) && isPoint(end) && apart(point(start), point(end)) > 1e-9)
    return [{ type: 'line', from: point(start), to: point(end) }]
  if ((type === 'LWPOLYLINE' || type === 'POLYLINE') && vertices.every(isPoint)) {
    const round = closed ? [...vertices, ...vertices.slice(0, 1)] : vertices
    return round.slice(1).flatMap((to, i) => bulged(point(nth(round, i)), point(to), nth(round, i).bulge || 0))
  }
  const { x = NaN, y = NaN, r = NaN, startAngle = NaN, endAngle = NaN } = entity
  if (type === 'ARC' && [x, y, startAngle, endAngle].every(Number.isFinite) && r > 0) {
    const [startDeg, endDeg] = [degrees(startAngle), degrees(endAngle)]
    return [{ type: 'arc', centre: [x, y], radiusMm: r, startDeg, endDeg: endDeg <= startDeg ? endDeg + 360 : endDeg }]
  }
  if (type === 'SPLINE' && (entity.controlPoints ?? []).every(isPoint)) {
    const [a, b, c, d] = (entity.controlPoints ?? []).map(point)
    if (a && b && c && d && isBezier(entity)) return [{ type: 'bezier', points: [a, b, c, d] }]
    const points = splinePoints(entity)
    const extent = points.length > 1 ? extentOf(points) : 0
    // A figure of another order than a drawing's takes the others' digits away.
    if (!(extent > LEAST_EXTENT && extent < MOST_EXTENT)) return []
    return fitPoints(points, SPLINE.fittedShare * extent).segments
  }
  return []
}

/** A piece with its x turned round; an arc goes on against the clock. */
function seenFromBelow(piece: Segment): Segment {
  const turned = ([x, y]: Vec2): [number, number] => [-x, y]
  if (piece.type === 'line') return { type: 'line', from: turned(piece.from), to: turned(piece.to) }
  if (piece.type === 'arc')
    return { ...piece, centre: turned(piece.centre), startDeg: 180 - piece.startDeg, endDeg: 180 - piece.endDeg }
  const [a, b, c, d] = piece.points
  return { type: 'bezier', points: [turned(a), turned(b), turned(c), turned(d)] }
}

/** A spline of one piece without weights: its control points are those of a cubic Bézier. */
const isBezier = ({
  controlPoints = [],
  knots = [],
  weights = [],
  degree,
}: Pick<Entity, 'controlPoints' | 'knots' | 'weights' | 'degree'>): boolean =>
  degree === 3 &&
  controlPoints.length === 4 &&
  knots.length === 8 &&
  weights.every((weight) => weight === weights[0]) &&
  [0, 4].every((at) => knots.slice(at, at + 4).every((knot) => knot === knots[at])) &&
  nth(knots, 0) < nth(knots, 4)

/** A stretch of a polyline: straight, or the arc whose bulge is the tangent of a quarter of its sweep. */
function bulged(from: [number, number], to: [number, number], bulge: number): Segment[] {
  const chord = apart(from, to)
  if (chord < 1e-9) return []
  if (Math.abs(bulge) < 1e-9) return [{ type: 'line', from, to }]
  const sweep = 4 * Math.atan(bulge)
  const radiusMm = chord / 2 / Math.abs(Math.sin(sweep / 2))
  const toCentre = (chord / 2) * (1 / Math.tan(sweep / 2))
  const [ux, uy] = [(to[0] - from[0]) / chord, (to[1] - from[1]) / chord]
  const centre: [number, number] = [(from[0] + to[0]) / 2 - uy * toCentre, (from[1] + to[1]) / 2 + ux * toCentre]
  const startDeg = degrees(Math.atan2(from[1] - centre[1], from[0] - centre[0]))
  return [{ type: 'arc', centre, radiusMm, startDeg, endDeg: startDeg + degrees(sweep) }]
}

/**
 * Points of a B-spline, rational where it has weights, by de Boor's algorithm in homogeneous coordinates; of one that
 * has only points to go through, those.
 */
function splinePoints({
  controlPoints = [],
  knots = [],
  weights = [],
  degree = 3,
}: Pick<Entity, 'controlPoints' | 'knots' | 'weights' | 'degree'>): Vec2[] {
  if (!(degree >= 1 && degree < controlPoints.length) || knots.length < controlPoints.length + degree + 1)
    return knots.length === 0 ? controlPoints.map(point) : []
  const controls = controlPoints.map(({ x, y }, i) => {
    const w = weights.length === controlPoints.length ? nth(weights, i) : 1
    return [w * x, w * y, w] as const
  })
  const nearMm = SPLINE.sampledShare * extentOf(controlPoints.map(point))
  const points: Vec2[] = []
  for (let k = degree; k < controlPoints.length; k++) {
    const [from, to] = [nth(knots, k), nth(knots, k + 1)]
    if (!(from < to)) continue
    const size = (to - from) / SPLINE.leastParts
    points.push(at(from, k))
    for (let i = 0; i < SPLINE.leastParts; i++) sample(from + i * size, from + (i + 1) * size, k, SPLINE.mostHalvings)
  }
  return points

  /** The points after `from` up to `to`, between the knots of one stretch. */
  function sample(from: number, to: number, k: number, halvings: number): void {
    const [start, end] = [at(from, k), at(to, k)]
    const near = [0.25, 0.5, 0.75].every((share) => offChord(at(from + share * (to - from), k), start, end) <= nearMm)
    if (near || halvings === 0 || points.length > SPLINE.most) return void points.push(end)
    const middle = (from + to) / 2
    sample(from, middle, k, halvings - 1)
    sample(middle, to, k, halvings - 1)
  }

  function at(t: number, k: number): Vec2 {
    const d = Array.from({ length: degree + 1 }, (_, j) => nth(controls, j + k - degree))
    for (let r = 1; r <= degree; r++) {
      for (let j = degree; j >= r; j--) {
        const left = nth(knots, j + k - degree)
        const share = (t - left) / (nth(knots, j + 1 + k - r) - left || 1)
        const [p, q] = [nth(d, j - 1), nth(d, j)]
        d[j] = [0, 1, 2].map((axis) => (1 - share) * nth(p, axis) + share * nth(q, axis)) as [number, number, number]
      }
    }
    const [x, y, w] = nth(d, degree)
    return [x / w, y / w]
  }
}

/** How far a point is off a chord, or off its start where the chord has no length. */
function offChord([x, y]: Vec2, [fromX, fromY]: Vec2, [toX, toY]: Vec2): number {
  const [alongX, alongY] = [toX - fromX, toY - fromY]
  const size = Math.hypot(alongX, alongY)
  if (size === 0) return Math.hypot(x - fromX, y - fromY)
  return Math.abs((x - fromX) * alongY - (y - fromY) * alongX) / size
}

/** The package draws splines; its types do not say so. */
interface WithSplines {
  drawSpline(controlPoints: readonly (readonly [number, number, number])[]): void
}

/** An edge and its spine as DXF in millimetres, each on its layer: lines, arcs, and Béziers as splines of one piece. */
export function writeDxf(edge: Curve, spine: Curve | null): string {
  const drawing = new Drawing() as Drawing & WithSplines
  drawing.setUnits('Millimeters')
  for (const [layer, curve] of [
    ['edge', edge],
    ['spine', spine ?? []],
  ] as const) {
    drawing.addLayer(layer, Drawing.ACI.WHITE!, 'CONTINUOUS')
    drawing.setActiveLayer(layer)
    for (const piece of curve) {
      if (piece.type === 'line') drawing.drawLine(piece.from[0], piece.from[1], piece.to[0], piece.to[1])
      else if (piece.type === 'arc')
        drawing.drawArc(
          piece.centre[0],
          piece.centre[1],
          piece.radiusMm,
          Math.min(piece.startDeg, piece.endDeg),
          Math.max(piece.startDeg, piece.endDeg),
        )
      else drawing.drawSpline(piece.points.map(([x, y]) => [x, y, 0]))
    }
  }
  return drawing.toDxfString()
}

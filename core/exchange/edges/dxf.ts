import DxfParser from 'dxf-parser'
import Drawing from 'dxf-writer'
import type { Curve } from '../../curve/curve'
import { fitPoints } from '../../curve/fitPoints'
import type { Segment } from '../../curve/segment'
import { segmentAt } from '../../curve/segmentAt'
import { degrees } from '../../units/angle'
import type { Vec2 } from '../../vector/vec2'
import { reversed } from '../../curve/reversed'
import { chained, counted, type ReadDrawing, type WrittenBlade } from './drawnPath'

/** $INSUNITS of the header: millimetres for a unit. */
const MM_PER: Record<number, number> = { 1: 25.4, 2: 304.8, 4: 1, 5: 10, 6: 1000 }
/** Splines are sampled so finely and then fitted this closely, as a share of their extent. */
const SPLINE = { samples: 160, toleranceShare: 5e-5 } as const
/** Ends this near to each other are joined, as a share of the drawing's extent. */
const JOIN_SHARE = 2e-4

interface Entity {
  readonly type: string
  readonly layer?: string
  readonly vertices?: readonly { readonly x: number; readonly y: number; readonly bulge?: number }[]
  readonly shape?: boolean
  readonly center?: { readonly x: number; readonly y: number }
  readonly radius?: number
  readonly startAngle?: number
  readonly endAngle?: number
  readonly controlPoints?: readonly { readonly x: number; readonly y: number }[]
  readonly fitPoints?: readonly { readonly x: number; readonly y: number }[]
  readonly knotValues?: readonly number[]
  readonly degreeOfSplineCurve?: number
}

/** Reads the lines, arcs, polylines and splines of a DXF, joined where their ends meet. */
export function readDxf(text: string): ReadDrawing {
  // The parser never comes back from a polyline that is cut off: every DXF says where it ends.
  if (/^\s*0\s*$/m.test(text) && !/^\s*EOF\s*$/m.test(text)) return { ok: false, code: 'file-cut-off' }
  let drawing: ReturnType<DxfParser['parseSync']>
  try {
    drawing = new DxfParser().parseSync(text)
  } catch {
    drawing = null
  }
  if (!drawing) return { ok: false, code: 'not-dxf' }
  const entities = (drawing.entities ?? []) as unknown as Entity[]
  const read = entities.map((entity) => ({ kind: entity.type, layer: entity.layer, segments: segmentsOf(entity) }))
  const pieces = read.flatMap(({ segments }) => segments)
  if (pieces.length === 0) {
    const only = [...new Set(entities.map((entity) => entity.type))].join(', ')
    return { ok: false, code: 'nothing-drawn-in-dxf', figures: { only } }
  }
  const unit = Number((drawing.header as Record<string, unknown> | undefined)?.$INSUNITS)
  const paths = chained(
    pieces,
    JOIN_SHARE * extentOf(pieces.flatMap((piece) => [segmentAt(piece, 0).point, segmentAt(piece, 1).point])),
  ).map((segments, i) => ({ name: `chain ${i + 1}`, segments }))
  return {
    ok: true,
    paths,
    mmPerUnit: MM_PER[unit] ?? null,
    written:
      MM_PER[unit] === 1
        ? writtenIn((layer) => read.flatMap((one) => (one.layer === layer ? one.segments : [])))
        : null,
    leftOut: counted(read.filter(({ segments }) => segments.length === 0).map(({ kind }) => kind)),
  }
}

/** Pieces that were written here meet this nearly, and their blade begins over x = 0. */
const WRITTEN_MM = 1e-6
/** The blade on the layers edge and spine: one chain each that begins over the heel, where this wrote them. */
function writtenIn(piecesOn: (layer: string) => Segment[]): WrittenBlade | null {
  const fromHeel = (layer: string): Segment[] | null => {
    const chains = chained(piecesOn(layer), WRITTEN_MM)
    const [chain] = chains
    if (chains.length !== 1 || !chain) return null
    const beginsAtHeel = (curve: readonly Segment[]) => Math.abs(segmentAt(curve[0]!, 0).point[0]) < WRITTEN_MM
    return [chain, [...reversed(chain)]].find(beginsAtHeel) ?? null
  }
  const edge = fromHeel('edge')
  return edge && segmentAt(edge[0]!, 0).point[1] > 0 ? { edge, spine: fromHeel('spine') } : null
}

const point = (at: { readonly x: number; readonly y: number }): [number, number] => [at.x, at.y]
/** The greater of width and height of what points span. */
const extentOf = (points: readonly Vec2[]): number =>
  Math.max(
    ...([0, 1] as const).map(
      (axis) => Math.max(...points.map((at) => at[axis])) - Math.min(...points.map((at) => at[axis])),
    ),
  )
const apart = (a: Vec2, b: Vec2): number => Math.hypot(a[0] - b[0], a[1] - b[1])

function segmentsOf(entity: Entity): Segment[] {
  const { vertices = [] } = entity
  if (entity.type === 'LINE' && vertices.length === 2 && apart(point(vertices[0]!), point(vertices[1]!)) > 1e-9)
    return [{ type: 'line', from: point(vertices[0]!), to: point(vertices[1]!) }]
  if (entity.type === 'LWPOLYLINE' || entity.type === 'POLYLINE') {
    const closed = entity.shape ? [...vertices, vertices[0]!] : vertices
    return closed.slice(1).flatMap((to, i) => bulged(point(closed[i]!), point(to), closed[i]!.bulge ?? 0))
  }
  if (entity.type === 'ARC' && entity.center && entity.radius) {
    const startDeg = degrees(entity.startAngle ?? 0)
    const end = degrees(entity.endAngle ?? 0)
    return [
      {
        type: 'arc',
        centre: point(entity.center),
        radiusMm: entity.radius,
        startDeg,
        endDeg: end <= startDeg ? end + 360 : end,
      },
    ]
  }
  if (entity.type === 'SPLINE') {
    const [a, b, c, d] = (entity.controlPoints ?? []).map(point)
    if (isBezier(entity)) return [{ type: 'bezier', points: [a!, b!, c!, d!] }]
    const points = splinePoints(entity)
    return points.length > 1 ? fitPoints(points, SPLINE.toleranceShare * extentOf(points)).segments : []
  }
  return []
}

/** A spline of one piece: its control points are those of a cubic Bézier. */
const isBezier = ({ controlPoints = [], knotValues = [], degreeOfSplineCurve: degree }: Entity): boolean =>
  degree === 3 &&
  controlPoints.length === 4 &&
  knotValues.length === 8 &&
  [0, 4].every((at) => knotValues.slice(at, at + 4).every((knot) => knot === knotValues[at])) &&
  knotValues[0]! < knotValues[4]!

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

/** Points of a B-spline by de Boor's algorithm; of one that has only fit points, those. */
function splinePoints({
  controlPoints = [],
  fitPoints: through = [],
  knotValues: knots = [],
  degreeOfSplineCurve: degree = 3,
}: Entity): Vec2[] {
  if (controlPoints.length <= degree || knots.length < controlPoints.length + degree + 1) return through.map(point)
  const [from, to] = [knots[degree]!, knots[controlPoints.length]!]
  return Array.from({ length: SPLINE.samples + 1 }, (_, i) => {
    const t = Math.min(to - 1e-9 * (to - from), from + ((to - from) * i) / SPLINE.samples)
    let k = degree
    while (k < controlPoints.length - 1 && t >= knots[k + 1]!) k++
    const d = Array.from({ length: degree + 1 }, (__, j) => point(controlPoints[j + k - degree]!))
    for (let r = 1; r <= degree; r++) {
      for (let j = degree; j >= r; j--) {
        const left = knots[j + k - degree]!
        const share = (t - left) / (knots[j + 1 + k - r]! - left || 1)
        d[j] = [(1 - share) * d[j - 1]![0] + share * d[j]![0], (1 - share) * d[j - 1]![1] + share * d[j]![1]]
      }
    }
    return d[degree]!
  })
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

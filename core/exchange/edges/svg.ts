import { XMLParser } from 'fast-xml-parser'
import { SVGPathData } from 'svg-pathdata'
import {
  compose,
  fromDefinition,
  fromTransformAttribute,
  identity,
  scale,
  translate,
  type Matrix,
} from 'transformation-matrix'
import { lastOf, nth } from '../../math/list'
import type { Curve } from '../../math/curve/curve'
import { svgPath } from '../../math/curve/svgPath'
import type { Segment } from '../../math/curve/segment'
import { degrees } from '../../math/units/angle'
import type { Vec2 } from '../../math/vector/vec2'
import { chained, counted, endsOf, extentOf, JOIN_SHARE, type DrawnPath, type ReadDrawing } from './drawnPath'

type Node = { [name: string]: Node[] | string } & { ':@'?: Record<string, string> }

const parser = new XMLParser({
  preserveOrder: true,
  ignoreAttributes: false,
  attributeNamePrefix: '',
  processEntities: false,
})
const MM_PER_PX = 25.4 / 96
const MM_PER: Record<string, number> = {
  mm: 1,
  cm: 10,
  in: 25.4,
  pt: 25.4 / 72,
  pc: 25.4 / 6,
  px: MM_PER_PX,
  '': MM_PER_PX,
}
/** A group that says so holds paths in the blade's own frame, mm. */
const OWN_FRAME = ['data-frame', 'blade'] as const
/** Shapes that are no paths. */
const SHAPES_UNREAD = new Set(['rect', 'circle', 'ellipse', 'text', 'image', 'use'])

/** What stands in these is drawn elsewhere, or not at all. */
const NOT_DRAWN_HERE = new Set(['defs', 'clipPath', 'symbol', 'pattern', 'mask', 'marker'])
const isHidden = ({ display, visibility, style = '' }: Record<string, string>): boolean =>
  display === 'none' || visibility === 'hidden' || /display\s*:\s*none|visibility\s*:\s*hidden/.test(style)

/**
 * Reads the paths, lines, polylines and polygons of an SVG, groups and transforms included; y turned upward. What is
 * hidden is no edge.
 */
export function readSvg(text: string): ReadDrawing {
  let document: Node[]
  try {
    document = parser.parse(text) as Node[]
  } catch {
    return { ok: false, code: 'not-svg' }
  }
  const root = document.find((node) => 'svg' in node)
  if (!root) return { ok: false, code: 'nothing-drawn-in-svg' }
  const outermost = rootViewport(root[':@'] ?? {})
  const paths: DrawnPath[] = []
  const leftOut: string[] = []
  /** What is open and has no name is joined where it meets, as programs that draw line by line leave it. */
  const nameless: Segment[] = []
  /** The paths of the blade's own frame, by their names. */
  const own = new Map<string, Segment[]>()
  try {
    walk(root.svg as Node[], outermost.matrix, outermost.inside, false)
  } catch {
    return { ok: false, code: 'unreadable-path' }
  }
  for (const segments of chained(nameless, JOIN_SHARE * extentOf(nameless.flatMap(endsOf))))
    paths.push({ name: `path ${paths.length + 1}`, segments })
  if (paths.length === 0) return { ok: false, code: 'no-path-in-svg' }
  const edge = own.get('edge')
  const written = edge ? { edge, spine: own.get('spine') ?? null } : null
  return { ok: true, paths, mmPerUnit: outermost.mmPerUnit, leftOut: counted(leftOut), written }

  function walk(nodes: readonly Node[], outer: Matrix, around: Size, inOwn: boolean): void {
    for (const node of nodes) {
      const tag = Object.keys(node).find((key) => key !== ':@') ?? ''
      const attributes = node[':@'] ?? {}
      if (NOT_DRAWN_HERE.has(tag) || isHidden(attributes)) continue
      const inner = tag === 'svg' ? nestedViewport(attributes, around) : { matrix: identity(), inside: around }
      const matrix = compose(outer, matrixOf(attributes.transform), inner.matrix)
      const data = dataOf(tag, attributes)
      const isOwn = inOwn || attributes[OWN_FRAME[0]] === OWN_FRAME[1]
      if (SHAPES_UNREAD.has(tag)) leftOut.push(tag)
      if (data) {
        for (const segments of segmentsOf(data, matrix))
          if (attributes.id || isClosed(segments))
            paths.push({ name: attributes.id ?? `${tag} ${paths.length + 1}`, segments })
          else nameless.push(...segments)
        // As it stands there, y as given: what lies around it is for the paper.
        if (inOwn && attributes.id) own.set(attributes.id, segmentsOf(data, scale(1, -1)).flat())
      }
      if (Array.isArray(node[tag])) walk(node[tag], matrix, inner.inside, isOwn)
    }
  }
}

const isClosed = (chain: readonly Segment[]): boolean => {
  const [[x, y], [toX, toY]] = [nth(endsOf(nth(chain, 0)), 0), nth(endsOf(lastOf(chain)), 1)]
  return Math.hypot(toX - x, toY - y) < 1e-9
}

/** A transform attribute as one matrix. A sign parts two figures as well: translate(10-5). */
const matrixOf = (transform: string | undefined): Matrix =>
  transform?.trim()
    ? compose(fromDefinition(fromTransformAttribute(transform.replace(/([\d.])(?=[+-])/g, '$1 '))))
    : identity()

function dataOf(tag: string, a: Record<string, string>): string | null {
  if (tag === 'path') return a.d ?? null
  if (tag === 'line') return `M${a.x1 ?? 0} ${a.y1 ?? 0}L${a.x2 ?? 0} ${a.y2 ?? 0}`
  if (tag === 'polyline' || tag === 'polygon')
    return a.points?.trim() ? `M${a.points.trim()}${tag === 'polygon' ? 'Z' : ''}` : null
  return null
}

/** One chain for each sub-path, in the drawing's unit, y upward. Pieces of no length are left out. */
function segmentsOf(data: string, { a, b, c, d, e, f }: Matrix): Segment[][] {
  const path = new SVGPathData(data).toAbs().normalizeHVZ(false).normalizeST().qtToC().matrix(a, b, c, d, e, f)
  const chains: Segment[][] = []
  let [at, begun, closed]: [[number, number], [number, number], boolean] = [[0, 0], [0, 0], false]
  for (const command of path.commands.flatMap(roundOrCurves)) {
    if (command.type === SVGPathData.CLOSE_PATH) {
      if (Math.hypot(begun[0] - at[0], begun[1] - at[1]) > 1e-9)
        chains.at(-1)?.push({ type: 'line', from: at, to: begun })
      ;[at, closed] = [begun, true]
    }
    if (!('x' in command) || !('y' in command)) continue
    const to: [number, number] = [command.x, -command.y]
    // What is drawn on after a closed path is a path of its own, from where that began.
    if (closed && command.type !== SVGPathData.MOVE_TO) chains.push([])
    closed = false
    if (command.type === SVGPathData.MOVE_TO) {
      chains.push([])
      begun = to
    } else if (command.type === SVGPathData.CURVE_TO)
      chains.at(-1)?.push({ type: 'bezier', points: [at, [command.x1, -command.y1], [command.x2, -command.y2], to] })
    else if (command.type === SVGPathData.ARC) {
      // With y turned upward the other way round.
      const arc = arcOf(at, to, command.rX, command.lArcFlag === 1, command.sweepFlag === 0)
      if (arc) chains.at(-1)?.push(arc)
    } else if (Math.hypot(to[0] - at[0], to[1] - at[1]) > 1e-9) chains.at(-1)?.push({ type: 'line', from: at, to })
    at = to
  }
  return chains.filter((chain) => chain.length > 0)

  /** An arc of a circle as it is; one of an ellipse as curves. */
  function roundOrCurves(command: (typeof path.commands)[number], i: number): typeof path.commands {
    if (command.type !== SVGPathData.ARC || Math.abs(command.rX - command.rY) < 1e-6 * command.rX) return [command]
    const before = path.commands[i - 1] as { x?: number; y?: number } | undefined
    const start = { type: SVGPathData.MOVE_TO, relative: false, x: before?.x ?? 0, y: before?.y ?? 0 } as const
    return new SVGPathData([start, command]).aToC().commands.slice(1)
  }
}

/**
 * The circular arc between two points, y upward; null where they are one. Source: SVG 2, "Elliptical arc implementation
 * notes".
 */
function arcOf(from: Vec2, to: Vec2, radius: number, large: boolean, rising: boolean): Segment | null {
  const [x, y] = [to[0] - from[0], to[1] - from[1]]
  const chord = Math.hypot(x, y)
  if (chord < 1e-9) return null
  const radiusMm = Math.max(radius, chord / 2)
  const toCentre = Math.sqrt(Math.max(0, radiusMm ** 2 - (chord / 2) ** 2)) * (large === rising ? -1 : 1)
  const centre: [number, number] = [
    (from[0] + to[0]) / 2 - (y / chord) * toCentre,
    (from[1] + to[1]) / 2 + (x / chord) * toCentre,
  ]
  const angle = (p: Vec2) => degrees(Math.atan2(p[1] - centre[1], p[0] - centre[0]))
  const [startDeg, end] = [angle(from), angle(to)]
  const turn = (((rising ? end - startDeg : startDeg - end) % 360) + 360) % 360
  return { type: 'arc', centre, radiusMm, startDeg, endDeg: startDeg + (rising ? turn : -turn) }
}

interface Size {
  readonly width: number
  readonly height: number
}
interface Box extends Size {
  readonly x: number
  readonly y: number
}

/** A length, mm; `whole`: what a percentage is of. Null where it is none. */
function lengthMm(text: string | undefined, whole: number | null): number | null {
  const read = /^([-+]?[\d.]+(?:e[-+]?\d+)?)\s*(mm|cm|in|pt|pc|px|%)?$/i.exec(text?.trim() ?? '')
  if (!read) return null
  const [, figure, unit = ''] = read
  if (unit === '%') return whole === null ? null : (Number(figure) / 100) * whole
  return Number(figure) * MM_PER[unit.toLowerCase()]!
}
/** The same in pixels. */
function lengthPx(text: string | undefined, wholePx: number): number | null {
  const mm = lengthMm(text, wholePx * MM_PER_PX)
  return mm === null ? null : mm / MM_PER_PX
}

function viewBoxOf(text: string | undefined): Box | null {
  const [x = 0, y = 0, width = 0, height = 0] = (text ?? '')
    .trim()
    .split(/[\s,]+/)
    .map(Number)
  return width > 0 && height > 0 ? { x, y, width, height } : null
}

/** How a view box fills a viewport that begins at 0. Source: SVG 2, "The preserveAspectRatio attribute". */
function filling(box: Box, { width, height }: Size, ratio = 'xMidYMid meet'): Matrix {
  const [sx, sy] = [width / box.width, height / box.height]
  const [align = '', fit = 'meet'] = ratio.trim().split(/\s+/)
  if (align === 'none') return compose(scale(sx, sy), translate(-box.x, -box.y))
  const size = fit === 'slice' ? Math.max(sx, sy) : Math.min(sx, sy)
  const share = (axis: 'x' | 'Y') => (align.includes(`${axis}Min`) ? 0 : align.includes(`${axis}Max`) ? 1 : 0.5)
  const [dx, dy] = [(width - box.width * size) * share('x'), (height - box.height * size) * share('Y')]
  return compose(translate(dx, dy), scale(size), translate(-box.x, -box.y))
}

/**
 * How large the drawing is: millimetres for a user unit (null where it does not say), and where it is stretched more
 * one way than the other by how much. Without a view box a unit is a pixel.
 */
function rootViewport({ width, height, viewBox, preserveAspectRatio }: Record<string, string>) {
  const [wideMm, highMm] = [lengthMm(width, null), lengthMm(height, null)]
  const box = viewBoxOf(viewBox)
  const inside: Size = box ?? { width: (wideMm ?? 0) / MM_PER_PX, height: (highMm ?? 0) / MM_PER_PX }
  if (wideMm === null || !box) return { mmPerUnit: wideMm === null ? null : MM_PER_PX, matrix: identity(), inside }
  const tallMm = highMm ?? (wideMm / box.width) * box.height
  const { a, d } = filling(box, { width: wideMm, height: tallMm }, preserveAspectRatio)
  return { mmPerUnit: a, matrix: scale(1, d / a), inside }
}

/** A drawing within the drawing. */
function nestedViewport(attributes: Record<string, string>, around: Size): { matrix: Matrix; inside: Size } {
  const { x, y, width, height, viewBox, preserveAspectRatio } = attributes
  const at = translate(lengthPx(x, around.width) ?? 0, lengthPx(y, around.height) ?? 0)
  const own = {
    width: lengthPx(width, around.width) ?? around.width,
    height: lengthPx(height, around.height) ?? around.height,
  }
  const box = viewBoxOf(viewBox)
  return box
    ? { matrix: compose(at, filling(box, own, preserveAspectRatio)), inside: box }
    : { matrix: at, inside: own }
}

/** Fine enough to come back as it was: a billionth of a millimetre. */
const WRITTEN_DECIMALS = 9

/**
 * An edge and its spine as SVG at 1:1, in millimetres; the edge is turned up as on paper. What is read of it again is
 * what was written.
 */
export function writeSvg(edge: Curve, spine: Curve | null, size: { lengthMm: number; widthMm: number }): string {
  const [width, height] = [size.lengthMm + 10, size.widthMm + 10]
  const one = (id: string, curve: Curve) =>
    `  <path id="${id}" d="${svgPath(curve, false, WRITTEN_DECIMALS)}" fill="none" stroke="#000" stroke-width="0.2"/>`
  return [
    `<svg xmlns="http://www.w3.org/2000/svg" width="${width}mm" height="${height}mm" viewBox="-5 -5 ${width} ${height}">`,
    ` <g ${OWN_FRAME[0]}="${OWN_FRAME[1]}" transform="translate(0 ${size.widthMm}) scale(1 -1)">`,
    one('edge', edge),
    ...(spine ? [one('spine', spine)] : []),
    ' </g>',
    '</svg>',
    '',
  ].join('\n')
}

import { XMLParser } from 'fast-xml-parser'
import { SVGPathData } from 'svg-pathdata'
import { compose, fromDefinition, fromTransformAttribute, identity, type Matrix } from 'transformation-matrix'
import type { Curve } from '../../curve/curve'
import { svgPath } from '../../curve/svgPath'
import type { Segment } from '../../curve/segment'
import { counted, type DrawnPath, type ReadDrawing } from './drawnPath'

type Node = { [name: string]: Node[] | string } & { ':@'?: Record<string, string> }

const parser = new XMLParser({
  preserveOrder: true,
  ignoreAttributes: false,
  attributeNamePrefix: '',
  processEntities: false,
})
const MM_PER: Record<string, number> = {
  mm: 1,
  cm: 10,
  in: 25.4,
  pt: 25.4 / 72,
  pc: 25.4 / 6,
  px: 25.4 / 96,
  '': 25.4 / 96,
}
/** Shapes that are no paths. */
const SHAPES_UNREAD = new Set(['rect', 'circle', 'ellipse', 'text', 'image', 'use'])

/** Reads the paths, lines, polylines and polygons of an SVG, groups and transforms included; y turned upward. */
export function readSvg(text: string): ReadDrawing {
  let document: Node[]
  try {
    document = parser.parse(text) as Node[]
  } catch {
    return { ok: false, code: 'not-svg' }
  }
  const root = document.find((node) => 'svg' in node)
  if (!root) return { ok: false, code: 'nothing-drawn-in-svg' }
  const paths: DrawnPath[] = []
  const leftOut: string[] = []
  try {
    walk(root.svg as Node[], identity())
  } catch {
    return { ok: false, code: 'unreadable-path' }
  }
  if (paths.length === 0) return { ok: false, code: 'no-path-in-svg' }
  return { ok: true, paths, mmPerUnit: unitOf(root[':@'] ?? {}), leftOut: counted(leftOut) }

  function walk(nodes: readonly Node[], outer: Matrix): void {
    for (const node of nodes) {
      const tag = Object.keys(node).find((key) => key !== ':@')!
      const attributes = node[':@'] ?? {}
      const matrix = compose(outer, matrixOf(attributes.transform))
      const data = dataOf(tag, attributes)
      if (SHAPES_UNREAD.has(tag)) leftOut.push(tag)
      if (data) {
        for (const segments of segmentsOf(data, matrix))
          paths.push({ name: attributes.id ?? `${tag} ${paths.length + 1}`, segments })
      }
      if (tag !== 'defs' && tag !== 'clipPath' && tag !== 'symbol' && Array.isArray(node[tag])) walk(node[tag], matrix)
    }
  }
}

/** A transform attribute as one matrix. */
const matrixOf = (transform: string | undefined): Matrix =>
  transform?.trim() ? compose(fromDefinition(fromTransformAttribute(transform))) : identity()

function dataOf(tag: string, a: Record<string, string>): string | null {
  if (tag === 'path') return a.d ?? null
  if (tag === 'line') return `M${a.x1 ?? 0} ${a.y1 ?? 0}L${a.x2 ?? 0} ${a.y2 ?? 0}`
  if (tag === 'polyline' || tag === 'polygon')
    return a.points?.trim() ? `M${a.points.trim()}${tag === 'polygon' ? 'Z' : ''}` : null
  return null
}

/** One chain for each sub-path, in the drawing's unit, y upward. Pieces of no length are left out. */
function segmentsOf(data: string, { a, b, c, d, e, f }: Matrix): Segment[][] {
  const path = new SVGPathData(data).toAbs().normalizeHVZ().normalizeST().qtToC().matrix(a, b, c, d, e, f).aToC()
  const chains: Segment[][] = []
  let at: [number, number] = [0, 0]
  for (const command of path.commands) {
    if (!('x' in command) || !('y' in command)) continue
    const to: [number, number] = [command.x, -command.y]
    if (command.type === SVGPathData.MOVE_TO) chains.push([])
    else if (command.type === SVGPathData.CURVE_TO)
      chains.at(-1)?.push({ type: 'bezier', points: [at, [command.x1, -command.y1], [command.x2, -command.y2], to] })
    else if (Math.hypot(to[0] - at[0], to[1] - at[1]) > 1e-9) chains.at(-1)?.push({ type: 'line', from: at, to })
    at = to
  }
  return chains.filter((chain) => chain.length > 0)
}

/** Millimetres for a user unit, from the drawing's width and its view box; null where it does not say. */
function unitOf({ width = '', viewBox = '' }: Record<string, string>): number | null {
  const size = /^([\d.]+)\s*(mm|cm|in|pt|pc|px)?$/.exec(width.trim())
  if (!size) return null
  const across = Number(viewBox.trim().split(/[\s,]+/)[2])
  const mm = Number(size[1]) * MM_PER[size[2] ?? '']!
  return across > 0 ? mm / across : MM_PER[size[2] ?? '']!
}

/** An edge and its spine as SVG at 1:1, in millimetres; the edge is turned up as on paper. */
export function writeSvg(edge: Curve, spine: Curve | null, size: { lengthMm: number; widthMm: number }): string {
  const [width, height] = [size.lengthMm + 10, size.widthMm + 10]
  const one = (id: string, curve: Curve) =>
    `  <path id="${id}" d="${svgPath(curve)}" fill="none" stroke="#000" stroke-width="0.2"/>`
  return [
    `<svg xmlns="http://www.w3.org/2000/svg" width="${width}mm" height="${height}mm" viewBox="-5 -5 ${width} ${height}">`,
    ` <g transform="translate(0 ${size.widthMm}) scale(1 -1)">`,
    one('edge', edge),
    ...(spine ? [one('spine', spine)] : []),
    ' </g>',
    '</svg>',
    '',
  ].join('\n')
}

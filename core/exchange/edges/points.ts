import Papa from 'papaparse'
import { nth } from '../../math/list'
import type { Curve } from '../../math/curve/curve'
import { fitPoints } from '../../math/curve/fitPoints'
import { segmentLength } from '../../math/curve/arcLength'
import { segmentAt } from '../../math/curve/segmentAt'
import type { Finding } from '../../schema/problem'
import { parseDecimal } from '../../math/units/length'
import type { Vec2 } from '../../math/vector/vec2'
import type { WrittenBlade } from './drawnPath'

export type ReadPoints =
  | {
      readonly ok: true
      readonly points: readonly Vec2[]
      /** The blade, where the table says of each point which part it is of, as it is written here. */
      readonly written: WrittenBlade | null
    }
  | ({ readonly ok: false; readonly line: number } & Finding)

const HEADING = ['x mm', 'y mm', 'part'] as const
const PARTS = ['edge', 'spine'] as const
/** Written tables are fitted so closely, mm. */
const WRITTEN_FIT_MM = 0.002

/**
 * Reads points, two figures a line: comma, semicolon, tab or blank between them, decimal point or comma where that
 * leaves no uncertainty. A first line of words is a heading. Blank lines are passed over.
 */
export function readPoints(text: string): ReadPoints {
  const points: Vec2[] = []
  const of: Record<string, Vec2[]> = {}
  const lines = text.replace(/^\uFEFF/, '').split(/\r\n|\r|\n/)
  for (const [i, line] of lines.entries()) {
    if (line.trim() === '') continue
    const cells = split(line)
    while (cells.at(-1)?.trim() === '') cells.pop()
    const [x, y] = [parseDecimal(cells[0] ?? ''), parseDecimal(cells[1] ?? '')]
    // A third cell says the part; a third figure would make the first two mean something else.
    const tooMany = cells.length > 3 || (cells.length === 3 && parseDecimal(nth(cells, 2)).ok)
    if (x.ok && y.ok && !tooMany) {
      points.push([x.value, y.value])
      ;(of[cells[2]?.trim() ?? ''] ??= []).push([x.value, y.value])
    } else if (points.length > 0 || /\d/.test(line))
      return { ok: false, line: i + 1, code: 'not-two-figures', figures: { text: line.trim().slice(0, 40) } }
  }
  if (points.length < 2) return { ok: false, line: 1, code: 'too-few-points' }
  const isWritten = nth(lines, 0).trim() === HEADING.join() && (of.edge?.length ?? 0) > 1
  const fitted = (part: (typeof PARTS)[number]) => (of[part] ? fitPoints(of[part], WRITTEN_FIT_MM).segments : null)
  return { ok: true, points, written: isWritten ? { edge: fitted('edge')!, spine: fitted('spine') } : null }
}

function split(line: string): string[] {
  if (line.includes(';')) return line.split(';')
  if (line.includes('\t')) return line.split('\t')
  // "12,5 3,2" are two figures with decimal commas; "12.5, 3.2" two with points.
  const blanks = line.trim().split(/\s+/)
  if (blanks.length >= 2 && !nth(blanks, 0).endsWith(',')) return blanks
  return line.split(',')
}

/** Points are written this near to each other, mm. */
const EVERY_MM = 0.5

/** A curve's points from its start to its end, the joints of its pieces among them. */
const pointsOf = (curve: Curve): Vec2[] =>
  curve.flatMap((piece, i) => {
    const count = Math.max(1, Math.ceil(segmentLength(piece) / EVERY_MM))
    return Array.from({ length: count + 1 }, (_, k) => segmentAt(piece, k / count).point).slice(i === 0 ? 0 : 1)
  })

/** An edge and its spine as points from heel to tip, and which of the two each is of: CSV, mm. */
export function writePoints(edge: Curve, spine: Curve | null): string {
  const rows = [edge, spine ?? []].flatMap((curve, i) =>
    pointsOf(curve).map((point) => [...point.map((mm) => mm.toFixed(5)), nth(PARTS, i)]),
  )
  return `${Papa.unparse([[...HEADING], ...rows], { newline: '\r\n' })}\r\n`
}

import Papa from 'papaparse'
import type { Curve } from '../../curve/curve'
import { evenStations } from '../../curve/stations'
import type { Finding } from '../../problem/problem'
import { parseDecimal } from '../../units/length'
import type { Vec2 } from '../../vector/vec2'

export type ReadPoints =
  { readonly ok: true; readonly points: readonly Vec2[] } | ({ readonly ok: false; readonly line: number } & Finding)

/**
 * Reads points, two figures a line: comma, semicolon, tab or blank between them, decimal point or comma where that
 * leaves no doubt. A first line of words is a heading. Blank lines are passed over.
 */
export function readPoints(text: string): ReadPoints {
  const points: Vec2[] = []
  const lines = text.replace(/^\uFEFF/, '').split(/\r\n|\r|\n/)
  for (const [i, line] of lines.entries()) {
    if (line.trim() === '') continue
    const cells = split(line)
    const [x, y] = [parseDecimal(cells[0] ?? ''), parseDecimal(cells[1] ?? '')]
    if (x.ok && y.ok) points.push([x.value, y.value])
    else if (points.length > 0 || /\d/.test(line))
      return { ok: false, line: i + 1, code: 'not-two-figures', figures: { text: line.trim().slice(0, 40) } }
  }
  if (points.length < 2) return { ok: false, line: 1, code: 'too-few-points' }
  return { ok: true, points }
}

function split(line: string): string[] {
  if (line.includes(';')) return line.split(';')
  if (line.includes('\t')) return line.split('\t')
  // "12,5 3,2" are two figures with decimal commas; "12.5, 3.2" two with points.
  const blanks = line.trim().split(/\s+/)
  if (blanks.length >= 2 && !blanks[0]!.endsWith(',')) return blanks
  return line.split(',')
}

/** How many points an edge is written with. */
const WRITTEN = 101

/** An edge as points even in arc length from heel to tip: CSV, mm. */
export const writePoints = (edge: Curve): string =>
  `${Papa.unparse([['x mm', 'y mm'], ...evenStations(edge, WRITTEN).map(({ point }) => point.map((mm) => mm.toFixed(3)))], { newline: '\r\n' })}\r\n`

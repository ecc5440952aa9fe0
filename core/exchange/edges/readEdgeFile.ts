import { fitPoints } from '../../math/curve/fitPoints'
import type { Finding } from '../../schema/problem'
import type { ReadDrawing } from './drawnPath'
import { readDxf } from './dxf'
import { readPoints } from './points'
import { readSvg } from './svg'

export type EdgeFile =
  | (Extract<ReadDrawing, { ok: true }> & {
      /** How far the fitted curve runs past the points at most, mm; null of a drawing. */
      readonly residualMm: number | null
    })
  /** `line`: of a table of points. */
  | ({ readonly ok: false; readonly line?: number } & Finding)

/** Points are fitted so closely, in their own unit. */
const FIT = 0.05

/** Reads what an edge is drawn in, by the ending of its name: SVG, DXF, or points as CSV, TXT or TSV. */
export function readEdgeFile(name: string, text: string): EdgeFile {
  const ending = /\.(\w+)$/.exec(name)?.[1]?.toLowerCase() ?? ''
  if (['csv', 'txt', 'tsv'].includes(ending)) {
    const table = readPoints(text)
    if (!table.ok) return table
    const { segments, residualMm } = fitPoints(table.points, FIT)
    const paths = [{ name: 'points', segments }]
    return { ok: true, paths, mmPerUnit: null, leftOut: [], written: table.written, residualMm }
  }
  if (ending !== 'svg' && ending !== 'dxf') return { ok: false, code: 'no-edge-file' }
  const drawing = ending === 'svg' ? readSvg(text) : readDxf(text)
  return drawing.ok ? { ...drawing, residualMm: null } : drawing
}

import Papa from 'papaparse'
import { recordRows } from '../../use/recordRows'
import type { LogEntry } from '../../log/entry'
import { FORMULA } from './csvFormula'

const COLUMNS = [
  'at',
  'job',
  'stone',
  'kind',
  'side',
  'placeMm',
  'zone',
  'value',
  'unit',
  'uncertainty',
  'said',
] as const

/** A blade's record as CSV (RFC 4180), a row for each entry. `nameOf`: what a job or a stone is called. */
export function writeRecordCsv(log: readonly LogEntry[], nameOf: (id: string) => string): string {
  const rows = recordRows(log).map(({ jobId, stoneId, ...row }) => ({
    ...row,
    job: jobId ? nameOf(jobId) : '',
    stone: stoneId ? nameOf(stoneId) : '',
  }))
  return `${Papa.unparse(rows, { columns: [...COLUMNS], newline: '\r\n', escapeFormulae: FORMULA })}\r\n`
}

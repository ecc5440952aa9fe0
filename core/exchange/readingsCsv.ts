import Papa from 'papaparse'
import type { LogEntry, Proof, Reading } from '../log/entry'

/** What a column says stands in its name: millimetres, degrees per side. */
export const READING_COLUMNS = [
  'at',
  'what',
  'side',
  'fromHeelMm',
  'zone',
  'deg',
  'doubtDeg',
  'mustReadDeg',
  'setDeg',
  'by',
  'instrument',
  'stone',
  'looks',
  'fromDeg',
  'toDeg',
  'primaryDeg',
  'cutToApex',
] as const
type Row = Partial<Record<(typeof READING_COLUMNS)[number], string | number>>

/** What was read and proved, oldest first, as a table. `nameOf`: what an instrument or a stone is called. */
export function readingsCsv(log: readonly LogEntry[], nameOf: (id: string) => string): string {
  const named = (id: string | null) => (id === null ? '' : nameOf(id))
  const common = (entry: Reading | Proof): Row => ({
    at: entry.at,
    side: entry.side,
    fromHeelMm: entry.placeMm ?? '',
    deg: entry.deg,
    doubtDeg: entry.doubtDeg,
    instrument: named(entry.instrumentId),
    stone: named(entry.stoneId),
  })
  const rows = log.flatMap((entry): Row[] => {
    if (entry.kind === 'reading')
      return [{ ...common(entry), what: 'read', by: entry.zero, mustReadDeg: entry.expectedDeg ?? '' }]
    if (entry.kind !== 'proof') return []
    const { by, zone, finish, fromDeg, toDeg, primaryDeg, toApex, cut } = entry
    return [
      {
        ...common(entry),
        what: 'proved',
        by,
        zone: zone ?? '',
        looks: finish ?? '',
        fromDeg: fromDeg ?? '',
        toDeg: toDeg ?? '',
        primaryDeg: primaryDeg ?? '',
        cutToApex: toApex === null ? '' : toApex ? 'yes' : 'no',
        setDeg: cut?.setDeg ?? '',
      },
    ]
  })
  // A name that a table would take for a formula is told to be text.
  return `${Papa.unparse(rows, { columns: [...READING_COLUMNS], newline: '\r\n', escapeFormulae: true })}\r\n`
}

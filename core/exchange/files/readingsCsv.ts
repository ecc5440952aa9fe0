import Papa from 'papaparse'
import type { BevelWidth, LogEntry, Proof, Reading } from '../../log/entry'

/** What a column says stands in its name: millimetres, degrees per side. */
const READING_COLUMNS = [
  'at',
  'what',
  'side',
  'fromHeelMm',
  'zone',
  'deg',
  'uncertaintyDeg',
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
  'widthMm',
  'widthUncertaintyMm',
] as const
type Row = Partial<Record<(typeof READING_COLUMNS)[number], string | number>>

/** No figure has more digits than are known: hundredths of a degree and of a millimetre, thousandths of a width. */
const DIGITS = { deg: 2, mm: 2, width: 3 } as const
const known = (value: number | null | undefined, of: keyof typeof DIGITS): number | '' =>
  value === null || value === undefined ? '' : Number(value.toFixed(DIGITS[of]))

/**
 * What was read, proved and measured of the bevel, oldest first, as a table. `nameOf`: what an instrument or a stone is
 * called.
 */
export function readingsCsv(log: readonly LogEntry[], nameOf: (id: string) => string): string {
  const named = (id: string | null) => (id === null ? '' : nameOf(id))
  const common = (entry: Reading | Proof | BevelWidth): Row => ({
    at: entry.at,
    side: entry.side,
    fromHeelMm: known(entry.placeMm, 'mm'),
    instrument: named(entry.instrumentId),
    stone: named(entry.stoneId),
  })
  const angle = ({ deg, uncertaintyDeg }: Reading | Proof): Row => ({
    deg: known(deg, 'deg'),
    uncertaintyDeg: known(uncertaintyDeg, 'deg'),
  })
  const rows = log.flatMap((entry): Row[] => {
    if (entry.kind === 'bevel-width') {
      const { zone, by, widthMm, uncertaintyMm } = entry
      return [
        {
          ...common(entry),
          what: 'bevel width',
          zone: zone ?? '',
          by,
          widthMm: known(widthMm, 'width'),
          widthUncertaintyMm: known(uncertaintyMm, 'width'),
        },
      ]
    }
    if (entry.kind === 'reading')
      return [
        {
          ...common(entry),
          ...angle(entry),
          what: 'read',
          by: entry.zero,
          mustReadDeg: known(entry.expectedDeg, 'deg'),
        },
      ]
    if (entry.kind !== 'proof') return []
    const { by, zone, finish, fromDeg, toDeg, primaryDeg, toApex, setup } = entry
    return [
      {
        ...common(entry),
        ...angle(entry),
        what: 'proved',
        by,
        zone: zone ?? '',
        looks: finish ?? '',
        fromDeg: known(fromDeg, 'deg'),
        toDeg: known(toDeg, 'deg'),
        primaryDeg: known(primaryDeg, 'deg'),
        cutToApex: toApex === null ? '' : toApex ? 'yes' : 'no',
        setDeg: known(setup?.setDeg[entry.side], 'deg'),
      },
    ]
  })
  // A name that a table would take for a formula is told to be text.
  return `${Papa.unparse(rows, { columns: [...READING_COLUMNS], newline: '\r\n', escapeFormulae: true })}\r\n`
}

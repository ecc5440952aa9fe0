import type { LogEntry } from '../log/entry'
import type { Side } from '../records/common/side'

/** What one entry of the log comes to in a table: its figure with unit and uncertainty, and what was said. */
export interface RecordRow {
  readonly at: string
  readonly jobId: string | null
  readonly stoneId: string | null
  readonly kind: LogEntry['kind']
  readonly side: Side | null
  /** Arc length from the heel, mm. */
  readonly placeMm: number | null
  readonly zone: string
  readonly value: number | null
  readonly unit: 'deg' | 'mm' | 'strokes' | ''
  /** Half-width of the range that holds 95 in 100, in the same unit. */
  readonly uncertainty: number | null
  readonly said: string
}

type Figures = Partial<Omit<RecordRow, 'at' | 'jobId' | 'stoneId' | 'kind'>>

/** The rows of a blade's record, an entry each, in the order of the log. What was set is told by the entry itself. */
export const recordRows = (log: readonly LogEntry[]): RecordRow[] =>
  log.map((entry) => ({
    ...{ at: entry.at, jobId: entry.jobId, stoneId: entry.stoneId, kind: entry.kind },
    ...{ side: null, placeMm: null, zone: '', value: null, unit: '', uncertainty: null, said: '' },
    ...figuresOf(entry),
  }))

function figuresOf(entry: LogEntry): Figures {
  switch (entry.kind) {
    case 'reading': {
      const { side, placeMm, deg, uncertaintyDeg } = entry
      return { side, placeMm, value: deg, unit: 'deg', uncertainty: uncertaintyDeg }
    }
    case 'proof': {
      const { side, placeMm, zone, deg, uncertaintyDeg, by } = entry
      return { side, placeMm, zone: zone ?? '', value: deg, unit: 'deg', uncertainty: uncertaintyDeg, said: by }
    }
    case 'dialled': {
      const { side, setup } = entry
      return { side, placeMm: setup.placeMm, value: setup.setDeg[side], unit: 'deg', said: 'set' }
    }
    case 'strokes':
      return {
        side: entry.side,
        zone: entry.zone ?? '',
        value: entry.count,
        unit: 'strokes',
        said: entry.strop ? 'strop' : '',
      }
    case 'stone-done':
      return { side: entry.side, value: entry.strokes, unit: 'strokes' }
    case 'bevel-width': {
      const { side, placeMm, zone, widthMm, uncertaintyMm, by } = entry
      return { side, placeMm, zone: zone ?? '', value: widthMm, unit: 'mm', uncertainty: uncertaintyMm, said: by }
    }
    case 'blade-height':
      return { value: entry.heightMm, unit: 'mm' }
    case 'outcome': {
      const { outcome, zones, usedFor, amount, by, note } = entry
      const counted = amount && `${amount.count} ${amount.unit}`
      return { zone: zones.join(' '), said: [outcome, usedFor, counted, by, note].filter(Boolean).join('; ') }
    }
    case 'sharpness':
      return {
        zone: entry.zones.join(' '),
        said: [entry.test, entry.burr && `burr: ${entry.burr}`].filter(Boolean).join('; '),
      }
    case 'decided':
      return { said: entry.choice }
    case 'left-out':
      return { side: entry.side, zone: entry.zone ?? '', said: entry.step }
    case 'ink-look':
    case 'bevel-found':
    case 'scratches':
      return { side: entry.side }
    default:
      return {}
  }
}

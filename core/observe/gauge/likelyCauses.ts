import { nth } from '../../math/list'
import { contactAt } from '../../geometry/contact/contact'
import { SIDES, type Side } from '../../records/common/side'
import type { KnownHold } from '../../records/job/knownHold'
import type { EdgePoint } from '../../math/curve/edgePoints'
import { measuresOf, type MeasureId } from '../../uncertainty/measures'
import { benchShifter, type Shifts } from '../../uncertainty/shifted'
import { GAUGE_ZEROS, type GaugeUse, type GaugeZero } from '../../records/job/gaugeZero'
import { rodPoseAt, type Setup } from '../../geometry/setup/setup'
import { expectedReadingDeg } from '../../geometry/gauge/expectedReading'
import { meanOffSquareDeg, readOffSquareDeg, SQUARE_BY_EYE_DEG } from './offSquare'

/** A gauge at a bench is read to a tenth of a degree or so; what explains a reading to this is an explanation. */
export const READ_TO_DEG = 0.15
/** The gauge reads the rod: the shape of the stone's face is not in it. */
const NOT_READ: MeasureId = 'face-shape'

export type LikelyCause =
  /** A measure that is off by so much, and how many times its tolerance that is. */
  | {
      readonly by: 'measure'
      readonly measure: MeasureId
      readonly unit: 'mm' | 'deg'
      readonly off: number
      readonly times: number
      readonly leavesDeg: number
    }
  /** The gauge was zeroed on something else. */
  | { readonly by: 'zero'; readonly zero: GaugeZero; readonly leavesDeg: number }
  /** The gauge stood off square to the rod by so much: it reads too low. */
  | { readonly by: 'off-square'; readonly off: number; readonly times: number; readonly leavesDeg: number }

/** A cause that has a size. */
type AmountOff = Exclude<LikelyCause, { by: 'zero' }>

interface SideReading {
  readonly edgePoint: EdgePoint
  readonly pivotHeightMm: number
  readonly readDeg: number
}

/** Steps of the central difference, mm or degrees. */
const STEP = 0.01

/** How far a reading goes for a unit more of a measure, degrees; 0 where it does not. */
const slopeOf = (reading: (shifts: Shifts) => number | null, id: MeasureId): number => {
  const [less, more] = [-STEP, STEP].map((by) => reading({ [id]: by }))
  return less == null || more == null ? 0 : (more - less) / (2 * STEP)
}

/** How far a reading goes for a unit more of each measure, degrees. Source: docs/geometry.md, as below. */
export function readingMoves(
  setup: Setup,
  side: Side,
  at: Pick<SideReading, 'edgePoint' | 'pivotHeightMm'>,
  use: GaugeUse,
): (id: MeasureId) => number {
  const reading = readingShifter(setup, side, at, use)
  return (id) => (id === NOT_READ ? 0 : slopeOf(reading, id))
}

/** What the gauge must read on a side with measures off by so much, degrees; null where there is no angle. */
function readingShifter(
  setup: Setup,
  side: Side,
  { edgePoint, pivotHeightMm }: Pick<SideReading, 'edgePoint' | 'pivotHeightMm'>,
  use: GaugeUse,
) {
  const shifted = benchShifter(setup, side, pivotHeightMm)
  return (shifts: Shifts): number | null => {
    const off = shifted(shifts)
    const over = { ...rodPoseAt(off.setup, side, off.pivotHeightMm), rodLengthMm: Infinity, stroke: null }
    const contact = contactAt(edgePoint, off.setup.hold, over)
    return contact.ok ? expectedReadingDeg(off.setup, side, contact, use) : null
  }
}

/**
 * What would explain that a gauge read otherwise than it should, the likeliest first: another zero that fits, then the
 * measures that would have to be off by the fewest of their tolerances, by what the reading itself makes of them. Sides
 * that were not read do not count; empty where nothing fits or nothing differs. Source: docs/geometry.md, "What a level
 * gauge reads".
 */
export function likelyCauses(
  setup: Setup,
  known: KnownHold,
  read: Readonly<Partial<Record<Side, SideReading>>>,
  use: GaugeUse,
): LikelyCause[] {
  const sides = SIDES.flatMap((side) => {
    const one = read[side]
    if (!one) return []
    const reading = readingShifter(setup, side, one, use)
    const mustReadDeg = reading({})
    return mustReadDeg === null ? [] : [{ ...one, side, reading, differsDeg: one.readDeg - mustReadDeg }]
  })
  if (sides.length === 0 || Math.max(...sides.map((one) => Math.abs(one.differsDeg))) <= READ_TO_DEG) return []
  const worst = (left: (one: (typeof sides)[number]) => number) => Math.max(...sides.map((one) => Math.abs(left(one))))
  const zeros = GAUGE_ZEROS.filter((other) => other !== use.zero).flatMap((other): LikelyCause[] => {
    const leavesDeg = worst((one) => {
      const then = readingShifter(setup, one.side, one, { ...use, zero: other })({})
      return then === null ? Infinity : one.readDeg - then
    })
    return leavesDeg <= READ_TO_DEG ? [{ by: 'zero', zero: other, leavesDeg }] : []
  })
  const measures = measuresOf(setup, known, null).flatMap(({ id, unit, tolerance }): AmountOff[] => {
    if (id === NOT_READ) return []
    const slopes = sides.map(({ reading }) => slopeOf(reading, id))
    const square = slopes.reduce((sum, slope) => sum + slope ** 2, 0)
    if (square < 1e-9) return []
    const off = sides.reduce((sum, one, i) => sum + nth(slopes, i) * one.differsDeg, 0) / square
    const leavesDeg = worst((one) => one.differsDeg - nth(slopes, sides.indexOf(one)) * off)
    return leavesDeg <= READ_TO_DEG
      ? [{ by: 'measure', measure: id, unit, off, times: Math.abs(off) / tolerance, leavesDeg }]
      : []
  })
  const means = [...measures, ...offSquare(sides)].sort((a, b) => a.times - b.times)
  return [...zeros.sort((a, b) => a.leavesDeg - b.leavesDeg), ...means]
}

/** A gauge that stood off square alike on all sides that were read; none where one of them reads too much. */
function offSquare(sides: readonly { readDeg: number; differsDeg: number }[]): AmountOff[] {
  const read = sides.map(({ readDeg, differsDeg }) => ({ readDeg, mustDeg: readDeg - differsDeg }))
  const off = meanOffSquareDeg(read)
  if (off === null) return []
  const leavesDeg = Math.max(...read.map(({ readDeg, mustDeg }) => Math.abs(readDeg - readOffSquareDeg(mustDeg, off))))
  return leavesDeg <= READ_TO_DEG ? [{ by: 'off-square', off, times: off / SQUARE_BY_EYE_DEG, leavesDeg }] : []
}

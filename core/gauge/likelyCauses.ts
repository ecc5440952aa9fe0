import type { Contact } from '../angle/contact'
import { SIDES, type Side } from '../clamping/centring'
import type { DoubtShare } from '../doubt/budget'
import type { MeasureId } from '../doubt/measures'
import type { Setup } from '../setup/setup'
import { expectedReadingDeg } from './expectedReading'
import { GAUGE_ZEROS, type GaugeZero } from '../setup/gaugeZero'

/** A gauge at a bench is read to a tenth of a degree or so; what explains a reading to this is an explanation. */
const READ_TO_DEG = 0.15
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

interface SideReading {
  readonly contact: Contact
  readonly budget: readonly DoubtShare[]
  readonly readDeg: number
}

/**
 * What would explain that a gauge read otherwise than it should, the likeliest first: another zero that fits, then the
 * measures that would have to be off by the fewest of their tolerances. Sides that were not read do not count; empty
 * where nothing fits or nothing differs. Source: docs/geometry.md, "What a level gauge reads".
 */
export function likelyCauses(
  setup: Setup,
  read: Readonly<Partial<Record<Side, SideReading>>>,
  zero: GaugeZero,
): LikelyCause[] {
  const sides = SIDES.flatMap((side) => {
    const one = read[side]
    return one ? [{ ...one, side, differsDeg: one.readDeg - expectedReadingDeg(setup, side, one.contact, zero) }] : []
  })
  if (sides.length === 0 || Math.max(...sides.map((one) => Math.abs(one.differsDeg))) <= READ_TO_DEG) return []
  const worst = (left: (one: (typeof sides)[number]) => number) => Math.max(...sides.map((one) => Math.abs(left(one))))
  const zeros = GAUGE_ZEROS.filter((other) => other !== zero).flatMap((other): LikelyCause[] => {
    const leavesDeg = worst((one) => one.readDeg - expectedReadingDeg(setup, one.side, one.contact, other))
    return leavesDeg <= READ_TO_DEG ? [{ by: 'zero', zero: other, leavesDeg }] : []
  })
  const ids = [...new Set(sides.flatMap((one) => one.budget.map((share) => share.id)))].filter((id) => id !== NOT_READ)
  const measures = ids.flatMap((id): Extract<LikelyCause, { by: 'measure' }>[] => {
    const shares = sides.map((one) => one.budget.find((share) => share.id === id))
    const known = shares.find((share) => share !== undefined)!
    const slope = (i: number) => shares[i]?.perUnitDeg ?? 0
    const square = sides.reduce((sum, _, i) => sum + slope(i) ** 2, 0)
    if (square < 1e-9) return []
    const off = sides.reduce((sum, one, i) => sum + slope(i) * one.differsDeg, 0) / square
    const leavesDeg = worst((one) => one.differsDeg - slope(sides.indexOf(one)) * off)
    return leavesDeg <= READ_TO_DEG
      ? [{ by: 'measure', measure: id, unit: known.unit, off, times: Math.abs(off) / known.tolerance, leavesDeg }]
      : []
  })
  return [...zeros.sort((a, b) => a.leavesDeg - b.leavesDeg), ...measures.sort((a, b) => a.times - b.times)]
}

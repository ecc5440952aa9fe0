import { z } from 'zod'
import { SIDES } from '../common/side'
import { clampPosition, type ClampPosition } from './clampPosition'
import { deg, mm } from '../../schema/measure'

const along = mm({ least: 0, most: 3000 })

const MOST_POSITIONS = 20
/** One of the positions, from 1 on; null: of none of them, or there are none. */
export const positionNumber = z.number().int().min(1).max(MOST_POSITIONS).nullable()

/** A way of holding a long blade: the stretch worked so, and the place of it that the dial is for; from the heel. */
const keptPosition = z.object({
  hold: clampPosition,
  dialForMm: along,
  fromMm: along,
  toMm: along,
  /** Where it is blended into the position before; null on the first. */
  blendAtMm: along.nullable(),
})

/** The positions that were found for a long blade, and what they were found for. */
export const keptPositions = z.object({
  side: z.enum(SIDES),
  wantedDeg: deg({ above: 0, most: 60 }),
  toleranceDeg: deg({ above: 0, most: 10 }),
  each: z.array(keptPosition).min(2).max(MOST_POSITIONS),
})
export type KeptPositions = z.infer<typeof keptPositions>
export type KeptPosition = KeptPositions['each'][number]

/** How the blade is held in a kept position: the centring is the clamp's, and stays what was found of it since. */
export const heldAs = ({ hold }: KeptPosition, { centreOffsetMm, tiltDeg }: ClampPosition): ClampPosition => ({
  ...hold,
  centreOffsetMm,
  tiltDeg,
})

/** Which of the positions a hold is, from 1 on: its centring is no part of it. Null: none, or there are none at all. */
export function positionOf(hold: ClampPosition, positions: KeptPositions | null): number | null {
  const at = positions?.each.findIndex(
    ({ hold: one }) => one.bladeXMm === hold.bladeXMm && one.bladeYMm === hold.bladeYMm && one.turnDeg === hold.turnDeg,
  )
  return at === undefined || at < 0 ? null : at + 1
}

/** Which of the positions a place of the edge is worked in, from 1 on; null where there are none. */
export function positionAt(placeMm: number, positions: KeptPositions | null): number | null {
  if (!positions) return null
  const at = positions.each.findIndex(({ toMm }) => placeMm <= toMm)
  return at < 0 ? positions.each.length : at + 1
}

/** The stretch that is worked in a hold: of a kept position its own; else nothing is said, and all of it is. */
export function workedIn(hold: ClampPosition, positions: KeptPositions | null): KeptPosition | undefined {
  const at = positionOf(hold, positions)
  return at === null ? undefined : positions?.each[at - 1]
}

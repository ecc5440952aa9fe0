import { z } from 'zod'
import { nth } from '../../math/list'
import { SIDES } from '../common/side'
import { clampPosition, type ClampPosition } from './clampPosition'
import { deg, mm } from '../../schema/measure'

const along = mm({ least: 0, most: 3000 })

export const MOST_POSITIONS = 20
export const MOST_TOLERANCE_DEG = 10
/** One of the positions, from 1 on; null: of none of them, or there are none. */
export const positionNumber = z.number().int().min(1).max(MOST_POSITIONS).nullable()

/**
 * A stretch of the edge that is worked by itself: how the blade is held for it, and the place of it that the dial is
 * for; arc length from the heel.
 */
const keptPosition = z.object({
  hold: clampPosition,
  dialForMm: along,
  fromMm: along,
  toMm: along,
  /** Where it is blended into the position before; null on the first. */
  blendAtMm: along.nullable(),
})

/** The positions of a long blade, or the facets of an angular edge, and what they were found for. */
export const keptPositions = z.object({
  side: z.enum(SIDES),
  wantedDeg: deg({ above: 0, most: 60 }),
  toleranceDeg: deg({ above: 0, most: MOST_TOLERANCE_DEG }),
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

/** A job as it is set: how the blade is held, and the place that the dial is for (null: none was said). */
export interface PositionedJob {
  readonly hold: ClampPosition
  readonly dialForMm: number | null
  readonly positions: KeptPositions | null
}

/** Whether the blade lies alike in the jaws: its centring is no part of it. */
export const liesAlike = (one: ClampPosition, other: ClampPosition): boolean =>
  one.bladeXMm === other.bladeXMm && one.bladeYMm === other.bladeYMm && one.turnDeg === other.turnDeg

/** Whether the positions are parts of one hold, each with a setting of its own, as the facets of an edge are. */
export const shareOneHold = ({ each }: KeptPositions): boolean =>
  each.every(({ hold }) => liesAlike(hold, nth(each, 0).hold))

/** How far a place lies outside the stretch of a position, mm; 0 within it. */
const outsideMm = (placeMm: number, { fromMm, toMm }: KeptPosition): number =>
  Math.max(fromMm - placeMm, placeMm - toMm, 0)

/**
 * Which of its positions a job is set for, from 1 on: the one that it is held in; of several in one hold the one whose
 * stretch the dial is for. Null: none, or there are none at all.
 */
export function positionOf({ hold, dialForMm, positions }: PositionedJob): number | null {
  const each = positions?.each ?? []
  const held = each.filter((one) => liesAlike(one.hold, hold))
  const own = held.length > 1 ? held.find((one) => dialForMm !== null && outsideMm(dialForMm, one) === 0) : held[0]
  return own ? each.indexOf(own) + 1 : null
}

/**
 * Which of the positions a place of the edge is worked in, from 1 on: where two meet, the one whose dial is for a place
 * nearer to it. Null where there are none.
 */
export function positionAt(placeMm: number, positions: KeptPositions | null): number | null {
  if (!positions) return null
  const { each } = positions
  const away = (one: KeptPosition) => Math.abs(one.dialForMm - placeMm)
  const nearest = each.reduce((best, one) => {
    const further = outsideMm(placeMm, one) - outsideMm(placeMm, best)
    return further < 0 || (further === 0 && away(one) < away(best)) ? one : best
  })
  return each.indexOf(nearest) + 1
}

/** The stretch that is worked as a job is set: of a kept position its own; else nothing is said, and all of it is. */
export function workedIn(job: PositionedJob): KeptPosition | undefined {
  const at = positionOf(job)
  return at === null ? undefined : job.positions?.each[at - 1]
}

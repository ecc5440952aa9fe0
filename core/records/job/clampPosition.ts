import { z } from 'zod'
import { keysOf } from '../../schema/keys'
import { deg, mm } from '../../schema/measure'

/** What a blade lies on: its parallel flats, or the primary face between them and the edge. */
export const RESTS = ['flats', 'face'] as const
export type Rest = (typeof RESTS)[number]

/** As far as a blade can be moved and turned in its clamp, to either side. */
const MOST = { bladeXMm: 1000, bladeYMm: 500, turnDeg: 90 } as const

/**
 * How the blade is held. The blade point (bladeX, bladeY) lies at the clamp origin (the middle of the jaws' front
 * line), turned by turnDeg about it. centreOffsetMm and tiltDeg: how far the blade's centre plane stands above the
 * jaws' centre plane at the jaw front and how it rises outward, on side A; side B sees both with the opposite sign.
 */
export const clampPosition = z.object({
  bladeXMm: mm({ least: -MOST.bladeXMm, most: MOST.bladeXMm }),
  bladeYMm: mm({ least: -MOST.bladeYMm, most: MOST.bladeYMm }),
  turnDeg: deg({ least: -MOST.turnDeg, most: MOST.turnDeg }),
  centreOffsetMm: mm({ least: -10, most: 10 }).default(0),
  tiltDeg: deg({ least: -10, most: 10 }).default(0),
  /** On a table: what the blade lies on, where a hand has said so; else where its weight lies. */
  restsOn: z.enum(RESTS).optional(),
})
export type ClampPosition = z.infer<typeof clampPosition>

/** Whether a clamp position is within its limits, without parsing it: a drag asks many times a second. */
export const isWithinLimits = (hold: ClampPosition): boolean =>
  keysOf(MOST).every((key) => Math.abs(hold[key]) <= MOST[key])

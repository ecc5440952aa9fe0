import { z } from 'zod'
import { deg, mm } from '../../schema/measure'

/** What a blade lies on: its parallel flats, or the primary face between them and the edge. */
export const RESTS = ['flats', 'face'] as const
export type Rest = (typeof RESTS)[number]

/**
 * How the blade is held. The blade point (bladeX, bladeY) lies at the clamp origin (the middle of the jaws' front
 * line), turned by turnDeg about it. centreOffsetMm and tiltDeg: how far the blade's centre plane stands above the
 * jaws' centre plane at the jaw front and how it rises outward, on side A; side B sees both with the opposite sign.
 */
export const clampPosition = z.object({
  bladeXMm: mm({ least: -1000, most: 1000 }),
  bladeYMm: mm({ least: -500, most: 500 }),
  turnDeg: deg({ least: -90, most: 90 }),
  centreOffsetMm: mm({ least: -10, most: 10 }).default(0),
  tiltDeg: deg({ least: -10, most: 10 }).default(0),
  /** On a table: what the blade lies on, where a hand has said so; else where its weight lies. */
  restsOn: z.enum(RESTS).optional(),
})
export type ClampPosition = z.infer<typeof clampPosition>

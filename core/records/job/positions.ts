import { z } from 'zod'
import { SIDES } from '../common/side'
import { clampPosition, type ClampPosition } from './clampPosition'
import { deg, mm } from '../../schema/measure'

const along = mm({ least: 0, most: 3000 })

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
  each: z.array(keptPosition).min(2).max(20),
})
export type KeptPositions = z.infer<typeof keptPositions>
export type KeptPosition = KeptPositions['each'][number]

/** How the blade is held in a kept position: the centring is the clamp's, and stays what was found of it since. */
export const heldAs = ({ hold }: KeptPosition, { centreOffsetMm, tiltDeg }: ClampPosition): ClampPosition => ({
  ...hold,
  centreOffsetMm,
  tiltDeg,
})

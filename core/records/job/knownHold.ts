import { z } from 'zod'
import { deg, mm } from '../../schema/measure'

/** How well it is known how the blade is held: half-widths. */
export const holdTolerance = z.object({
  /** Place along the jaws. */
  alongMm: mm({ least: 0, most: 20 }).default(1),
  turnDeg: deg({ least: 0, most: 10 }).default(0.5),
  centreOffsetMm: mm({ least: 0, most: 5 }).default(0.1),
  /** Tilt in the jaws, or how the blade rests on a table. */
  tiltDeg: deg({ least: 0, most: 10 }).default(0.2),
})
export type HoldTolerance = z.infer<typeof holdTolerance>

/** How well a blade's place in its rig is known. */
export interface KnownHold {
  /** Half-width of the uncertainty of the blade height, mm. */
  readonly bladeHeightToleranceMm: number
  readonly holdTolerance: HoldTolerance
}

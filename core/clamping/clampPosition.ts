import { z } from 'zod'

/**
 * How the blade is held. The blade point (bladeX, bladeY) lies at the clamp origin (the middle of the jaws' front
 * line), turned by turnDeg about it. centreOffsetMm and tiltDeg: how far the blade's centre plane stands above the
 * jaws' centre plane at the jaw front and how it rises outward, on side A; side B sees both with the opposite sign.
 */
export const clampPosition = z.object({
  bladeXMm: z.number().min(-1000).max(1000),
  bladeYMm: z.number().min(-500).max(500),
  turnDeg: z.number().min(-90).max(90),
  centreOffsetMm: z.number().min(-10).max(10).default(0),
  tiltDeg: z.number().min(-10).max(10).default(0),
})
export type ClampPosition = z.infer<typeof clampPosition>

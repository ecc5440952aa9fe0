import { z } from 'zod'

/** Who can reach the server, whether its own screen asks, and which devices were let in. */
export const devicesHere = z.object({
  reach: z.enum(['this-machine', 'network']),
  bench: z.boolean(),
  devices: z.array(z.object({ id: z.uuid(), name: z.string(), lastUsedAt: z.iso.datetime() })),
})
export type DevicesHere = z.infer<typeof devicesHere>

/** What lets one device in: a code to be typed, the addresses that have it in them, and until when. */
export const deviceOffer = z.object({
  code: z.string(),
  addresses: z.array(z.string()),
  until: z.iso.datetime(),
})
export type DeviceOffer = z.infer<typeof deviceOffer>

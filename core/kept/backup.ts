import { z } from 'zod'
import { bladePhoto } from './bladePhoto'
import { keptBlade, keptRig, keptSetup, keptStone } from './kept'
import { rigVersion } from './rigVersion'
import { keptPreferences } from './preferences'

/** All that is kept, in one open file: JSON, lengths in mm, angles in degrees, as docs/geometry.md defines them. */
export const backup = z.object({
  format: z.literal('jaw-tilt', 'This is no Jaw Tilt file.'),
  version: z.literal(1, 'This file was written by a later Jaw Tilt: update this one first.'),
  savedAt: z.iso.datetime(),
  rigs: z.array(keptRig),
  rigVersions: z.array(rigVersion).default([]),
  blades: z.array(keptBlade),
  bladePhotos: z.array(bladePhoto).default([]),
  stones: z.array(keptStone),
  setups: z.array(keptSetup),
  preferences: keptPreferences,
})
export type Backup = z.infer<typeof backup>

/** What bringing a file back did. */
export const broughtBack = z.object({ added: z.number().int(), updated: z.number().int(), left: z.number().int() })
export type BroughtBack = z.infer<typeof broughtBack>

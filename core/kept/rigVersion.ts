import { z } from 'zod'
import { rigMeasures } from '../rig/rig'

/** What a rig was at a revision that has been written over since. */
export const rigVersion = z.object({ rigId: z.uuid(), revision: z.number().int().min(1), content: rigMeasures })
export type RigVersion = z.infer<typeof rigVersion>

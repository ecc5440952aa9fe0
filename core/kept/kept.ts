import { z } from 'zod'
import { blade } from '../blade/blade'
import { possibleRig } from '../rig/possibleRig'
import { rigMeasures } from '../rig/rig'
import { setup } from '../setup/setup'
import { stone } from '../stone/stone'

/**
 * What is kept, by the name of its collection. One schema for each kind serves the database, the routes and the
 * screens.
 */
export const KEPT_KINDS = { rigs: possibleRig, blades: blade, stones: stone, setups: setup } as const
export type KeptKind = keyof typeof KEPT_KINDS
export const keptKind = z.enum(['rigs', 'blades', 'stones', 'setups'])

/** What every kept thing carries besides its content. */
export const keptMeta = z.object({
  /** UUID version 7: sorted by time, and collections of two machines can be merged. */
  id: z.uuid(),
  /** Counts the writes, from 1. A write names the revision it started from. */
  revision: z.number().int().min(1),
  createdAt: z.iso.datetime(),
  updatedAt: z.iso.datetime(),
  archivedAt: z.iso.datetime().nullable(),
})
export type KeptMeta = z.infer<typeof keptMeta>

/** Read by its measures alone: a rule that came later does not take away what is kept. */
export const keptRig = rigMeasures.extend(keptMeta.shape)
export const keptBlade = blade.extend(keptMeta.shape)
export const keptStone = stone.extend(keptMeta.shape)
export const keptSetup = setup.extend(keptMeta.shape)
export type KeptRig = z.infer<typeof keptRig>
export type KeptBlade = z.infer<typeof keptBlade>
export type KeptStone = z.infer<typeof keptStone>
export type KeptSetup = z.infer<typeof keptSetup>

export const KEPT_SCHEMAS = { rigs: keptRig, blades: keptBlade, stones: keptStone, setups: keptSetup } as const
export interface KeptByKind {
  rigs: KeptRig
  blades: KeptBlade
  stones: KeptStone
  setups: KeptSetup
}

/** What a write of an existing thing names: the revision it started from. */
export const startedFrom = z.object({ revision: z.number().int().min(1) })

import { z } from 'zod'
import { rigMeasures } from '../rig/rig'
import { moment } from '../../schema/moment'
import { revision } from '../common/meta'
import { RECORDS } from './kinds'
import { readContent } from '../../schema/versioned'

/** What a record was at a revision that has been written over since, as it is stored. */
export const storedVersion = z.object({
  thingId: z.uuid(),
  revision,
  version: z.number().int().min(1).max(1000),
  content: z.unknown(),
  /** When it was written over; null where that was not kept. */
  until: moment.nullable().default(null),
})
export type StoredVersion = z.infer<typeof storedVersion>

/** What a rig was at a revision that has been written over since. */
export const rigVersion = z.object({
  rigId: z.uuid(),
  revision: z.number().int().min(1),
  content: rigMeasures,
  until: moment.nullable(),
})
export type RigVersion = z.infer<typeof rigVersion>

/** Reads a rig's earlier version; null where this version of the application cannot. */
export function readRigVersion({ thingId, revision, version, content, until }: StoredVersion): RigVersion | null {
  const read = readContent(RECORDS.rigs, version, content)
  return read.ok ? { rigId: thingId, revision, content: read.content, until } : null
}

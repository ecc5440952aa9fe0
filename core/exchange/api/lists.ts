import { z } from 'zod'
import { logEntry } from '../../log/entry'
import { unreadableEntry } from '../../log/stored'
import { unreadable } from '../../records/storage/stored'
import { recordSchema } from '../../records/storage/kinds'

/** So many jobs or blades are shown at once, and fetched. */
export const LISTED_AT_ONCE = 30
/** So many can be asked for. */
export const MOST_LISTED_AT_ONCE = 300
/** So many can be asked for by their ids. */
export const MOST_NAMED_AT_ONCE = 100

/** What stands with a part of a list. */
const part = z.object({
  unreadable: z.array(unreadable),
  /** So many there are in all where these come from. */
  total: z.number(),
  /** And in the other place (put away, or not), whatever is looked for. */
  elsewhere: z.number(),
  /** What to ask for the next part with; null where this is the last. */
  next: z.string().nullable(),
})

/** What happened, as far as it was asked for. */
export const listedLog = z.object({
  entries: z.array(logEntry),
  unreadable: z.array(unreadableEntry),
  /** How far the whole log goes: what comes in later is asked for from here on. */
  upTo: z.number(),
})
export type ListedLog = z.infer<typeof listedLog>

/** A part of the list of jobs, the last changed first, with their blades and what happened on them. */
export const jobPage = part.extend({
  records: z.array(recordSchema('jobs')),
  blades: z.array(recordSchema('blades')),
  log: listedLog,
})
export type JobPage = z.infer<typeof jobPage>

/** When a blade was last done, on which rig, and whether that job is on the bench still. */
const lastJob = z.object({
  bladeId: z.uuid(),
  rigId: z.uuid(),
  updatedAt: z.iso.datetime(),
  isOnBench: z.boolean(),
})
export type LastJob = z.infer<typeof lastJob>

/** A part of the list of blades, those first that were done or measured last. */
export const bladePage = part.extend({ records: z.array(recordSchema('blades')), last: z.array(lastJob) })
export type BladePage = z.infer<typeof bladePage>

/**
 * What bears on a job besides itself: its blade and earlier jobs with it, what was proved on its rig, on which blades
 * and jobs, and the instruments that were read last.
 */
export const aroundJob = z.object({
  jobs: z.array(recordSchema('jobs')),
  blades: z.array(recordSchema('blades')),
  log: listedLog,
})
export type AroundJob = z.infer<typeof aroundJob>

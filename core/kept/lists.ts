import { z } from 'zod'
import { logEntry } from '../log/entry'
import { unreadableEntry } from '../log/stored'
import { unreadable } from './stored'
import { keptSchema } from './things'

/** So many jobs are shown at once, and fetched. */
export const JOBS_AT_ONCE = 30
/** So many can be asked for. */
export const MOST_JOBS_AT_ONCE = 300

/** What happened, as far as it was asked for. */
export const listedLog = z.object({
  entries: z.array(logEntry),
  unreadable: z.array(unreadableEntry),
  /** How far the whole log goes: what comes in later is asked for from here on. */
  upTo: z.number(),
})
export type ListedLog = z.infer<typeof listedLog>

/** A part of the list of jobs, the last changed first, with what happened on them. */
export const jobPage = z.object({
  things: z.array(keptSchema('jobs')),
  unreadable: z.array(unreadable),
  log: listedLog,
  /** So many there are in all where these come from. */
  total: z.number(),
  /** And in the other place (off the bench, or on it), whatever is looked for. */
  elsewhere: z.number(),
  /** What to ask for the next part with; null where this is the last. */
  next: z.string().nullable(),
})
export type JobPage = z.infer<typeof jobPage>

/**
 * What bears on a job besides itself: earlier jobs with its blade, what was proved on its rig and on which jobs, and
 * the instruments that were read last.
 */
export const aroundJob = z.object({ jobs: z.array(keptSchema('jobs')), log: listedLog })
export type AroundJob = z.infer<typeof aroundJob>

/** When each blade was last done, and on which rig. */
export const lastJobs = z.array(z.object({ bladeId: z.uuid(), rigId: z.uuid(), updatedAt: z.iso.datetime() }))
export type LastJobs = z.infer<typeof lastJobs>

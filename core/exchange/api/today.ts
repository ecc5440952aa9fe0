import { z } from 'zod'
import { OUTCOMES } from '../../log/choices'

const blade = { bladeId: z.uuid(), blade: z.string(), owner: z.string() }

/** A job that is wanted back by a day, and is not handed back. */
const dueJob = z.object({ jobId: z.uuid(), name: z.string(), dueOn: z.iso.date(), isReady: z.boolean(), ...blade })
export type DueJob = z.infer<typeof dueJob>

/** So many jobs with blades of one owner, wanted back on one day, are told together. */
export const LEAST_BATCH = 3
const dueBatch = z.object({ owner: z.string(), dueOn: z.iso.date(), jobs: z.number(), ready: z.number() })
const dueLine = z.union([dueJob, dueBatch])
export type DueLine = z.infer<typeof dueLine>

/** A blade whose edge is dull by now: somebody said so, or its edges usually last no longer. */
const dullBlade = z.object({
  ...blade,
  /** The job that put the edge to use. */
  jobId: z.uuid(),
  dull: z.discriminatedUnion('is', [
    z.object({ is: z.literal('said'), outcome: z.enum(OUTCOMES).exclude(['cuts-well']) }),
    z.object({ is: z.literal('likely'), days: z.number(), usualDays: z.number() }),
  ]),
})
export type DullBlade = z.infer<typeof dullBlade>

/** So many lines of each are listed; `more` says how many jobs or blades there are beside. */
export const LISTED_TODAY = 12
const listed = <T extends z.ZodType>(of: T) => z.object({ first: z.array(of), more: z.number() })

/** The bench's day: what is due, and which edges are dull by now. */
export const today = z.object({ due: listed(dueLine), dull: listed(dullBlade) })
export type Today = z.infer<typeof today>

import equal from 'fast-deep-equal'
import type { z } from 'zod'
import { clampCard, type Job } from '../../records/job/job'

/** What a clamp card brings back: how the blade was held, what was dialled, for where and why, jaws and stones. */
export type ClampCard = z.infer<typeof clampCard>

/** The clamp card of a job. */
export const cardOf = (job: Job): ClampCard => clampCard.parse(job)

/** Jobs done with this blade on this rig, in the order given. */
export const doneWith = <T extends Job>(jobs: readonly T[], { rigId, bladeId }: Pick<Job, 'rigId' | 'bladeId'>): T[] =>
  jobs.filter((job) => job.rigId === rigId && job.bladeId === bladeId)

/** Whether two jobs hold their blade and stand their pivot in the same way. */
export const sameHold = (a: Job, b: Job): boolean =>
  equal([a.hold, a.dialled, a.dialForMm, a.jawsName], [b.hold, b.dialled, b.dialForMm, b.jawsName])

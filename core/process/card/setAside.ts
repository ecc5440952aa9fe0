import { MOST_SET_ASIDE, type Job } from '../../records/job/job'
import { cardOf, type ClampCard } from './sameAgain'

type Pair = Pick<Job, 'rigId' | 'bladeId'>
const isOf =
  ({ rigId, bladeId }: Pair) =>
  (one: Pair): boolean =>
    one.rigId === rigId && one.bladeId === bladeId

/** The card this job had with a rig and a blade, before others took their place; undefined where it had none. */
export function setAsideFor(job: Job, pair: Pair): ClampCard | undefined {
  const found = job.setAside.find(isOf(pair))
  if (!found) return undefined
  const { rigId: _rigId, bladeId: _bladeId, ...card } = found
  return card
}

/** What is set aside once a rig and a blade take the place of those the job has now. */
export function withSetAside(job: Job, next: Pair): Job['setAside'] {
  const stay = job.setAside.filter((one) => !isOf(next)(one) && !isOf(job)(one))
  return [...stay, { rigId: job.rigId, bladeId: job.bladeId, ...cardOf(job) }].slice(-MOST_SET_ASIDE)
}

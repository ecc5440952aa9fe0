import { getQuery } from 'h3'
import { z } from 'zod'
import { JOBS_AT_ONCE, MOST_JOBS_AT_ONCE } from '../../../core/kept/lists'
import { parsed } from '../../http/refusal'
import { collection } from '../../http/things'
import { jobCursor, pageOfJobs } from '../../repositories/jobLists'
import { useDatabase } from '../../store/store'

const askedJobs = z.object({
  away: z.stringbool().default(false),
  search: z.string().max(200).default(''),
  from: jobCursor.nullable().default(null),
  limit: z.coerce.number().int().min(1).max(MOST_JOBS_AT_ONCE).default(JOBS_AT_ONCE),
})

/** All of a kind; of the jobs, a part. */
export default defineEventHandler(async (event) => {
  const { kind, repository } = await collection(event)
  if (kind === 'jobs') return pageOfJobs(await useDatabase(), parsed(askedJobs, getQuery(event)))
  return repository.list(getQuery(event).archived === 'true')
})

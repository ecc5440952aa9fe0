import { getQuery } from 'h3'
import { z } from 'zod'
import { MOST_NAMED_AT_ONCE } from '../../../core/exchange/api/lists'
import { parsed } from '../../http/refusal'
import { collection } from '../../http/records'
import { pageOfBlades } from '../../repositories/bladeLists'
import { askedJobs, pageOfJobs } from '../../repositories/jobLists'
import { askedPart } from '../../repositories/partOfList'
import { listNamed } from '../../repositories/recordRepository'
import { useDatabase } from '../../store/store'

const named = z.object({
  ids: z
    .string()
    .transform((text) => text.split(','))
    .pipe(z.array(z.uuid()).max(MOST_NAMED_AT_ONCE))
    .optional(),
})

/** All of a kind, or those that are named; of the jobs and the blades, a part. */
export default defineEventHandler(async (event) => {
  const { kind, repository } = await collection(event)
  const query = getQuery(event)
  const { ids } = parsed(named, query)
  const db = await useDatabase()
  if (ids) return listNamed(db, kind, ids)
  if (kind === 'jobs') return pageOfJobs(db, parsed(askedJobs, query))
  if (kind === 'blades') return pageOfBlades(db, parsed(askedPart, query))
  return repository.list(query.archived === 'true')
})

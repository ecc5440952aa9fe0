import { getQuery } from 'h3'
import { z } from 'zod'
import { parsed } from '../../http/refusal'
import { logOfAllJobs } from '../../repositories/jobLists'
import { listLog } from '../../repositories/logRepository'
import { useDatabase } from '../../store/store'

const asked = z.object({ after: z.coerce.number().int().min(0).optional() })

/** What came in after a place in the log; without one, what bears on every job: the rest comes with its job. */
export default defineEventHandler(async (event) => {
  const { after } = parsed(asked, getQuery(event))
  const db = await useDatabase()
  return after === undefined ? logOfAllJobs(db) : listLog(db, after)
})

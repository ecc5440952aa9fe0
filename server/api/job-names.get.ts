import { getQuery } from 'h3'
import { z } from 'zod'
import { parsed } from '../http/refusal'
import { jobNames } from '../repositories/jobLists'
import { useDatabase } from '../store/store'

const asked = z.object({ beginning: z.string().min(1).max(120) })

/** Names of jobs that begin so: a new one is called otherwise. */
export default defineEventHandler(async (event) =>
  jobNames(await useDatabase(), parsed(asked, getQuery(event)).beginning),
)

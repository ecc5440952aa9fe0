import { getQuery } from 'h3'
import { z } from 'zod'
import { parsed } from '../http/refusal'
import { aroundAJob } from '../repositories/jobLists'
import { useDatabase } from '../store/store'

const asked = z.object({ jobId: z.uuid().nullable().default(null), rigId: z.uuid(), bladeId: z.uuid() })

/** What bears on a job besides itself. */
export default defineEventHandler(async (event) => aroundAJob(await useDatabase(), parsed(asked, getQuery(event))))

import { getQuery } from 'h3'
import { z } from 'zod'
import { parsed } from '../../http/refusal'
import { listLog } from '../../repositories/logRepository'
import { useDatabase } from '../../store/store'

const asked = z.object({ after: z.coerce.number().int().min(0).default(0) })

/** The log, or what came in after a place in it. */
export default defineEventHandler(async (event) => listLog(await useDatabase(), parsed(asked, getQuery(event)).after))

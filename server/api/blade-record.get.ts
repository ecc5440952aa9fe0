import { getQuery } from 'h3'
import { z } from 'zod'
import { parsed } from '../http/refusal'
import { readBladeRecord } from '../repositories/bladeRecord'
import { useDatabase } from '../store/store'

const asked = z.object({ blade: z.uuid() })

/** Everything that happened to a blade. */
export default defineEventHandler(async (event) =>
  readBladeRecord(await useDatabase(), parsed(asked, getQuery(event)).blade),
)

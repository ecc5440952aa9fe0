import { getQuery } from 'h3'
import { z } from 'zod'
import { parsed } from '../http/refusal'
import { alikeEdges } from '../repositories/alikeBlades'
import { useDatabase } from '../store/store'

const asked = z.object({ blade: z.uuid() })

/** What became of the edges of other blades of the same steel and for the same work. */
export default defineEventHandler(async (event) =>
  alikeEdges(await useDatabase(), parsed(asked, getQuery(event)).blade),
)

import { getQuery } from 'h3'
import { z } from 'zod'
import { parsed } from '../../http/refusal'
import { listPhotos } from '../../repositories/photoRepository'
import { useDatabase } from '../../store/store'

const ofBlade = z.object({ blade: z.uuid() })

/** The pictures of one blade. */
export default defineEventHandler(async (event) =>
  listPhotos(await useDatabase(), parsed(ofBlade, getQuery(event)).blade),
)

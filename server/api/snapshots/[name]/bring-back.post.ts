import { z } from 'zod'
import { jsonBody } from '../../../http/jsonBody'
import { parsed, refusedFields } from '../../../http/refusal'
import { snapshotOf } from '../../../http/snapshots'
import { bringBack, putInPlace } from '../../../repositories/backupRepository'
import { useData } from '../../../store/store'

const asked = z.object({ whole: z.boolean().default(false) })

/**
 * Brings a snapshot back: as a merge, or in whole in the place of what there is. A snapshot is kept before, and named
 * in the answer, so that it can be undone.
 */
export default defineEventHandler(async (event) => {
  const { whole } = parsed(asked, await jsonBody(event))
  const backup = await snapshotOf(event)
  const data = await useData()
  await data.snapshot()
  const before = data.snapshots()[0]!.name
  const brought = whole ? await putInPlace(data.db, backup) : await bringBack(data.db, backup)
  if (!brought.ok) throw refusedFields(brought.problems)
  return { ...brought.done, before }
})

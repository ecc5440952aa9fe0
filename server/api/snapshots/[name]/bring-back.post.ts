import { z } from 'zod'
import { nth } from '#core/math/list'
import { bothSkipped } from '../../../../core/exchange/backup/skippedRows'
import { jsonBody } from '../../../http/jsonBody'
import { parsed } from '../../../http/refusal'
import { withSnapshot } from '../../../http/snapshots'
import { bringBack, putInPlace } from '../../../repositories/backupRepository'
import { useData } from '../../../store/store'

const asked = z.object({ whole: z.boolean().default(false) })

/**
 * Brings a snapshot back: as a merge, or in whole in the place of what there is. A snapshot is kept before, and named
 * in the answer, so that it can be undone.
 */
export default defineEventHandler(async (event) => {
  const { whole } = parsed(asked, await jsonBody(event))
  return withSnapshot(event, async ({ backup, pictures, skipped }) => {
    const data = await useData()
    await data.snapshot()
    const before = nth(data.snapshots(), 0).name
    const done = await (whole ? putInPlace : bringBack)(data.db, backup, pictures)
    return { ...done, skipped: bothSkipped(skipped, done.skipped), before }
  })
})

import { bothSkipped } from '../../core/exchange/backup/skippedRows'
import { followed } from '../http/bringingBack'
import { onlyJson } from '../http/jsonBody'
import { refusal, refusedFields } from '../http/refusal'
import { bringBack, rowsOf } from '../repositories/backupRepository'
import { MOST_BYTES_BESIDES_PICTURES, readBackupStream } from '../database/backupStream'
import { dataFolder } from '../database/dataFolder'
import { snapshotsFolder } from '../store/snapshots'
import { useDatabase } from '../store/store'

/** Merges a backup, read as it comes in: pictures of any number of blades. */
export default defineEventHandler(async (event) => {
  onlyJson(event)
  const pieces: AsyncIterable<Buffer> = event.node.req
  const read = await readBackupStream(pieces, snapshotsFolder(dataFolder()), MOST_BYTES_BESIDES_PICTURES)
  if (!read.ok && read.code === 'invalid') throw refusedFields(read.problems)
  if (!read.ok && read.code === 'not-json') throw refusal(400, 'not-json')
  if (!read.ok) throw refusal(413, 'body-too-large', { figures: { mostMegabytes: MOST_BYTES_BESIDES_PICTURES / 1e6 } })
  const following = followed(event, rowsOf(read.backup, read.pictures))
  try {
    const done = await bringBack(await useDatabase(), read.backup, read.pictures, following.onPart)
    return { ...done, skipped: bothSkipped(read.skipped, done.skipped) }
  } finally {
    following.end()
    read.close()
  }
})

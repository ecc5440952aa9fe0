import { setImmediate } from 'node:timers/promises'
import { readingBackup } from '../../core/kept/backup'
import { followed } from '../http/bringingBack'
import { jsonBody } from '../http/jsonBody'
import { refusedFields } from '../http/refusal'
import { bringBack, rowsOf } from '../repositories/backupRepository'
import { useDatabase } from '../store/store'

/** A tool room with the pictures of fifty blades. */
const MOST_BACKUP_BYTES = 250_000_000

export default defineEventHandler(async (event) => {
  const reading = readingBackup(await jsonBody(event, MOST_BACKUP_BYTES))
  let step = reading.next()
  for (; !step.done; step = reading.next()) await setImmediate()
  const read = step.value
  if (!read.ok) throw refusedFields(read.problems)
  const following = followed(event, rowsOf(read.backup))
  try {
    const brought = await bringBack(await useDatabase(), read.backup, following.onPart)
    if (!brought.ok) throw refusedFields(brought.problems)
    return brought.done
  } finally {
    following.end()
  }
})

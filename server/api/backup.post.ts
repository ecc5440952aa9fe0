import { readBackup } from '../../core/kept/backup'
import { jsonBody } from '../http/jsonBody'
import { refusedFields } from '../http/refusal'
import { bringBack } from '../repositories/backupRepository'
import { useDatabase } from '../store/store'

/** A whole tool room with many traced edges is still far below this. */
const MOST_BACKUP_BYTES = 50_000_000

export default defineEventHandler(async (event) => {
  const read = readBackup(await jsonBody(event, MOST_BACKUP_BYTES))
  if (!read.ok) throw refusedFields(read.problems)
  const brought = await bringBack(await useDatabase(), read.backup)
  if (!brought.ok) throw refusedFields(brought.problems)
  return brought.done
})

import { keptPreferences } from '../../core/records/preferences/preferences'
import { jsonBody } from '../http/jsonBody'
import { parsed, refusal } from '../http/refusal'
import { readPreferences, writePreferences } from '../repositories/preferencesRepository'
import { useDatabase } from '../store/store'

export default defineEventHandler(async (event) => {
  const { revision, ...wanted } = parsed(keptPreferences, await jsonBody(event))
  const db = await useDatabase()
  const written = await writePreferences(db, revision, wanted)
  if (!written) throw refusal(409, 'outdated', { current: await readPreferences(db) })
  return written
})

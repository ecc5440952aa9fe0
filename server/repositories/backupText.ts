import { and, asc, eq, gt, or, type SQL } from 'drizzle-orm'
import { lastOf } from '#core/math/list'
import { BACKUP_VERSION } from '../../core/exchange/backup/backup'
import { RECORD_KINDS } from '../../core/records/storage/kinds'
import type { Database } from '../database/connection'
import { log, photos, records, recordVersions } from '../database/schema'
import { storedEntryOf } from './logRows'
import { photoOf } from './photoRepository'
import { readPreferences } from './preferencesRepository'
import { storedRecordOf } from './recordRepository'

/** So many rows are read at once; between them others are answered. */
const ROWS = 50

/**
 * All that is kept as the text of a backup (core/exchange/backup/backup), piece by piece. What names another thing
 * comes before it, so that what is made meanwhile never names something that is missing from it.
 */
export async function* backupText(db: Database, savedAt: Date): AsyncGenerator<string> {
  const preferences = await readPreferences(db)
  yield `{"format":"jaw-tilt","version":${BACKUP_VERSION},"savedAt":${JSON.stringify(savedAt)}`
  yield `,"preferences":${JSON.stringify(preferences)},"log":`
  yield* list(
    (after: number | null) =>
      db
        .select()
        .from(log)
        .where(after === null ? undefined : gt(log.received, after))
        .orderBy(asc(log.received))
        .limit(ROWS),
    ({ received }) => received,
    storedEntryOf,
  )
  yield ',"bladePhotos":'
  yield* list(
    (after: string | null) =>
      db
        .select()
        .from(photos)
        .where(after === null ? undefined : gt(photos.id, after))
        .orderBy(asc(photos.id))
        .limit(1),
    ({ id }) => id,
    photoOf,
  )
  yield ',"rigVersions":'
  yield* list(
    (after: { thingId: string; revision: number } | null) =>
      db
        .select()
        .from(recordVersions)
        .where(after === null ? undefined : laterVersion(after))
        .orderBy(asc(recordVersions.thingId), asc(recordVersions.revision))
        .limit(ROWS),
    (row) => row,
    (row) => row,
  )
  yield ',"things":{'
  // Jobs name all the others: they come first.
  for (const [i, kind] of JOBS_FIRST.entries()) {
    yield `${i === 0 ? '' : ','}"${kind}":`
    yield* list(
      (after: string | null) =>
        db
          .select()
          .from(records)
          .where(and(eq(records.kind, kind), after === null ? undefined : gt(records.id, after)))
          .orderBy(asc(records.id))
          .limit(ROWS),
      ({ id }) => id,
      storedRecordOf,
    )
  }
  yield '}}'
}
const JOBS_FIRST = [...RECORD_KINDS].sort((a, b) => Number(b === 'jobs') - Number(a === 'jobs'))

const laterVersion = ({ thingId, revision }: { thingId: string; revision: number }): SQL | undefined =>
  or(
    gt(recordVersions.thingId, thingId),
    and(eq(recordVersions.thingId, thingId), gt(recordVersions.revision, revision)),
  )

/** A list as JSON, page by page: each page begins after the last row of the one before. */
async function* list<Row, Place>(
  page: (after: Place | null) => Promise<Row[]>,
  placeOf: (row: Row) => Place,
  written: (row: Row) => unknown,
): AsyncGenerator<string> {
  yield '['
  let rows = await page(null)
  for (let first = true; rows.length > 0; first = false) {
    yield (first ? '' : ',') + rows.map((row) => JSON.stringify(written(row))).join(',')
    rows = await page(placeOf(lastOf(rows)))
  }
  yield ']'
}

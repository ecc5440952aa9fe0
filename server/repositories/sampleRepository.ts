import { between, count, inArray } from 'drizzle-orm'
import { rawOf } from '../../core/schema/versioned'
import type { Backup } from '../../core/exchange/backup/backup'
import { isSample, SAMPLE_IDS } from '../../core/records/storage/samples'
import { RECORD_KINDS } from '../../core/records/storage/kinds'
import type { Database } from '../database/connection'
import { withSamples } from '../database/samplesLock'
import { log, photos, records, recordVersions } from '../database/schema'
import { readAll } from './backupRepository'
import { noteDerived } from './derived'

const UUID = /[0-9a-f]{8}(?:-[0-9a-f]{4}){3}-[0-9a-f]{12}/g

/** The id that a content has at a field; empty where it has none. */
function idAt(content: unknown, field: string): string {
  const id = rawOf(content)[field]
  return typeof id === 'string' ? id : ''
}

/**
 * Takes the samples away, all at once, with their versions, pictures and entries: the jobs, and what no job of the
 * user's own goes on with. Answers what was taken away, as a backup that brings it back.
 */
export async function removeSamples(db: Database, now: Date): Promise<Backup> {
  return withSamples(db, async (tx) => {
    const all = await readAll(tx, now)
    const jobs = new Set(all.things.jobs.map(({ id }) => id).filter(isSample))
    const ofJobs = (content: unknown) => jobs.has(idAt(content, 'jobId'))
    const own = [
      ...RECORD_KINDS.flatMap((kind) => all.things[kind].filter(({ id }) => !isSample(id))),
      ...all.log.filter(({ id, content }) => !isSample(id) && !ofJobs(content)),
    ]
    const used = new Set(own.flatMap(({ content }) => JSON.stringify(content).match(UUID) ?? []))
    const goes = (id: string) => isSample(id) && !used.has(id)
    /** Whatever such an entry is about is taken away with it. */
    const entryGoes = (content: unknown) => {
      const jobId = idAt(content, 'jobId')
      return jobId ? jobs.has(jobId) : goes(idAt(content, 'bladeId')) || goes(idAt(content, 'stoneId'))
    }
    const gone: Backup = {
      ...all,
      things: { ...all.things },
      rigVersions: all.rigVersions.filter(({ thingId }) => goes(thingId)),
      bladePhotos: all.bladePhotos.filter(({ bladeId }) => goes(bladeId)),
      log: all.log.filter(({ content }) => entryGoes(content)),
    }
    for (const kind of RECORD_KINDS) gone.things[kind] = all.things[kind].filter(({ id }) => goes(id))
    const ids = RECORD_KINDS.flatMap((kind) => gone.things[kind].map(({ id }) => id))
    const entries = gone.log.map(({ id }) => id)
    const went = entries.length === 0 ? [] : await tx.delete(log).where(inArray(log.id, entries)).returning()
    await noteDerived(tx, went)
    if (ids.length > 0) {
      await tx.delete(photos).where(inArray(photos.bladeId, ids))
      await tx.delete(recordVersions).where(inArray(recordVersions.thingId, ids))
      await tx.delete(records).where(inArray(records.id, ids))
    }
    return gone
  })
}

/** How many of what is here are samples. */
export async function countSamples(db: Database): Promise<number> {
  const [counted] = await db
    .select({ samples: count() })
    .from(records)
    .where(between(records.id, ...SAMPLE_IDS))
  return counted!.samples
}

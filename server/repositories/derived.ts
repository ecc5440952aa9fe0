import { inArray } from 'drizzle-orm'
import { z } from 'zod'
import { rawOf } from '../../core/schema/versioned'
import type { Database } from '../database/connection'
import { lastEdges, log, standings } from '../database/schema'
import { bladesTold, isNewsOfEdge, isNewsRetracted, noteLastEdges } from './lastEdges'
import { jobsTold, noteStandings } from './standings'

/**
 * What is kept beside the log because lists ask for it of thousands: where each job stands, and the edge that each
 * blade was last given. It follows from the log alone, and is written anew from it whenever that changes.
 */

/** A line of the log that came or went. */
interface Line {
  readonly kind: string
  readonly jobId: string | null
  readonly bladeId: string | null
  readonly content: unknown
}
const uuid = z.uuid()
const AT_ONCE = 400

/** Brings it up to date with lines of the log that came or went. */
export async function noteDerived(db: Database, lines: readonly Line[]): Promise<void> {
  const ids = lines.flatMap(({ content }) => uuid.safeParse(rawOf(content).entryId).data ?? [])
  const retracted = ids.length === 0 ? [] : await db.select().from(log).where(inArray(log.id, ids))
  const jobIds = [...lines, ...retracted].flatMap(({ jobId }) => jobId ?? [])
  await inParts(new Set(jobIds), (part) => noteStandings(db, part))
  const onEdges = [
    ...lines.filter(({ kind }) => isNewsOfEdge(kind)),
    ...retracted.filter(({ kind }) => isNewsRetracted(kind)),
  ]
  await inParts(new Set(onEdges.flatMap(({ bladeId }) => bladeId ?? [])), (ids) => noteLastEdges(db, ids))
}

/** Writes it for the whole log, where that was never done: the data are from before it was kept. */
export async function fillDerived(db: Database): Promise<void> {
  const [written] = await db.select({ jobId: standings.jobId }).from(standings).limit(1)
  if (written) return
  await db.transaction(async (tx) => {
    await inParts(await jobsTold(tx), (ids) => noteStandings(tx, ids))
    await inParts(await bladesTold(tx), (ids) => noteLastEdges(tx, ids))
  })
}

/** Forgets all of it: the log is emptied. */
export async function clearDerived(db: Database): Promise<void> {
  await db.delete(standings)
  await db.delete(lastEdges)
}

async function inParts(ids: Iterable<string>, note: (ids: readonly string[]) => Promise<void>): Promise<void> {
  const all = [...ids]
  for (let at = 0; at < all.length; at += AT_ONCE) await note(all.slice(at, at + AT_ONCE))
}

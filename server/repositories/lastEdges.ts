import { and, inArray, isNotNull } from 'drizzle-orm'
import { storedKinds, type EntryKind } from '../../core/log/entry'
import { dullFrom, lastEdgeOf } from '../../core/use/edgeLife'
import { sharpeningsOf } from '../../core/use/sharpenings'
import type { Database } from '../database/connection'
import { lastEdges, log } from '../database/schema'
import { entriesOfBlades } from './logRows'

/** What an edge in use is known from; strokes alone say nothing new of one, but end it. */
const NEWS = ['put-to-use', 'outcome', 'sharpness'] as const satisfies EntryKind[]
const STORED_NEWS = NEWS.flatMap(storedKinds)
const RETRACTION = storedKinds('retraction')

/** Whether an entry that came says something new of an edge in use. */
export const isNewsOfEdge = (kind: string): boolean => STORED_NEWS.includes(kind)
/** Whether it does by being retracted, or by its retraction being retracted. */
export const isNewsRetracted = (kind: string): boolean => isNewsOfEdge(kind) || RETRACTION.includes(kind)

/** Writes which edge blades were last given, and what tells when it is dull, from their log. */
export async function noteLastEdges(db: Database, bladeIds: readonly string[]): Promise<void> {
  if (bladeIds.length === 0) return
  const byBlade = await entriesOfBlades(db, bladeIds, [...NEWS, 'strokes'])
  const now = bladeIds.flatMap((bladeId) => {
    // How long edges last does not depend on their angle: which sides are bevelled is all one here.
    const edge = lastEdgeOf(sharpeningsOf(byBlade.get(bladeId) ?? [], { bevels: 'both' }))
    if (!edge) return []
    const from = dullFrom(edge)
    return [{ ...edge, bladeId, at: new Date(edge.at), dullFrom: from === null ? null : new Date(from) }]
  })
  await db.delete(lastEdges).where(inArray(lastEdges.bladeId, [...bladeIds]))
  if (now.length > 0) await db.insert(lastEdges).values(now)
}

/** The blades of whose edges the log says anything. */
export const bladesTold = async (db: Database): Promise<string[]> =>
  (
    await db
      .selectDistinct({ id: log.bladeId })
      .from(log)
      .where(and(isNotNull(log.bladeId), inArray(log.kind, STORED_NEWS)))
  ).flatMap(({ id }) => id ?? [])

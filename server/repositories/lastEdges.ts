import { and, asc, inArray, isNotNull, isNull, or } from 'drizzle-orm'
import { activeEntries } from '../../core/log/activeEntries'
import { storedKinds } from '../../core/log/entry'
import { groupedBy } from '../../core/math/list'
import { dullFrom, lastEdgeOf } from '../../core/use/edgeLife'
import { sharpeningsOf } from '../../core/use/sharpenings'
import type { Database } from '../database/connection'
import { lastEdges, log } from '../database/schema'
import { readLog } from './logRows'

const RETRACTION = storedKinds('retraction')
const TELLS = (['put-to-use', 'outcome', 'sharpness', 'strokes'] as const).flatMap(storedKinds)

const SAYS = (['put-to-use', 'outcome', 'sharpness'] as const).flatMap(storedKinds)

/** Whether an entry that came says something new of an edge in use; `retracted`: one that is retracted, or again. */
export const tellsOfEdges = (kind: string, retracted: boolean): boolean =>
  SAYS.includes(kind) || (retracted && RETRACTION.includes(kind))

/** Writes which edge blades were last given, and what tells when it is dull, from their log. */
export async function noteLastEdges(db: Database, bladeIds: readonly string[]): Promise<void> {
  if (bladeIds.length === 0) return
  const rows = await db
    .select()
    .from(log)
    .where(
      or(
        and(inArray(log.bladeId, [...bladeIds]), inArray(log.kind, [...TELLS, ...RETRACTION])),
        // A retraction may have been sent without saying of which blade.
        and(isNull(log.bladeId), inArray(log.kind, RETRACTION)),
      ),
    )
    .orderBy(asc(log.received))
  const byBlade = groupedBy(activeEntries(readLog(rows, 0).entries), ({ bladeId }) => bladeId)
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

/** The blades of which the log says that an edge was put to use. */
export const bladesInUse = async (db: Database): Promise<string[]> =>
  (
    await db
      .selectDistinct({ id: log.bladeId })
      .from(log)
      .where(and(isNotNull(log.bladeId), inArray(log.kind, SAYS)))
  ).flatMap(({ id }) => id ?? [])

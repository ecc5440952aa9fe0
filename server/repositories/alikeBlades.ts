import { and, asc, eq, inArray, ne, sql } from 'drizzle-orm'
import type { AlikeEdge } from '../../core/exchange/api/alike'
import { activeEntries } from '../../core/log/activeEntries'
import { storedKinds } from '../../core/log/entry'
import { groupedBy } from '../../core/math/list'
import { countedSharpenings, sharpeningsOf } from '../../core/use/sharpenings'
import type { Database } from '../database/connection'
import { log, records } from '../database/schema'
import { readLog } from './logRows'
import { readRows, recordRepository } from './recordRepository'

const TELLS = (['proof', 'strokes', 'put-to-use', 'outcome', 'sharpness', 'retraction'] as const).flatMap(storedKinds)
const MOST_BLADES = 40

/** The edges of other blades of the same steel and for the same work, whose angle and outcome are known. */
export async function alikeEdges(db: Database, bladeId: string): Promise<AlikeEdge[]> {
  const blade = await recordRepository(db, 'blades').find(bladeId)
  const steel = blade?.steel.trim().toLowerCase() ?? ''
  if (!blade || steel === '' || blade.work === null) return []
  const rows = await db
    .select()
    .from(records)
    .where(
      and(
        eq(records.kind, 'blades'),
        ne(records.id, bladeId),
        sql`lower(trim(${records.content} ->> 'steel')) = ${steel}`,
        sql`${records.content} ->> 'work' = ${blade.work}`,
      ),
    )
    .orderBy(asc(records.createdAt))
    .limit(MOST_BLADES)
  const others = readRows('blades', rows).records
  if (others.length === 0) return []
  const ids = others.map(({ id }) => id)
  const entries = await db
    .select()
    .from(log)
    .where(and(inArray(log.bladeId, ids), inArray(log.kind, TELLS)))
    .orderBy(asc(log.received))
  const byBlade = groupedBy(activeEntries(readLog(entries, 0).entries), (entry) => entry.bladeId)
  return others.flatMap((other) =>
    countedSharpenings(sharpeningsOf(byBlade.get(other.id) ?? [], other), other).counted.flatMap(({ deg, became }) =>
      deg === null || became === null || became === 'burr'
        ? []
        : [{ bladeId: other.id, blade: other.name, deg, became }],
    ),
  )
}

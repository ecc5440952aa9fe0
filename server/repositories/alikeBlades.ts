import { and, asc, eq, ne, sql } from 'drizzle-orm'
import type { AlikeEdge } from '../../core/exchange/api/alike'
import { countedSharpenings, sharpeningsOf } from '../../core/use/sharpenings'
import type { Database } from '../database/connection'
import { records } from '../database/schema'
import { entriesOfBlades } from './logRows'
import { readRows, recordRepository } from './recordRepository'

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
  const byBlade = await entriesOfBlades(
    db,
    others.map(({ id }) => id),
    ['proof', 'strokes', 'put-to-use', 'outcome', 'sharpness'],
  )
  return others.flatMap((other) =>
    countedSharpenings(sharpeningsOf(byBlade.get(other.id) ?? [], other), other).counted.flatMap(({ deg, became }) =>
      deg === null || became === null || became === 'burr'
        ? []
        : [{ bladeId: other.id, blade: other.name, deg, became }],
    ),
  )
}

import { and, asc, count, gt, inArray, max } from 'drizzle-orm'
import { activeEntries } from '../../core/log/activeEntries'
import { storedKinds, type LogEntry } from '../../core/log/entry'
import { lastEdgeOf, type LastEdge } from '../../core/use/edgeLife'
import { sharpeningsOf } from '../../core/use/sharpenings'
import type { Database } from '../database/connection'
import { log } from '../database/schema'
import { readLog } from './logRepository'

/** What tells of the life of edges. */
const KINDS = (['put-to-use', 'outcome', 'retraction'] as const).flatMap(storedKinds)

/** What was read so far: as many entries up to a place in the log, and what they come to. */
interface Known {
  entries: number
  upTo: number
  readonly bladeOf: Map<string, string>
  readonly byBlade: Map<string, LogEntry[]>
  readonly last: Map<string, LastEdge>
}
const knownOf = new WeakMap<Database, Known>()
const nothing = (): Known => ({ entries: 0, upTo: 0, bladeOf: new Map(), byBlade: new Map(), last: new Map() })

/** The edge that each blade was last given, by the blade's id. What came in since it was last asked is read alone. */
export async function lastEdges(db: Database): Promise<ReadonlyMap<string, LastEdge>> {
  const [there] = await db
    .select({ entries: count(), upTo: max(log.received) })
    .from(log)
    .where(inArray(log.kind, KINDS))
  const before = knownOf.get(db) ?? nothing()
  if (there?.entries === before.entries && (there.upTo ?? 0) === before.upTo) return before.last
  const added = await rowsAfter(db, before.upTo)
  // Entries went: samples were removed, or a backup was put in place of what was there.
  const isWhole = before.entries + added.length === there?.entries
  const known = isWhole ? before : nothing()
  take(known, isWhole ? added : await rowsAfter(db, 0))
  knownOf.set(db, known)
  return known.last
}

const rowsAfter = (db: Database, upTo: number) =>
  db
    .select()
    .from(log)
    .where(and(inArray(log.kind, KINDS), gt(log.received, upTo)))
    .orderBy(asc(log.received))

function take(known: Known, rows: Awaited<ReturnType<typeof rowsAfter>>): void {
  known.entries += rows.length
  known.upTo = rows.at(-1)?.received ?? known.upTo
  const changed = new Set<string>()
  for (const entry of readLog(rows, known.upTo).entries) {
    // A retraction may have been sent without saying of which blade.
    const of = entry.bladeId ?? (entry.kind === 'retraction' ? known.bladeOf.get(entry.entryId) : null)
    if (!of) continue
    changed.add(of)
    known.bladeOf.set(entry.id, of)
    const others = known.byBlade.get(of)
    if (others) others.push(entry)
    else known.byBlade.set(of, [entry])
  }
  for (const bladeId of changed) {
    // How long edges last does not depend on their angle: which sides are bevelled is all one here.
    const edge = lastEdgeOf(sharpeningsOf(activeEntries(known.byBlade.get(bladeId) ?? []), { bevels: 'both' }))
    if (edge) known.last.set(bladeId, edge)
    else known.last.delete(bladeId)
  }
}

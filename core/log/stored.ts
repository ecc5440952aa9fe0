import { z } from 'zod'
import { moment } from '../schema/moment'
import { fieldProblem, type FieldProblem } from '../schema/problem'
import { readContent, type Versioned, rawOf } from '../schema/versioned'
import { ENTRIES, kindOfStored, versionOfEntry, type LogEntry } from './entry'

/** An entry as it lies on the disk and in files: as it was written, and by which version. */
export const storedEntry = z.object({
  id: z.uuid(),
  /** Its kind; one that this version does not know is kept all the same. */
  kind: z.string().max(100),
  at: moment,
  version: z.number().int().min(1).max(1000),
  content: z.unknown(),
})
export type StoredEntry = z.infer<typeof storedEntry>

/** An entry that this version cannot read. */
export const unreadableEntry = z.object({
  id: z.uuid(),
  kind: z.string(),
  why: z.enum(['later-version', 'unreadable']),
})
export type UnreadableEntry = z.infer<typeof unreadableEntry>

export type ReadEntry =
  | { readonly ok: true; readonly entry: LogEntry }
  | { readonly ok: false; readonly unreadable: UnreadableEntry; readonly problems: readonly FieldProblem[] }

/** Reads a stored entry of any version so far. */
export function readEntry({ id, kind, version, content }: StoredEntry): ReadEntry {
  const known = kindOfStored(kind)
  if (!known) return { ok: false, unreadable: { id, kind, why: 'later-version' }, problems: [] }
  const read = readContent(ENTRIES[known] as Versioned<z.ZodType>, version, content)
  if (!read.ok) return { ok: false, unreadable: { id, kind, why: read.code }, problems: read.problems }
  const entry = read.content as LogEntry
  // An entry that says it is another than its row would be found under one, and retracted under the other.
  const differs = [entry.id !== id && 'id', entry.kind !== known && 'kind'].filter((field) => field !== false)
  return differs.length === 0
    ? { ok: true, entry }
    : {
        ok: false,
        unreadable: { id, kind, why: 'unreadable' },
        problems: differs.map((field) => ({ field, code: 'not-its-row' })),
      }
}

/** An entry as it is stored today. */
export const storeEntry = (entry: LogEntry): StoredEntry => {
  const { id, kind, at } = entry
  return { id, kind, at, version: versionOfEntry(kind), content: entry }
}

/**
 * An entry as it was sent or put by, by this build or an earlier one: the first builds wrote its content alone, all of
 * it of version 1. Null where it is none.
 */
export function sentEntry(sent: unknown): StoredEntry | null {
  const { content, ...rest } = rawOf(sent)
  const whole = content === undefined ? { ...rest, version: 1, content: sent } : sent
  const read = storedEntry.safeParse(whole)
  return read.success ? read.data : null
}

/** What the server answers to entries that were sent: which it has now, and which it cannot take. */
export const takenEntries = z.object({
  taken: z.array(z.uuid()),
  refused: z.array(z.object({ id: z.string(), problems: z.array(fieldProblem) })),
})
export type TakenEntries = z.infer<typeof takenEntries>

import { z } from 'zod'
import { fieldProblem } from '../../schema/problem'
import { recordMeta } from '../common/meta'
import { RECORDS, recordKind, recordSchema, versionOfKind, type RecordOf, type RecordKind } from './kinds'
import { readContent, type Versioned, rawOf } from '../../schema/versioned'

/** A record as it lies on the disk and in files: its content as it was written, and by which version. */
export const storedRecord = recordMeta.extend({ version: z.number().int().min(1).max(1000), content: z.unknown() })
export type StoredRecord = z.infer<typeof storedRecord>

/** A record that this version cannot read: it is told by its id, left as it is, and taken out as it is. */
export const unreadable = z.object({
  kind: recordKind,
  id: z.uuid(),
  /** As far as it has one. */
  name: z.string(),
  why: z.enum(['later-version', 'unreadable']),
  problems: z.array(fieldProblem),
})
export type Unreadable = z.infer<typeof unreadable>

export type ReadRecord<K extends RecordKind> =
  { readonly ok: true; readonly record: RecordOf<K> } | { readonly ok: false; readonly unreadable: Unreadable }

/** Reads a stored record of any version so far. */
export function readRecord<K extends RecordKind>(kind: K, { version, content, ...meta }: StoredRecord): ReadRecord<K> {
  const read = readContent(RECORDS[kind] as Versioned<z.ZodType>, version, content)
  if (read.ok) return { ok: true, record: { ...(read.content as object), ...meta } as RecordOf<K> }
  const name = rawOf(content).name
  const { code: why, problems } = read
  return {
    ok: false,
    unreadable: { kind, id: meta.id, name: typeof name === 'string' ? name : '', why, problems: [...problems] },
  }
}

/** A record as it is stored today. */
export function storeRecord<K extends RecordKind>(kind: K, record: RecordOf<K>): StoredRecord {
  const { id, revision, createdAt, updatedAt, archivedAt, ...content } = record as RecordOf<RecordKind>
  return { id, revision, createdAt, updatedAt, archivedAt, version: versionOfKind(kind), content }
}

/** What the server answers when a collection is asked for. */
export const collectionOf = <K extends RecordKind>(kind: K) =>
  z.object({
    records: z.array(recordSchema(kind)),
    unreadable: z.array(unreadable),
  })

import { z } from 'zod'
import { fieldProblem } from '../../schema/problem'
import { keptMeta } from '../common/meta'
import { THINGS, thingKind, versionOfKind, type Kept, type ThingKind } from './things'
import { readContent, type Versioned } from '../../schema/versioned'

/** A kept thing as it lies on the disk and in files: its content as it was written, and by which version. */
export const storedThing = keptMeta.extend({ version: z.number().int().min(1).max(1000), content: z.unknown() })
export type StoredThing = z.infer<typeof storedThing>

/** A kept thing that this version cannot read: it is told by its id, left as it is, and taken out as it is. */
export const unreadable = z.object({
  kind: thingKind,
  id: z.uuid(),
  /** As far as it has one. */
  name: z.string(),
  why: z.enum(['later-version', 'unreadable']),
  problems: z.array(fieldProblem),
})
export type Unreadable = z.infer<typeof unreadable>

export type ReadThing<K extends ThingKind> =
  { readonly ok: true; readonly thing: Kept<K> } | { readonly ok: false; readonly unreadable: Unreadable }

/** Reads a stored thing of any version so far. */
export function readThing<K extends ThingKind>(kind: K, { version, content, ...meta }: StoredThing): ReadThing<K> {
  const read = readContent(THINGS[kind] as Versioned<z.ZodType>, version, content)
  if (read.ok) return { ok: true, thing: { ...(read.content as object), ...meta } as Kept<K> }
  const name = (content as { name?: unknown } | null)?.name
  const { why, problems } = read
  return {
    ok: false,
    unreadable: { kind, id: meta.id, name: typeof name === 'string' ? name : '', why, problems: [...problems] },
  }
}

/** A kept thing as it is stored today. */
export function storeThing<K extends ThingKind>(kind: K, thing: Kept<K>): StoredThing {
  const { id, revision, createdAt, updatedAt, archivedAt, ...content } = thing as Kept<ThingKind>
  return { id, revision, createdAt, updatedAt, archivedAt, version: versionOfKind(kind), content }
}

/** What the server answers when a collection is asked for. */
export const collectionOf = <K extends ThingKind>(kind: K) =>
  z.object({ things: z.array(THINGS[kind].kept as unknown as z.ZodType<Kept<K>>), unreadable: z.array(unreadable) })

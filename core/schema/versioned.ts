import type { z } from 'zod'
import { failed, type Failure } from './result'
import { checked, type FieldProblem } from './problem'

/** Content as it was written, by whichever version of the application. */
export type Raw = Readonly<Record<string, unknown>>

/** Content whose form is not known: nothing where it is no object. */
export const rawOf = (content: unknown): Raw => (isRaw(content) ? content : {})
const isRaw = (content: unknown): content is Raw =>
  typeof content === 'object' && content !== null && !Array.isArray(content)

/** The rows of a list whose form is not known: none where it is no list. */
export const rawListOf = (list: unknown): Raw[] => (Array.isArray(list) ? list.map(rawOf) : [])

/** Content of one version as content of the next. */
export type Migration = (content: Raw) => Raw

/** A migration that renames fields: `names` maps each old name to the new one. */
export const renamed =
  (names: Readonly<Record<string, string>>): Migration =>
  (content) =>
    Object.fromEntries(Object.entries(content).map(([name, value]) => [names[name] ?? name, value]))

/** Content that is kept for years: its schema of today, and a migration from each earlier version to the next. */
export interface Versioned<T extends z.ZodType> {
  readonly schema: T
  /** The first leads from version 1 to 2, and so on. */
  readonly migrations: readonly Migration[]
}

/** The version that is written today. */
export const versionOf = ({ migrations }: { readonly migrations: readonly unknown[] }): number => migrations.length + 1

export type ReadContent<T> =
  | { readonly ok: true; readonly content: T }
  /** Written by a later version of the application, or harmed: `problems` then say where. */
  | (Failure<'later-version' | 'unreadable'> & { readonly problems: readonly FieldProblem[] })

/** Reads content of any version so far, migrated one version after the other to today's schema. */
export function readContent<T extends z.ZodType>(
  { schema, migrations }: Versioned<T>,
  version: number,
  written: unknown,
): ReadContent<z.output<T>> {
  if (version > migrations.length + 1) return { ...failed('later-version'), problems: [] }
  const now = isRaw(written)
    ? migrations.slice(version - 1).reduce((content, migrate) => migrate(content), written)
    : written
  const parsed = checked(schema, now)
  return parsed.ok ? { ok: true, content: parsed.value } : { ...failed('unreadable'), problems: parsed.problems }
}

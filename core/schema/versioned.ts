import type { z } from 'zod'
import { checked, type FieldProblem } from './problem'

/** Content as it was written, by whichever version of the application. */
export type Raw = Readonly<Record<string, unknown>>

/** Content that is kept for years: its schema of today, and a step from each earlier version to the next. */
export interface Versioned<T extends z.ZodType> {
  readonly schema: T
  /** The first leads from version 1 to 2, and so on. */
  readonly steps: readonly ((content: Raw) => Raw)[]
}

/** The version that is written today. */
export const versionOf = ({ steps }: { readonly steps: readonly unknown[] }): number => steps.length + 1

export type ReadContent<T> =
  | { readonly ok: true; readonly content: T }
  /** Written by a later version of the application, or harmed: `problems` then say where. */
  | { readonly ok: false; readonly why: 'later-version' | 'unreadable'; readonly problems: readonly FieldProblem[] }

/** Reads content of any version so far, step by step up to today's schema. */
export function readContent<T extends z.ZodType>(
  { schema, steps }: Versioned<T>,
  version: number,
  written: unknown,
): ReadContent<z.output<T>> {
  if (version > steps.length + 1) return { ok: false, why: 'later-version', problems: [] }
  const isRaw = typeof written === 'object' && written !== null && !Array.isArray(written)
  const now = isRaw ? steps.slice(version - 1).reduce((content, step) => step(content), written as Raw) : written
  const parsed = checked(schema, now)
  return parsed.ok ? { ok: true, content: parsed.value } : { ok: false, why: 'unreadable', problems: parsed.problems }
}

import { rawOf } from '#core/schema/versioned'
import type { StoredEntry } from '#core/log/stored'
import type { FieldProblem } from '#core/schema/problem'

/** A field of an entry that is wrong, and what stands in it. */
export interface WrongField {
  readonly problem: FieldProblem
  /** As it can be typed over; null where it is more than a figure or a word. */
  readonly text: string | null
}

/** The fields that the server found wrong, each with what stands there. */
export const wrongFields = ({ content }: StoredEntry, problems: readonly FieldProblem[]): WrongField[] =>
  problems.map((problem) => {
    const value = problem.field === '' ? content : valueAt(content, problem.field.split('.'))
    return { problem, text: typeof value === 'object' && value !== null ? null : String(value ?? '') }
  })

/** The entry with other values typed into some of its fields, by their dotted paths. */
export function correctedEntry(entry: StoredEntry, typed: Readonly<Record<string, string>>): StoredEntry {
  const content = Object.entries(typed).reduce((now, [field, text]) => {
    const path = field.split('.')
    return withValueAt(now, path, asTyped(text, valueAt(entry.content, path)))
  }, entry.content)
  return { ...entry, content }
}

/** As what stood there: a text stays one; else a figure where it is one, and nothing where nothing was typed. */
function asTyped(text: string, before: unknown): string | number | null {
  if (typeof before === 'string') return text
  const trimmed = text
    .trim()
    .replace('−', '-')
    .replace(/^([+-]?\d+),(\d+)$/, '$1.$2')
  if (trimmed === '') return null
  const figure = Number(trimmed)
  return Number.isNaN(figure) ? text : figure
}

function valueAt(of: unknown, path: readonly string[]): unknown {
  return path.reduce((at, key) => (Array.isArray(at) ? (at[Number(key)] as unknown) : rawOf(at)[key]), of)
}

function withValueAt(of: unknown, [key, ...rest]: readonly string[], value: unknown): unknown {
  if (key === undefined) return value
  if (Array.isArray(of)) return of.map((one: unknown, i) => (String(i) === key ? withValueAt(one, rest, value) : one))
  const before = rawOf(of)
  return { ...before, [key]: withValueAt(before[key], rest, value) }
}

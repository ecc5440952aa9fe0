import { z } from 'zod'
import { fieldProblem, MOST_PROBLEMS, type FieldProblem } from '../../schema/problem'
import { rawOf } from '../../schema/versioned'

/** A row that an import leaves out: the list it stands in, its id and name as far as it has them, and why. */
const skippedRow = z.object({ list: z.string(), id: z.string(), name: z.string(), problems: z.array(fieldProblem) })

/** How many rows an import leaves out, and the first of them. */
export const skippedRows = z.object({ count: z.number().int(), first: z.array(skippedRow) })
export type SkippedRows = z.infer<typeof skippedRows>

export const NONE_SKIPPED: SkippedRows = { count: 0, first: [] }

/** One more row left out. `row`: as it was written. */
export function withSkipped(
  { count, first }: SkippedRows,
  list: string,
  row: unknown,
  problems: readonly FieldProblem[],
): SkippedRows {
  if (first.length >= MOST_PROBLEMS) return { count: count + 1, first }
  const { id, thingId, content } = rawOf(row)
  const text = (value: unknown): string => (typeof value === 'string' ? value : '')
  const one = { list, id: text(id ?? thingId), name: text(rawOf(content).name), problems: [...problems] }
  return { count: count + 1, first: [...first, one] }
}

/** What two steps of an import left out. */
export const bothSkipped = (a: SkippedRows, b: SkippedRows): SkippedRows => ({
  count: a.count + b.count,
  first: [...a.first, ...b.first].slice(0, MOST_PROBLEMS),
})

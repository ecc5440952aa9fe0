import { createError, type H3Error } from 'h3'
import type { z } from 'zod'
import type { ProblemCode } from '../../core/schema/codes'
import { checked, type FieldProblem, type Problem } from '../../core/schema/problem'

/** An answer other than success, in the one shape of core/schema: codes and figures, no words. */
export const refusal = (
  statusCode: number,
  code: ProblemCode,
  more: Partial<Omit<Problem, 'code'>> = {},
): H3Error<Problem> => createError({ statusCode, message: code, data: { code, fields: [], ...more } })

/** What is wrong at fields, as a 422 that names them; the first also stands for the whole. */
export function refusedFields(fields: readonly FieldProblem[]): H3Error<Problem> {
  const [first] = fields
  return refusal(422, first?.code ?? 'wrong-kind', { figures: first?.figures, fields })
}

/** Parses with Zod; a failure is a 422 that names the fields. */
export function parsed<T extends z.ZodType>(schema: T, value: unknown): z.output<T> {
  const read = checked(schema, value)
  if (read.ok) return read.value
  throw refusedFields(read.problems)
}

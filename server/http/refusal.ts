import { createError, type H3Error } from 'h3'
import type { z } from 'zod'
import { problemFields, type Problem } from '../../core/kept/problem'

/** An answer other than success, in the one shape of core/kept/problem. */
export const refusal = (
  statusCode: number,
  message: string,
  more: Partial<Omit<Problem, 'message'>> = {},
): H3Error<Problem> => createError({ statusCode, message, data: { message, fields: [], ...more } })

/** Parses with Zod; a failure is a 422 that names the fields. */
export function parsed<T extends z.ZodType>(schema: T, value: unknown): z.output<T> {
  const result = schema.safeParse(value)
  if (result.success) return result.data
  const fields = problemFields(result.error)
  throw refusal(422, fields[0]?.message ?? 'This cannot be kept as it is.', { fields })
}

import { v7 as newId } from 'uuid'
import type { z } from 'zod'
import { checked, problem, type Problem } from '#core/schema/problem'

/** What came of asking the server: the parsed answer, its refusal, or no answer at all. */
export type Answer<T> = { ok: true; value: T } | { ok: false; status: number; problem: Problem }

const refused = (status: number, code: Problem['code']): Answer<never> => ({
  ok: false,
  status,
  problem: { code, fields: [] },
})

/** What this page calls itself: it need not hear of its own changes. */
export const PAGE = newId()

/** What takes longer than this is not answered: it is said, and tried again. */
const ANSWERED_WITHIN_MS = 20_000

/**
 * Asks the server and parses its answer by a schema. Never throws: status 0 means that no answer came in time, or that
 * it was called off. A file is sent as it is: as JSON.
 */
export async function ask<T>(
  schema: z.ZodType<T>,
  path: string,
  method: 'GET' | 'POST' | 'PUT' | 'DELETE' = 'GET',
  body?: unknown,
  limitMs = ANSWERED_WITHIN_MS,
  calledOff?: AbortSignal,
): Promise<Answer<T>> {
  let response: Response
  try {
    response = await fetch(path, {
      method,
      headers: {
        'x-jaw-tilt-page': PAGE,
        ...(body === undefined ? {} : { 'content-type': 'application/json' }),
      },
      body: body === undefined || body instanceof Blob ? body : JSON.stringify(body),
      signal: AbortSignal.any([AbortSignal.timeout(limitMs), ...(calledOff ? [calledOff] : [])]),
    })
  } catch {
    return refused(0, 'no-answer')
  }
  const answer: unknown = await response.json().catch(() => undefined)
  if (response.ok) {
    const read = checked(schema, answer)
    return read.ok ? { ok: true, value: read.value } : refused(response.status, 'unreadable-answer')
  }
  const said = problem.safeParse(answer)
  if (said.success) return { ok: false, status: response.status, problem: said.data }
  return refused(response.status, response.status >= 500 ? 'server-failed' : 'unreadable-answer')
}

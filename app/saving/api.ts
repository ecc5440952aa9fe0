import type { z } from 'zod'
import { problem, type Problem } from '#core/kept/problem'

/** What came of asking the server: the parsed answer, its refusal, or no answer at all. */
export type Answer<T> = { ok: true; value: T } | { ok: false; status: number; problem: Problem }

const NO_ANSWER: Problem = {
  message: 'The server does not answer. Your change is kept in this browser and sent again by itself.',
  fields: [],
}

/** Asks the server and parses its answer by a schema. Never throws: status 0 means that no answer came. */
export async function ask<T>(
  schema: z.ZodType<T>,
  path: string,
  method: 'GET' | 'POST' | 'PUT' | 'DELETE' = 'GET',
  body?: unknown,
): Promise<Answer<T>> {
  try {
    const response = await fetch(path, {
      method,
      headers: body === undefined ? undefined : { 'content-type': 'application/json' },
      body: body === undefined ? undefined : JSON.stringify(body),
    })
    const answer: unknown = await response.json()
    if (response.ok) return { ok: true, value: schema.parse(answer) }
    const refused = problem.safeParse(answer)
    return { ok: false, status: response.status, problem: refused.success ? refused.data : NO_ANSWER }
  } catch {
    return { ok: false, status: 0, problem: NO_ANSWER }
  }
}

import { getRequestURL, send, setResponseHeader, setResponseStatus, type H3Error, type H3Event } from 'h3'
import type { Problem } from '../core/problem/problem'

const isProblem = (data: unknown): data is Problem => typeof data === 'object' && data !== null && 'fields' in data

/** ENOSPC from the file system, or PostgreSQL's own disk_full, anywhere in the chain of causes. */
function diskIsFull(error: unknown): boolean {
  for (
    let at = error as { code?: string; errno?: number; message?: string; cause?: unknown } | undefined;
    at;
    at = at.cause as typeof at
  ) {
    if (at.code === 'ENOSPC' || at.code === '53100' || /no space left/i.test(at.message ?? '')) return true
  }
  return false
}

/**
 * Every refusal in one shape (core/problem); what was not foreseen is logged here and told without its insides.
 */
export default function problemHandler(error: H3Error, event: H3Event) {
  const full = diskIsFull(error)
  const status = full ? 507 : error.statusCode || 500
  if (status >= 500 && !full) console.error(`${event.method} ${getRequestURL(event).pathname}`, error)
  const code = full ? 'disk-full' : status >= 500 ? 'server-failed' : 'not-found'
  const body: Problem = isProblem(error.data) ? error.data : { code, fields: [] }
  setResponseHeader(event, 'content-type', 'application/json')
  setResponseHeader(event, 'cache-control', 'no-store')
  setResponseStatus(event, status)
  return send(event, JSON.stringify(body))
}

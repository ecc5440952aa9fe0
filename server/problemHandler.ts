import { getRequestURL, send, setResponseHeader, setResponseStatus, type H3Error, type H3Event } from 'h3'
import type { Problem } from '../core/schema/problem'
import { isDatabaseAway, isDiskFull } from './database/databaseErrors'

const isProblem = (data: unknown): data is Problem => typeof data === 'object' && data !== null && 'fields' in data

/**
 * Every refusal in one shape (core/schema); what was not foreseen is logged here and told without its insides.
 */
export default function problemHandler(error: H3Error, event: H3Event) {
  const full = isDiskFull(error)
  const away = isDatabaseAway(error)
  const status = full ? 507 : away ? 503 : error.statusCode || 500
  // One that hung up hears no answer; it is no failure of the server's.
  const gone = event.node.req.destroyed && !event.node.req.complete
  if (status >= 500 && !full && !away && !gone) console.error(`${event.method} ${getRequestURL(event).pathname}`, error)
  // What has begun cannot be answered otherwise: it is cut off, so that its reader does not take it for whole.
  if (event.node.res.headersSent) return void event.node.res.destroy()
  const code = full ? 'disk-full' : away ? 'database-away' : status >= 500 ? 'server-failed' : 'not-found'
  const body: Problem = isProblem(error.data) ? error.data : { code, fields: [] }
  setResponseHeader(event, 'content-type', 'application/json')
  setResponseHeader(event, 'cache-control', 'no-store')
  setResponseStatus(event, status)
  return send(event, JSON.stringify(body))
}

import type { IncomingMessage } from 'node:http'
import type { ProblemCode } from '../../core/schema/codes'

/** Why a request is not let in, before anything looks at it. */
export interface TurnedAway {
  readonly status: number
  readonly code: ProblemCode
}

const LOOPBACK = /^(localhost|127(\.\d{1,3}){3}|\[::1\])(:\d{1,5})?$/i
const METHODS = ['GET', 'HEAD', 'POST', 'PUT', 'DELETE']

/** Whether a Host header names this machine by a name of its own. */
export const isOwnName = (host: string): boolean => LOOPBACK.test(host)
/** Whether an address is of this machine alone. */
export const isLoopback = (address: string): boolean => isOwnName(address.includes(':') ? `[${address}]` : address)

/**
 * Whether a request is let in, files and answers alike. A server bound to this machine answers only to this machine's
 * own names, so no foreign name can be pointed at it. What may change something comes from a page of this server, or
 * from no page at all; what a page on another site sends is told by its Origin or Sec-Fetch-Site.
 */
export function turnedAway(
  { method = '', url = '', headers }: Pick<IncomingMessage, 'method' | 'url' | 'headers'>,
  bound: string,
): TurnedAway | null {
  if (isLoopback(bound) && !isOwnName(headers.host ?? '')) return { status: 421, code: 'foreign-name' }
  if (!METHODS.includes(method)) return { status: 405, code: 'no-such-method' }
  // What is no path of this server, as "//" or another host's address, is not found here.
  if (!/^\/(?!\/)/.test(url)) return { status: 404, code: 'not-found' }
  if (method === 'GET' || method === 'HEAD') return null
  if (!/^\/(api|let-in)(\/|\?|$)/.test(url)) return { status: 405, code: 'no-such-method' }
  const site = headers['sec-fetch-site']
  if (site !== undefined && site !== 'same-origin' && site !== 'none') return { status: 403, code: 'foreign-page' }
  const { origin } = headers
  if (origin !== undefined && hostOf(origin) !== headers.host) return { status: 403, code: 'foreign-page' }
  return null
}

/** The host of an origin; null where it is none ("null" among them). */
function hostOf(origin: string): string | null {
  try {
    return new URL(origin).host
  } catch {
    return null
  }
}

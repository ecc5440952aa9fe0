import type { IncomingMessage } from 'node:http'
import { isLoopback, isOwnName } from './door'
import type { Devices } from './devices'

/** Who asks: the bench's own screen, a device that was let in, or nobody that is known. */
export type Asker = 'bench' | 'device' | 'stranger'

export const COOKIE = 'jaw-tilt-device'

/**
 * Who asks. What comes from this machine under its own name is the bench's screen; a server bound to this machine knows
 * nobody else. From anywhere else a device shows its key in a cookie.
 */
export function askerOf(request: IncomingMessage, bound: string, devices: Devices, now: Date): Asker {
  if (isLoopback(bound)) return 'bench'
  const from = (request.socket.remoteAddress ?? '').replace(/^::ffff:/, '')
  if (isLoopback(from) && isOwnName(request.headers.host ?? '')) return 'bench'
  const key = cookieOf(request.headers.cookie ?? '')
  return key && devices.knows(key, now) ? 'device' : 'stranger'
}

const cookieOf = (header: string): string | null =>
  header
    .split(/;\s*/)
    .find((one) => one.startsWith(`${COOKIE}=`))
    ?.slice(COOKIE.length + 1) ?? null

const askers = new WeakMap<IncomingMessage, () => Asker>()
/** Remembers how to tell who asks, for the routes: a device may be shut out while it is being answered. */
export const noteAsker = (request: IncomingMessage, asker: () => Asker): void => void askers.set(request, asker)
/** Who asks, as of now. */
export const notedAsker = (request: IncomingMessage): Asker => askers.get(request)?.() ?? 'bench'

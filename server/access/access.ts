import type { IncomingMessage } from 'node:http'
import { cookieOf } from './cookie'
import { isLoopback, isOwnName } from './door'
import type { Devices } from './devices'
import type { OwnScreen } from './ownScreen'

/** Who asks: the owner at the bench, another user of this machine, a device that was allowed, or nobody known. */
export type Asker = 'bench' | 'other-user' | 'device' | 'stranger'

export const COOKIE = 'jaw-tilt-device'

/**
 * Who asks. What comes from this machine under its own name is the bench's screen if it is its owner's (`screen`); a
 * server bound to this machine knows nobody else. From anywhere else a device shows its key in a cookie.
 */
export function askerOf(
  request: IncomingMessage,
  bound: string,
  screen: Pick<OwnScreen, 'isOwn'>,
  devices: Devices,
  now: Date,
): Asker {
  const from = (request.socket.remoteAddress ?? '').replace(/^::ffff:/, '')
  const here = isLoopback(bound) || (isLoopback(from) && isOwnName(request.headers.host ?? ''))
  if (here && screen.isOwn(request)) return 'bench'
  const key = cookieOf(request.headers.cookie ?? '', COOKIE)
  if (key && devices.knows(key, now)) return 'device'
  return here ? 'other-user' : 'stranger'
}

const askers = new WeakMap<IncomingMessage, () => Asker>()
/** Remembers how to tell who asks, for the routes: a device may be shut out while it is being answered. */
export const noteAsker = (request: IncomingMessage, asker: () => Asker): void => void askers.set(request, asker)
/** Who asks, as of now. */
export const notedAsker = (request: IncomingMessage): Asker => askers.get(request)?.() ?? 'bench'

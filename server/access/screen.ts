import { randomBytes, timingSafeEqual } from 'node:crypto'
import { existsSync, readFileSync, writeFileSync } from 'node:fs'
import type { IncomingMessage, ServerResponse } from 'node:http'
import type { Socket } from 'node:net'
import { join } from 'node:path'
import { cookieOf } from './cookie'
import { tellsUsers, userOf } from './userOf'

const COOKIE = 'jaw-tilt-screen'
const YEAR_S = 365 * 24 * 3600
const ROOT = 0

/**
 * The bench's own screen, told from what other users of the machine open: by the user that a connection comes from,
 * where the system tells it, else by a key that stands in the data folder, which is its owner's alone. The address that
 * the server prints has it where it is needed; a cookie keeps it.
 */
export class Screen {
  readonly path: string
  private readonly key: string
  /** Connections of the server's own user, as far as they were asked about. */
  private readonly own = new WeakMap<Socket, boolean>()

  constructor(
    folder: string,
    private readonly secure: boolean,
  ) {
    this.path = join(folder, 'screen-key')
    const kept = existsSync(this.path) ? readFileSync(this.path, 'utf8').trim() : ''
    this.key = kept || randomBytes(24).toString('base64url')
    if (!kept) this.keep()
  }

  /** A disk that is full does not keep the server from starting: the key is another after the next start then. */
  private keep() {
    try {
      writeFileSync(this.path, `${this.key}\n`, { mode: 0o600 })
    } catch (error) {
      console.error(
        `The key of the screen could not be kept: ${error instanceof Error ? error.message : String(error)}`,
      )
    }
  }

  /** What the address of the screen ends with, on a server that listens there. */
  async addressEnd(port: number, host: string): Promise<string> {
    return (await tellsUsers(port, host)) ? '' : `/?key=${this.key}`
  }

  isOwn(request: IncomingMessage): boolean {
    return this.isOwnUser(request.socket) || this.isKey(cookieOf(request.headers.cookie ?? '', COOKIE) ?? '')
  }

  private isOwnUser(socket: Socket): boolean {
    const known = this.own.get(socket)
    if (known !== undefined) return known
    const user = userOf(socket)
    const own = user !== null && (user === process.getuid?.() || user === ROOT)
    this.own.set(socket, own)
    return own
  }

  private isKey(shown: string): boolean {
    return shown.length === this.key.length && timingSafeEqual(Buffer.from(shown), Buffer.from(this.key))
  }

  /** Answers an address with the key in it: the page it is of, with the cookie. False where it has not the key. */
  takesKey(request: IncomingMessage, response: ServerResponse): boolean {
    const address = new URL(request.url ?? '/', 'http://bench')
    if (request.method !== 'GET' || !this.isKey(address.searchParams.get('key') ?? '')) return false
    address.searchParams.delete('key')
    response.writeHead(303, {
      location: address.pathname + address.search,
      'cache-control': 'no-store',
      'set-cookie': `${COOKIE}=${this.key}; Path=/; HttpOnly; SameSite=Strict; Max-Age=${YEAR_S}${this.secure ? '; Secure' : ''}`,
    })
    response.end()
    return true
  }

  /** What another user of this machine gets, whatever is asked for. */
  turnAway(request: IncomingMessage, response: ServerResponse): void {
    const page = request.method === 'GET' && request.headers.accept?.includes('text/html')
    const type = page ? 'text/plain; charset=utf-8' : 'application/json'
    response.writeHead(401, { 'content-type': type, 'cache-control': 'no-store', 'x-content-type-options': 'nosniff' })
    response.end(
      page
        ? `This Jaw Tilt is another user's of this machine. Its owner opens it with the key that stands in ${this.path}: put /?key= and the key behind the address.\n`
        : JSON.stringify({ code: 'not-let-in', fields: [] }),
    )
  }
}

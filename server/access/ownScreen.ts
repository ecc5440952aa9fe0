import { randomBytes } from 'node:crypto'
import { existsSync, readFileSync, writeFileSync } from 'node:fs'
import type { IncomingMessage, ServerResponse } from 'node:http'
import type { Socket } from 'node:net'
import { join } from 'node:path'
import { alike } from './alike'
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
export class OwnScreen {
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
    return this.isOwnUser(request.socket) || alike(cookieOf(request.headers.cookie ?? '', COOKIE) ?? '', this.key)
  }

  private isOwnUser(socket: Socket): boolean {
    const known = this.own.get(socket)
    if (known !== undefined) return known
    const user = userOf(socket)
    const own = user !== null && (user === process.getuid?.() || user === ROOT)
    this.own.set(socket, own)
    return own
  }

  /** Answers an address with the key in it: the page it is of, with the cookie. False where it has not the key. */
  takesKey(request: IncomingMessage, response: ServerResponse): boolean {
    const [path = '', query = ''] = (request.url ?? '').split('?')
    const asked = new URLSearchParams(query)
    if (request.method !== 'GET' || !alike(asked.get('key') ?? '', this.key)) return false
    asked.delete('key')
    // A path that a browser would take for another host leads nowhere else.
    const to = /^\/(?![\\/])/.test(path) ? path : '/'
    response.writeHead(303, {
      location: asked.size > 0 ? `${to}?${asked.toString()}` : to,
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
        ? `This Jaw Tilt belongs to another user of this machine. To open it, add /?key= and its key to the address. Its owner finds the key in ${this.path}.\n`
        : JSON.stringify({ code: 'not-let-in', fields: [] }),
    )
  }
}

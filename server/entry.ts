import '#nitro-internal-pollyfills'
import { readFileSync } from 'node:fs'
import { createServer, type IncomingMessage, type ServerResponse } from 'node:http'
import { createServer as createTlsServer } from 'node:https'
import { toNodeListener } from 'h3'
import { useNitroApp } from 'nitropack/runtime'
import { askerOf, noteAsker } from './access/access'
import { useAccess } from './access/bench'
import { OwnScreen } from './access/ownScreen'
import { SignIn } from './access/signIn'
import { isLoopback, turnedAway } from './access/door'
import { endWatching } from './database/changes'
import { dataFolder } from './database/dataFolder'
import { useDatabase } from './store/store'

/**
 * The built server. Data first, then the port, so that nothing is answered before it can be kept; one line and exit
 * code 1 when it cannot start. Listens on HOST (this machine alone unless it says otherwise) and PORT.
 */
const host = process.env.HOST || '127.0.0.1'
const wantedPort = process.env.PORT || '4747'
/** What is kept is its owner's alone. */
process.umask(0o077)

function giveUp(why: string): never {
  console.error(`Jaw Tilt cannot start: ${why}`)
  process.exit(1)
}

const port = /^\d{1,5}$/.test(wantedPort) ? Number(wantedPort) : 0
if (port < 1 || port > 65535) giveUp(`PORT is “${wantedPort}”: it must be a whole number from 1 to 65535.`)

await useDatabase().catch((error: unknown) => giveUp(error instanceof Error ? error.message : String(error)))

const nitro = useNitroApp()
const answer = toNodeListener(nitro.h3App)
const tls = tlsFiles()
const { devices, offers } = useAccess()
const signIn = new SignIn(devices, offers, tls !== null)
const screen = new OwnScreen(dataFolder(), tls !== null)
function listener(request: IncomingMessage, response: ServerResponse) {
  const why = turnedAway(request, host)
  if (why) {
    response.writeHead(why.status, { 'content-type': 'application/json', 'cache-control': 'no-store' })
    return void response.end(JSON.stringify({ code: why.code, fields: [] }))
  }
  const asker = () => askerOf(request, host, screen, devices, new Date())
  const who = asker()
  if (who === 'stranger') return void signIn.answer(request, response).catch(() => response.destroy())
  if ((who === 'other-user' || who === 'bench') && screen.takesKey(request, response)) return
  if (who === 'other-user') return screen.turnAway(request, response)
  noteAsker(request, asker)
  void answer(request, response)
}
const server = tls ? encrypted(tls) : createServer(listener)
function encrypted(files: { cert: Buffer; key: Buffer }) {
  try {
    return createTlsServer(files, listener)
  } catch {
    return giveUp(
      'JAW_TILT_TLS_CERT must name a certificate and JAW_TILT_TLS_KEY its private key, both as PEM: these do not go together.',
    )
  }
}
/**
 * How long a connection may idle. Closed sooner (Node does after 5 s), one that is just being used again is reset, and
 * a client that does not ask again takes that for a failure.
 */
server.keepAliveTimeout = 75_000

/** Certificate and key by the files named in the environment; null without. */
function tlsFiles(): { cert: Buffer; key: Buffer } | null {
  const { JAW_TILT_TLS_CERT: certFile, JAW_TILT_TLS_KEY: keyFile } = process.env
  if (!certFile && !keyFile) return null
  if (!certFile || !keyFile)
    return giveUp('JAW_TILT_TLS_CERT and JAW_TILT_TLS_KEY go together: one of them is missing.')
  try {
    return { cert: readFileSync(certFile), key: readFileSync(keyFile) }
  } catch (error) {
    return giveUp(
      `the certificate or its key cannot be read: ${error instanceof Error ? error.message : String(error)}`,
    )
  }
}
const CANNOT_LISTEN: Record<string, string> = {
  EADDRINUSE: `port ${port} is in use. Choose another with PORT.`,
  EACCES: `this user may not listen on port ${port}. Choose one from 1024 up with PORT.`,
  EADDRNOTAVAIL: `HOST is “${host}”: that is no address of this machine.`,
  ENOTFOUND: `HOST is “${host}”: there is no such name.`,
}
server.on('error', (error: NodeJS.ErrnoException) => {
  giveUp(CANNOT_LISTEN[error.code ?? ''] ?? error.message)
})
// What is no HTTP is answered and let go; a client that hangs up is no error of the server's.
server.on('clientError', (_error, socket) => {
  if (socket.writable) socket.end('HTTP/1.1 400 Bad Request\r\nConnection: close\r\n\r\n')
  else socket.destroy()
})
server.listen(port, host, async () => {
  const end = await screen.addressEnd(port, isLoopback(host) ? host : '127.0.0.1')
  console.log(`Jaw Tilt is at ${tls ? 'https' : 'http'}://${host.includes(':') ? `[${host}]` : host}:${port}${end}`)
  if (isLoopback(host)) return
  console.log('Reached by this machine, and by devices that were let in at its screen: Preferences, Other devices.')
  if (!tls) console.log('Not encrypted: whoever can listen on this network can read along.')
})

/** An import still under way after so long is undone by the next start. */
const STOPPED_WITHIN_MS = 10_000

/** Lets what is being answered finish, then closes the database; a browser's idle connections are not waited for. */
async function stop() {
  setTimeout(() => process.exit(0), STOPPED_WITHIN_MS).unref()
  const closed = new Promise((resolve) => server.close(resolve))
  endWatching()
  server.closeIdleConnections()
  setTimeout(() => server.closeAllConnections(), 2000).unref()
  await closed
  await nitro.hooks.callHook('close')
  process.exit(0)
}
for (const signal of ['SIGTERM', 'SIGINT'] as const) process.once(signal, () => void stop())
process.on('unhandledRejection', (reason) => console.error(reason))

import '#nitro-internal-pollyfills'
import { createServer } from 'node:http'
import { toNodeListener } from 'h3'
import { useNitroApp } from 'nitropack/runtime'
import { useDatabase } from './store/store'

/**
 * The built server. Data first, then the port, so that nothing is answered before it can be kept; one line and exit
 * code 1 when it cannot start. Listens on HOST (this machine alone unless it says otherwise) and PORT.
 */
const host = process.env.HOST || '127.0.0.1'
const port = Number(process.env.PORT || 4747)

const giveUp = (why: string): never => {
  console.error(`Jaw Tilt cannot start: ${why}`)
  process.exit(1)
}

await useDatabase().catch((error: unknown) => giveUp(error instanceof Error ? error.message : String(error)))

const nitro = useNitroApp()
const server = createServer(toNodeListener(nitro.h3App))
server.on('error', (error: NodeJS.ErrnoException) => {
  giveUp(error.code === 'EADDRINUSE' ? `port ${port} is in use. Choose another with PORT.` : error.message)
})
server.listen(port, host, () => console.log(`Jaw Tilt is at http://${host.includes(':') ? `[${host}]` : host}:${port}`))

/** Lets what is being answered finish, then closes the database; a browser's idle connections are not waited for. */
async function stop() {
  const closed = new Promise((resolve) => server.close(resolve))
  server.closeIdleConnections()
  setTimeout(() => server.closeAllConnections(), 2000).unref()
  await closed
  await nitro.hooks.callHook('close')
  process.exit(0)
}
for (const signal of ['SIGTERM', 'SIGINT'] as const) process.once(signal, () => void stop())
process.on('unhandledRejection', (reason) => console.error(reason))

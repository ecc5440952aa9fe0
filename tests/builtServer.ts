import { spawn, type ChildProcess } from 'node:child_process'
import { once } from 'node:events'
import { createServer, type AddressInfo } from 'node:net'
import { setTimeout as pause } from 'node:timers/promises'

export interface BuiltServer {
  readonly child: ChildProcess
  /** When it answers; fails when it ended first, or does not answer in a minute. */
  readonly ready: () => Promise<void>
  /** Its exit code, when all that it said is read. */
  readonly ended: Promise<number | null>
  readonly said: () => string
}

/** A port of this machine that nothing listens on: other work on it may have any that is written down here. */
export async function freePort(): Promise<number> {
  const socket = createServer().listen(0, '127.0.0.1')
  await once(socket, 'listening')
  const { port } = socket.address() as AddressInfo
  socket.close()
  await once(socket, 'close')
  return port
}

/** Starts a built server on a port of this machine, with what of its environment is to be other. */
export function startServer(port: number, env: Record<string, string>, output = '.output'): BuiltServer {
  // The database's code is run as it is read: a server that lives a minute does not earn back its compiling.
  const child = spawn(process.execPath, ['--liftoff-only', `${output}/server/index.mjs`], {
    env: { ...process.env, FORCE_COLOR: undefined, PORT: String(port), ...env },
  })
  let said = ''
  child.stdout.on('data', (text) => (said += text))
  child.stderr.on('data', (text) => (said += text))
  const ended = new Promise<number | null>((resolve) => child.on('close', resolve))
  return { child, ready, ended, said: () => said }

  async function ready(): Promise<void> {
    for (const until = Date.now() + 60_000; Date.now() < until && child.exitCode === null; await pause(100)) {
      const health = await fetch(`http://127.0.0.1:${port}/api/health`).catch(() => null)
      // Another's server may have the port.
      if (health?.ok && ((await health.json()) as { pid: number }).pid === child.pid) return
    }
    const ending = child.exitCode === null ? 'It still runs.' : `It ended with ${await ended}.`
    throw new Error(`The server on port ${port} does not answer. ${ending} It said: ${said}`)
  }
}

/** Ends a server as its owner would. */
export async function stopServer({ child, ended }: BuiltServer): Promise<void> {
  child.kill('SIGTERM')
  await ended
}

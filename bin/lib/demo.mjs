import { spawn } from 'node:child_process'
import { existsSync, readdirSync } from 'node:fs'
import { createServer } from 'node:net'
import { join, resolve } from 'node:path'
import { parseArgs } from 'node:util'
import { build, giveUp, install, root, say } from './setUp.mjs'

const HELP = `bin/demo: starts Jaw Tilt with its demo data.

  --port N     the port to listen on (PORT of the environment, else 4747)
  --data DIR   the data folder; one that is empty gets the demo data, one that holds data is served as it is
  --fresh      new demo data in a new folder, never over an existing one
  --help       this text

HOST of the environment is the address to listen on: this machine alone (127.0.0.1) unless it says otherwise.
The first start installs the packages and builds, in about two minutes; later ones take seconds. Ctrl+C stops it.`

function options() {
  try {
    const { values } = parseArgs({
      options: {
        port: { type: 'string', default: process.env.PORT || '4747' },
        data: { type: 'string' },
        fresh: { type: 'boolean' },
        help: { type: 'boolean' },
      },
    })
    return values
  } catch (error) {
    return giveUp(`${error.message.split('. ')[0]}. bin/demo --help lists the options.`)
  }
}

const isEmpty = (folder) => !existsSync(folder) || readdirSync(folder).length === 0

/** The folder to serve: the one named, a new one, or the demo's own. */
async function dataFolder({ data, fresh }) {
  const { default: envPaths } = await import('env-paths')
  const home = envPaths('jaw-tilt-demo', { suffix: '' }).data
  if (!fresh) return resolve(data ?? home)
  if (data && !isEmpty(resolve(data))) giveUp(`${resolve(data)} holds something already: --fresh wants a new folder.`)
  const stamp = new Date().toISOString().replace(/[-:]/g, '').replace('T', '-').slice(0, 15)
  return resolve(data ?? `${home}-${stamp}`)
}

const portIsFree = (port) =>
  new Promise((answer) => {
    const probe = createServer()
    probe.once('error', () => answer(false))
    probe.listen(port, process.env.HOST || '127.0.0.1', () => probe.close(() => answer(true)))
  })

const chosen = options()
if (chosen.help) {
  console.log(HELP)
  process.exit(0)
}
const port = Number(chosen.port)
if (!Number.isInteger(port) || port < 1 || port > 65535)
  giveUp(`“${chosen.port}” is no port: take a number from 1 to 65535.`)
if (!(await portIsFree(port))) giveUp(`Port ${port} is in use: choose another with --port.`)

await install({ toRun: true })
await build()
const folder = await dataFolder(chosen)
say(`Opening the data in ${folder}${isEmpty(folder) ? ' (new: about ten seconds)' : ''}`)

const server = spawn(process.execPath, [join(root, '.output/server/index.mjs')], {
  stdio: ['ignore', 'pipe', 'inherit'],
  env: { ...process.env, JAW_TILT_DATA: folder, JAW_TILT_DEMO: '1', PORT: String(port) },
})
// The server says its address when it is ready: that is the last line.
server.stdout.on('data', (text) => process.stdout.write(text))
server.on('exit', (code, signal) => process.exit(code ?? (signal ? 1 : 0)))
for (const signal of ['SIGINT', 'SIGTERM', 'SIGHUP'])
  process.on(signal, () => server.kill(signal === 'SIGHUP' ? 'SIGTERM' : signal))

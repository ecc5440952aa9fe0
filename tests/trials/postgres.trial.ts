import { execFile, execFileSync, spawn } from 'node:child_process'
import { existsSync, mkdtempSync, readdirSync, readFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { promisify } from 'node:util'
import { setTimeout as pause } from 'node:timers/promises'
import { afterAll, afterEach, beforeAll, expect, it } from 'vitest'
import { startServer, stopServer, type BuiltServer } from '../builtServer'
import { laterVersion } from './laterVersion'
import { Writers } from './writers'

const [PG_PORT, ONE, OTHER] = [5498, 4786, 4787]
const place = mkdtempSync(join(tmpdir(), 'jaw-tilt-postgres-'))
const cluster = join(place, 'cluster')
const root = '/usr/lib/postgresql'
const bin = existsSync(root) ? join(root, readdirSync(root).sort().at(-1)!, 'bin') : ''
const asPostgres = (command: string) => execFileSync('su', ['postgres', '-c', command], { stdio: 'pipe' })
const pgCtl = (command: string) =>
  asPostgres(`${bin}/pg_ctl -D ${cluster} -o '-p ${PG_PORT} -k /tmp' -l ${cluster}/log -w ${command}`)
/** Beside which clients go on. */
const breakOff = () =>
  promisify(execFile)('su', [
    'postgres',
    '-c',
    `${bin}/pg_ctl -D ${cluster} -o '-p ${PG_PORT} -k /tmp' -l ${cluster}/log -w restart -m immediate`,
  ])
const urlOf = (database: string) => `postgres://postgres@127.0.0.1:${PG_PORT}/${database}`
const newDatabase = (name: string) => {
  asPostgres(`${bin}/createdb -h 127.0.0.1 -p ${PG_PORT} ${name}`)
  return urlOf(name)
}
const folder = () => mkdtempSync(join(place, 'data-'))
const at = (port: number, path: string) => `http://127.0.0.1:${port}/api/${path}`
const get = async (port: number, path: string) => (await fetch(at(port, path))).json() as Promise<never>
const send = (port: number, method: string, path: string, body: unknown) =>
  fetch(at(port, path), {
    method,
    headers: { 'content-type': 'application/json', 'x-jaw-tilt-page': 'trial' },
    body: typeof body === 'string' ? body : JSON.stringify(body),
  })

/** Of the Debian packages of PostgreSQL; by root. */
beforeAll(() => {
  execFileSync('chmod', ['755', place])
  execFileSync('install', ['-d', '-o', 'postgres', cluster])
  asPostgres(`${bin}/initdb -D ${cluster} -A trust -E UTF8`)
  pgCtl('start')
}, 120_000)
afterAll(() => void pgCtl('stop -m immediate'))

const running: BuiltServer[] = []
async function start(port: number, url: string, output?: string): Promise<BuiltServer> {
  const server = startServer(port, { DATABASE_URL: url, JAW_TILT_DATA: folder() }, output)
  running.push(server)
  await server.ready()
  return server
}
afterEach(async () => {
  await Promise.all(running.splice(0).map(stopServer))
})

/** Runs tests of the project's own; answers their exit code. */
async function run(command: string, env: Record<string, string>): Promise<number | null> {
  const [program, ...words] = command.split(' ')
  const tests = spawn(program!, words, { env: { ...process.env, ...env }, stdio: 'inherit' })
  return new Promise((resolve) => tests.on('exit', resolve))
}

it('the tests of what is kept pass on it, and those of the whole server', async () => {
  expect(await run('npx vitest run server/repositories', { JAW_TILT_TEST_SERVER: urlOf('postgres') })).toBe(0)
  const served = { DATABASE_URL: newDatabase('served') }
  expect(await run('npx playwright test tests/server.spec.ts', served)).toBe(0)
})

it('two processes that start at once make one database, hear of each other, and are never both right', async () => {
  const url = newDatabase('two')
  await Promise.all([start(ONE, url), start(OTHER, url)])
  await Promise.all([send(ONE, 'POST', 'samples', {}), send(OTHER, 'POST', 'samples', {})])
  const { records: rigs } = (await get(OTHER, 'rigs')) as { records: { id: string }[] }
  expect(rigs).toHaveLength(4)
  const line = await fetch(at(OTHER, 'changes'))
  const reader = line.body!.getReader()
  const heard = (async () => {
    let text = ''
    while (!text.includes('trial')) text += new TextDecoder().decode((await reader.read()).value)
  })()
  const began = performance.now()
  const { records: stones } = (await get(ONE, 'stones')) as {
    records: { id: string; revision: number; name: string }[]
  }
  const [stone] = stones
  const both = await Promise.all(
    [ONE, OTHER].map((port) => send(port, 'PUT', `stones/${stone!.id}`, { ...stone, name: `By ${port}` })),
  )
  expect(both.map(({ status }) => status).sort()).toEqual([200, 409])
  await heard
  console.log(`heard after ${Math.round(performance.now() - began)} ms`)
  expect(performance.now() - began).toBeLessThan(1000)
  await reader.cancel()
  const { records: blades } = (await get(ONE, 'blades')) as { records: { id: string }[] }
  const image = `data:image/png;base64,${readFileSync('public/icon-192.png').toString('base64')}`
  const pictures = await Promise.all(
    Array.from({ length: 12 }, (_, i) =>
      send(i % 2 ? ONE : OTHER, 'POST', 'blade-photos', { bladeId: blades[0]!.id, caption: `${i}`, image }),
    ),
  )
  expect(pictures.filter(({ ok }) => ok)).toHaveLength(8)
})

it('a server that breaks off in the middle loses nothing that was acknowledged, and all goes on by itself', async () => {
  const url = newDatabase('broken')
  await Promise.all([start(ONE, url), start(OTHER, url)])
  const writers = [new Writers(`http://127.0.0.1:${ONE}`), new Writers(`http://127.0.0.1:${OTHER}`)]
  const stop = new AbortController()
  const writing = writers.map((one) => one.write(3, stop.signal))
  for (let n = 0; n < 5; n++) {
    await pause(1500)
    await breakOff()
  }
  await pause(1500)
  const before = writers.map(({ acknowledged }) => acknowledged)
  await pause(1000)
  writers.forEach(({ acknowledged }, i) => expect(acknowledged).toBeGreaterThan(before[i]!))
  stop.abort()
  await Promise.all(writing)
  expect((await Promise.all(writers.map((one) => one.lost()))).flat()).toEqual([])
  const refused = writers.map((one) => JSON.stringify([...one.refused]))
  console.log(
    `${writers.map((one) => one.acknowledged).join(' + ')} acknowledged, none lost; refused ${refused.join(' ')}`,
  )
  // What was kept though its answer was lost is outdated when it is sent once more (409).
  const statuses = writers.flatMap((one) => [...one.refused.keys()])
  expect(statuses.filter((status) => status !== 503 && status !== 409)).toEqual([])
})

it('a later version starts beside one that goes on; an earlier one that starts then says why not', async () => {
  const url = newDatabase('rolling')
  await start(ONE, url)
  await send(ONE, 'POST', 'samples', {})
  const later = laterVersion(join(place, 'later'))

  const writers = new Writers(`http://127.0.0.1:${ONE}`)
  const stop = new AbortController()
  const writing = writers.write(3, stop.signal)
  await start(OTHER, url, later)
  await pause(1000)
  stop.abort()
  await writing
  expect([...writers.refused]).toEqual([])
  expect(await writers.lost()).toEqual([])
  const [mine, theirs] = await Promise.all([get(ONE, 'stones'), get(OTHER, 'stones')])
  expect(theirs).toEqual(mine)
  const [first] = running.splice(0, 1)
  await stopServer(first!)
  const late = startServer(ONE, { DATABASE_URL: url, JAW_TILT_DATA: folder() })
  expect(await late.ended).toBe(1)
  expect(late.said()).toContain('written by a later version')
})

it('the backup moves all to it and back', async () => {
  const data = folder()
  const embedded = startServer(ONE, { JAW_TILT_DATA: data })
  await embedded.ready()
  await send(ONE, 'POST', 'samples', {})
  const backupOf = async (port: number) => (await fetch(at(port, 'backup'))).text()
  const told = (text: string) => {
    const { savedAt: _savedAt, preferences: _preferences, ...all } = JSON.parse(text) as Record<string, unknown>
    return all
  }
  const out = await backupOf(ONE)
  await stopServer(embedded)
  await start(OTHER, newDatabase('moved'))
  expect((await send(OTHER, 'POST', 'backup', out)).status).toBe(200)
  const back = await backupOf(OTHER)
  expect(told(back)).toEqual(told(out))
  await stopServer(running.pop()!)
  const again = startServer(ONE, { JAW_TILT_DATA: folder() })
  await again.ready()
  expect((await send(ONE, 'POST', 'backup', back)).status).toBe(200)
  expect(told(await backupOf(ONE))).toEqual(told(out))
  await stopServer(again)
})

it('samples that two processes lay out and remove at once are all there or none; who is not let in hears it', async () => {
  const url = newDatabase('samples')
  await Promise.all([start(ONE, url), start(OTHER, url)])
  const answers = await Promise.all(
    Array.from({ length: 24 }, (_, i) =>
      i % 3 === 0
        ? send(i % 2 ? ONE : OTHER, 'DELETE', 'samples', {})
        : send(i % 2 ? ONE : OTHER, 'POST', 'samples', {}),
    ),
  )
  expect(answers.map(({ status }) => status).filter((status) => status !== 200)).toEqual([])
  const { records: rigs } = (await get(ONE, 'rigs')) as { records: unknown[] }
  expect([0, 4]).toContain(rigs.length)
  const sql = (text: string) => asPostgres(`${bin}/psql -h 127.0.0.1 -p ${PG_PORT} -d postgres -qtc "${text}"`)
  const backup = await fetch(at(ONE, 'backup'))
  sql(`alter database samples allow_connections false`)
  sql(`select pg_terminate_backend(pid) from pg_stat_activity where datname = 'samples'`)
  await backup.text().catch(() => undefined)
  expect((await fetch(at(ONE, 'rigs'))).status).toBe(503)
  sql(`alter database samples allow_connections true`)
  expect((await fetch(at(ONE, 'rigs'))).status).toBe(200)
})

it('an address at which there is none is said in one line', async () => {
  const server = startServer(ONE, { DATABASE_URL: 'postgres://postgres@127.0.0.1:1/none', JAW_TILT_DATA: folder() })
  expect(await server.ended).toBe(1)
  expect(server.said().trim().split('\n')).toHaveLength(1)
  expect(server.said()).toContain('DATABASE_URL')
  expect(server.said()).toContain('ECONNREFUSED')
})

import { mkdtempSync, readFileSync, rmSync } from 'node:fs'
import { request as ask } from 'node:http'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { setTimeout as pause } from 'node:timers/promises'
import { randomLcg } from 'd3-random'
import { expect, it } from 'vitest'
import { startServer } from '../builtServer'

const REQUESTS = Number(process.env.TRIALS ?? 1_000_000)
const CLIENTS = 8
const PORT = 4784
const KINDS = [
  'rigs',
  'blades',
  'stones',
  'jobs',
  'instruments',
  'knots',
  '__proto__',
  'log',
  '%00',
  'ri%2fgs',
  '%E2%80%A6',
]

type Json = null | boolean | number | string | Json[] | { [key: string]: Json }
const uniform = randomLcg(Number(process.env.SEED ?? 0.1))
const one = <T>(of: readonly T[]): T => of[Math.floor(uniform() * of.length)]!

/** What nobody should send in the place of a figure, a text or a list. */
const STRANGE: readonly (() => Json)[] = [
  () => null,
  () => one([0, -1, 0.5, 2 ** 31, 2 ** 31 - 1, -(2 ** 31) - 1, 2 ** 53, 1e9, 1e308, -1e-308, 255.9]),
  () => one(['', ' ', '0', 'x'.repeat(5000), 'a\0b', '\ud800', '=cmd()', '<b>x</b>', '../../etc', '{{', '𝒙̈', '1e400']),
  () => [],
  () => ({}),
  () => true,
  () => Array.from({ length: Math.floor(uniform() * 300) }, () => ({})),
  () => JSON.parse('['.repeat(200) + ']'.repeat(200)) as Json,
  () => ({ __proto__: null, constructor: 'x', toString: 1 }) as Json,
]
const strange = (): Json => one(STRANGE)()

/** A copy with something of it changed, taken away or added, somewhere. */
function harmed(value: Json): Json {
  if (uniform() < 0.15 || typeof value !== 'object' || value === null) return strange()
  if (Array.isArray(value)) {
    if (value.length === 0 || uniform() < 0.1) return [...value, strange()]
    const at = Math.floor(uniform() * value.length)
    return value.map((item, i) => (i === at ? harmed(item) : item))
  }
  const keys = Object.keys(value)
  const key = one(keys.length > 0 && uniform() < 0.95 ? keys : ['revision', 'id', 'kind', 'x'])
  const { [key]: old, ...rest } = value
  return uniform() < 0.1 ? rest : { ...rest, [key]: harmed(old ?? null) }
}

interface Answered {
  readonly status: number
  readonly body: string
}
/** By hand, so that paths and headers go out as they are. */
const send = (method: string, path: string, body: string | null, headers: Record<string, string>): Promise<Answered> =>
  new Promise((resolve) => {
    const asked = ask(
      {
        host: '127.0.0.1',
        port: PORT,
        method,
        path,
        headers: { ...headers, host: `127.0.0.1:${PORT}` },
        timeout: 60_000,
      },
      (answer) => {
        let text = ''
        answer.on('data', (piece) => (text += String(piece).slice(0, 2000)))
        answer.on('end', () => resolve({ status: answer.statusCode ?? 0, body: text }))
        answer.on('error', () => resolve({ status: 0, body: '' }))
      },
    )
    asked.on('error', () => resolve({ status: 0, body: '' }))
    asked.on('timeout', () => asked.destroy())
    if (body !== null) asked.write(body)
    // One in so many hangs up before it is answered.
    if (uniform() < 0.002) setTimeout(() => asked.destroy(), 2)
    asked.end()
  })

it(`${REQUESTS} requests that nobody should send: never a 500, no memory that stays, others answered meanwhile`, async () => {
  const data = mkdtempSync(join(tmpdir(), 'jaw-tilt-fuzz-'))
  const server = startServer(PORT, { JAW_TILT_DATA: data, JAW_TILT_DEMO: '1' })
  await server.ready()
  const get = async (path: string) => JSON.parse((await whole(path)).trim()) as never
  const whole = async (path: string) => (await fetch(`http://127.0.0.1:${PORT}/api/${path}`)).text()
  const seeds: Record<string, Json[]> = {}
  for (const kind of ['rigs', 'blades', 'stones', 'jobs', 'instruments'])
    seeds[kind] = ((await get(kind)) as { records: Json[] }).records
  const backup = (await get('backup')) as Json
  const tools = (await get('tools')) as Json
  const log = ((await get('log')) as { entries: Json[] }).entries
  const ids = Object.values(seeds).flatMap((all) => all.map((thing) => (thing as { id: string }).id))

  function bodyFor(kind: string): Json {
    if (kind === 'log') return [one(log)]
    if (kind === 'backup') return backup
    if (kind === 'tools') return tools
    if (kind === 'blade-photos') return { bladeId: one(ids), caption: 'x', image: 'data:image/png;base64,AAAA' }
    if (kind === 'preferences') return { unit: 'mm', angles: 'per-side', sideNames: { A: 'A', B: 'B' }, revision: 0 }
    return one(seeds[kind] ?? seeds.stones!)
  }
  function request(): [method: string, path: string, body: string | null, headers: Record<string, string>] {
    const kind = uniform() < 0.8 ? one(['rigs', 'blades', 'stones', 'jobs', 'instruments']) : one(KINDS)
    const rest = [
      'log',
      'tools',
      'preferences',
      'blade-photos',
      'health',
      'rig-versions',
      'stones.csv',
      'sample-rigs',
      'samples',
      'around',
      'job-names',
      'copies',
      'backup-progress',
      'nothing',
    ]
    const id =
      uniform() < 0.7
        ? one(ids)
        : one(['x', '%00', '..', '0', encodeURIComponent('…'), '0'.repeat(3000), ids[0]!.toUpperCase()])
    const query =
      uniform() < 0.2
        ? one([
            '?after=-1',
            '?after=1e99',
            '?after=9007199254740993',
            '?after=x',
            '?after=%00',
            '?archived=a&archived=b',
            '?beginning=%25a%00',
            '?beginning=a&beginning=b',
            '?search=%00&limit=-1',
            '?search=%27%7C!%3A*&away=perhaps',
            '?limit=1e9',
            `?ids=${one(ids)},${one(ids)}`,
            '?ids=,&ids=%00',
            '?from=2026-99-99T99:99:99.999Z_------------------------------------',
            `?from=0000-01-01T00:00:00.000Z_${ids[0]}`,
            `?from=2026-02-30T00:00:00.000Z_${ids[0]}`,
            `?rigId=${one(ids)}&bladeId=${one(ids)}&jobId=x`,
            `?rigId=${one(ids)}&bladeId=${one(ids)}`,
            '?blade=x',
            '?%ZZ',
            '?blade[]=1',
            '?__proto__[x]=1',
          ])
        : ''
    // A whole backup is large: it is rare.
    const about = uniform() < 0.002 ? 'backup' : uniform() < 0.25 ? one(rest) : kind
    const path = `/api/${about}${about === kind && uniform() < 0.6 ? `/${id}${one(['', '', '', '/archive', '/restore', '/x'])}` : ''}${query}`
    const method = one(['GET', 'GET', 'POST', 'POST', 'PUT', 'PUT', 'PUT', 'DELETE', 'PATCH', 'HEAD'])
    if (method === 'GET' || method === 'HEAD') return [method, path, null, {}]
    // The samples are what is harmed: they stay.
    if (path.startsWith('/api/samples')) return ['GET', path, null, {}]
    const text =
      uniform() < 0.03
        ? one(['', '{', 'null', '[[', '"\\ud800"', '\0', '{"a":1e999}'])
        : JSON.stringify(harmed(bodyFor(about)))
    const type =
      uniform() < 0.98
        ? 'application/json'
        : one(['text/plain', 'application/json; charset=x', '', 'multipart/form-data'])
    return [method, path, text, { 'content-type': type }]
  }

  const residentMb = () => {
    // One that has ended has none.
    if (server.child.exitCode !== null) return 0
    const status = readFileSync(`/proc/${server.child.pid}/status`, 'utf8')
    return Number(/VmRSS:\s+(\d+)/.exec(status)?.[1] ?? 0) / 1024
  }
  const statuses = new Map<number, number>()
  const failures: string[] = []
  let [sent, settledMb, mostMb, slowestMs] = [0, 0, 0, 0]
  let done = false
  const watching = (async () => {
    while (!done) {
      const began = performance.now()
      await send('GET', '/api/health', null, {})
      slowestMs = Math.max(slowestMs, performance.now() - began)
      if (sent > REQUESTS / 10 && settledMb === 0) settledMb = residentMb()
      mostMb = Math.max(mostMb, residentMb())
      await pause(200)
    }
  })()
  await Promise.all(
    Array.from({ length: CLIENTS }, async () => {
      while (sent++ < REQUESTS && failures.length < 20 && server.child.exitCode === null) {
        const asked = request()
        const { status, body } = await send(...asked)
        statuses.set(status, (statuses.get(status) ?? 0) + 1)
        if (status >= 500)
          failures.push(
            `${status} ${asked[0]} ${asked[1].slice(0, 120)} ${asked[2]?.slice(0, 300)} → ${body.slice(0, 200)}`,
          )
      }
    }),
  )
  done = true
  await watching
  const lastMb = residentMb()
  if (server.child.exitCode !== null) failures.push(`the server has ended: ${server.said().slice(-3000)}`)
  server.child.kill('SIGTERM')
  const code = await server.ended
  rmSync(data, { recursive: true })
  console.log(
    `${sent} requests`,
    Object.fromEntries([...statuses].sort(([a], [b]) => a - b)),
    `memory ${settledMb.toFixed(0)} MB after a tenth, ${lastMb.toFixed(0)} MB at the end, ${mostMb.toFixed(0)} at most; health in ${slowestMs.toFixed(0)} ms at worst`,
  )
  console.log(server.said().slice(0, 3000))
  expect(failures).toEqual([])
  expect(code).toBe(0)
  expect(lastMb).toBeLessThan(1.5 * settledMb)
})

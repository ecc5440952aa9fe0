import { execFileSync } from 'node:child_process'
import { mkdtempSync, readFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import type { StoneRecord } from '../core/records/storage/kinds'
import { demoFolder, expect, test } from './bench'
import { freePort, startServer, type BuiltServer } from './builtServer'

const PORT = await freePort()
const OTHER_PORT = await freePort()
const url = (path: string) => `http://127.0.0.1:${PORT}${path}`
const started: BuiltServer[] = []

function start(env: Record<string, string>, port = PORT): BuiltServer {
  const server = startServer(port, env)
  started.push(server)
  return server
}
test.afterEach(() => started.splice(0).forEach(({ child }) => child.kill('SIGKILL')))

const put = (stone: StoneRecord, change: object) =>
  fetch(url(`/api/stones/${stone.id}`), {
    method: 'PUT',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({ ...stone, ...change }),
  })

test('what was acknowledged survives kill -9; a second owner is refused; SIGTERM ends cleanly', async () => {
  const data = join(mkdtempSync(join(tmpdir(), 'jaw-tilt-server-')), 'made', 'with', 'parents')
  const first = start({ JAW_TILT_DATA: data, JAW_TILT_DEMO: '1' })
  await first.ready()
  let [stone] = ((await (await fetch(url('/api/stones'))).json()) as { records: [StoneRecord] }).records
  for (let i = 1; i <= 5; i++) stone = (await (await put(stone, { notes: `pass ${i}` })).json()) as StoneRecord

  const second = start({ JAW_TILT_DATA: data }, OTHER_PORT)
  if (process.env.DATABASE_URL) {
    // What is kept on a server is kept for as many as there are.
    await second.ready()
    const there = await fetch(`http://127.0.0.1:${OTHER_PORT}/api/stones/${stone.id}`)
    expect(await there.json()).toEqual(stone)
    second.child.kill('SIGTERM')
    expect(await second.ended).toBe(0)
  } else {
    expect(await second.ended).toBe(1)
    expect(second.said().trim()).toBe(
      `Jaw Tilt cannot start: The data folder ${data} is in use by process ${first.child.pid}. Stop that one first, or choose another folder.`,
    )
  }

  first.child.kill('SIGKILL')
  await first.ended
  const again = start({ JAW_TILT_DATA: data })
  await again.ready()
  const kept = (await (await fetch(url(`/api/stones/${stone.id}`))).json()) as StoneRecord
  expect(kept).toMatchObject({ notes: 'pass 5', revision: 6 })

  const taken = start({ JAW_TILT_DATA: demoFolder() })
  expect(await taken.ended).toBe(1)
  expect(taken.said()).toContain(`port ${PORT} is in use`)

  again.child.kill('SIGTERM')
  expect(await again.ended).toBe(0)
})

test('every refusal has one shape and a proper status, and answers carry the headers that keep them in', async ({
  request,
}) => {
  const [stone] = ((await (await request.get('/api/stones')).json()) as { records: [StoneRecord] }).records
  const send = (data: unknown, headers: Record<string, string> = { 'content-type': 'application/json' }) =>
    request.put(`/api/stones/${stone.id}`, {
      data: Buffer.from(typeof data === 'string' ? data : JSON.stringify(data)),
      headers,
    })
  const refused = async (answer: { status(): number; json(): Promise<unknown> }) =>
    [answer.status(), await answer.json()] as const

  expect(await refused(await send({ ...stone, faceOffsetMm: -2, name: '' }))).toEqual([
    422,
    expect.objectContaining({
      fields: expect.arrayContaining([
        { field: 'name', code: 'text-missing' },
        expect.objectContaining({ field: 'faceOffsetMm' }),
      ]),
    }),
  ])
  expect((await refused(await send({ ...stone, revision: 99 })))[1]).toMatchObject({
    current: { id: stone.id, revision: stone.revision },
  })
  expect((await send({ ...stone, revision: 99 })).status()).toBe(409)
  expect((await send('{"name":')).status()).toBe(400)
  expect((await send('x=1', { 'content-type': 'application/x-www-form-urlencoded' })).status()).toBe(415)
  expect((await send({ ...stone, notes: 'x'.repeat(1_100_000) })).status()).toBe(413)
  expect(await refused(await request.get('/api/stones/not-an-id'))).toEqual([
    404,
    { code: 'no-such-record', fields: [] },
  ])
  expect((await request.get('/api/knots')).status()).toBe(404)
  expect((await request.get('/api/health', { headers: { host: 'elsewhere.example' } })).status()).toBe(421)
  // A client that pauses finds its connection open.
  expect((await request.get('/api/health')).headers()['keep-alive']).toBe('timeout=75')

  const page = await request.get('/')
  expect(page.headers()['content-security-policy']).toMatch(/default-src 'none'; script-src 'self' 'nonce-[\w+/=]+'/)
  expect(page.headers()['content-security-policy']).not.toMatch(/script-src[^;]*unsafe/)
  expect(page.headers()['x-content-type-options']).toBe('nosniff')
})

test('another user of this machine gets nothing but where the key stands, and with the key all of it', async () => {
  test.skip(process.getuid?.() !== 0, 'asking as another user takes root')
  const data = demoFolder()
  const server = start({ JAW_TILT_DATA: data })
  await server.ready()
  expect(server.said()).toContain(`Jaw Tilt is at ${url('')}\n`)
  const NOBODY = 65534
  const asNobody = (path: string, headers: Record<string, string> = {}) =>
    JSON.parse(
      execFileSync(
        process.execPath,
        [
          '-e',
          `fetch(${JSON.stringify(url(path))}, { redirect: 'manual', headers: ${JSON.stringify(headers)} })
            .then(async (a) => console.log(JSON.stringify([a.status, await a.text(), a.headers.get('set-cookie')])))`,
        ],
        { uid: NOBODY, gid: NOBODY, cwd: '/', encoding: 'utf8', env: {} },
      ),
    ) as [status: number, text: string, cookie: string | null]
  expect(asNobody('/api/backup')).toEqual([401, '{"code":"not-let-in","fields":[]}', null])
  const [status, line] = asNobody('/jobs', { accept: 'text/html' })
  expect([status, line]).toEqual([401, expect.stringContaining(join(data, 'screen-key'))])
  const key = readFileSync(join(data, 'screen-key'), 'utf8').trim()
  expect(asNobody(`/?key=${key.slice(1)}`)[0]).toBe(401)
  // What is no key, or no path, is refused like anything else, and the server goes on.
  expect(asNobody(`/?key=${encodeURIComponent('é'.repeat(key.length))}`)[0]).toBe(401)
  expect(asNobody('/', { cookie: `jaw-tilt-screen=${'\u00e9'.repeat(key.length)}` })[0]).toBe(401)
  const [moved, , cookie] = asNobody(`/jobs?key=${key}`)
  expect([moved, cookie]).toEqual([303, expect.stringMatching(/HttpOnly; SameSite=Strict/)])
  expect(asNobody('/api/stones', { cookie: cookie!.split(';')[0]! })[0]).toBe(200)
  expect((await fetch(url('/api/stones'))).status).toBe(200)
})

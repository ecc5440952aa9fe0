import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { setTimeout as pause } from 'node:timers/promises'
import { expect, it } from 'vitest'
import { startServer } from '../builtServer'
import { Writers } from './writers'

const KILLS = Number(process.env.TRIALS ?? 300)
const PORT = 4782
const base = `http://127.0.0.1:${PORT}`

/** What is going on when the process is killed. */
const MOMENTS = ['writing', 'first start', 'start', 'bringing back', 'planting', 'ending'] as const
const post = (path: string, body: unknown) =>
  fetch(`${base}/api/${path}`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: typeof body === 'string' ? body : JSON.stringify(body),
  }).catch(() => null)
const stoneNames = async () => {
  const listed = (await (await fetch(`${base}/api/stones`)).json()) as { records: { name: string }[] }
  return listed.records.map(({ name }) => name)
}

it(`killed ${KILLS} times at any moment: what was acknowledged is there, and what was begun is whole or not at all`, async () => {
  const data = mkdtempSync(join(tmpdir(), 'jaw-tilt-killed-'))
  const env = { JAW_TILT_DATA: data }
  const writers = new Writers(base)
  const wrong: string[] = []
  const counts: Record<string, number> = {}
  let file = ''
  for (let n = 0; n < KILLS; n++) {
    const moment = MOMENTS[n % MOMENTS.length]!
    counts[moment] = (counts[moment] ?? 0) + 1
    if (moment === 'first start') {
      // Killed on an empty folder, which then is made as if nothing had been.
      const fresh = mkdtempSync(join(tmpdir(), 'jaw-tilt-killed-'))
      const begun = startServer(PORT, { JAW_TILT_DATA: fresh })
      await pause(200 + 4000 * Math.random())
      begun.child.kill('SIGKILL')
      await begun.ended
      const again = startServer(PORT, { JAW_TILT_DATA: fresh })
      await again.ready().catch((error: unknown) => wrong.push(`first start: ${String(error)}`))
      again.child.kill('SIGKILL')
      await again.ended
      rmSync(fresh, { recursive: true })
      continue
    }
    const server = startServer(PORT, env)
    const stop = new AbortController()
    let busy: Promise<unknown> = Promise.resolve()
    if (moment === 'start') await pause(50 + 900 * Math.random())
    else {
      await server.ready()
      if (moment === 'writing' || moment === 'ending') busy = writers.write(3, stop.signal)
      if (moment === 'bringing back' && file) busy = post('backup', file)
      if (moment === 'planting') busy = post('samples', {})
      await pause(moment === 'bringing back' || moment === 'planting' ? 400 * Math.random() : 1000 * Math.random())
      if (moment === 'ending') {
        server.child.kill('SIGTERM')
        await pause(300 * Math.random())
      }
    }
    server.child.kill('SIGKILL')
    stop.abort()
    await Promise.all([server.ended, busy])

    const after = startServer(PORT, env)
    await after.ready().catch((error: unknown) => wrong.push(`${moment}: ${String(error)}`))
    wrong.push(...(await writers.lost()).map((one) => `${moment}: ${one}`))
    const jobs = (await (await fetch(`${base}/api/jobs`)).json()) as { records: unknown[] }
    if (moment === 'planting' && jobs.records.length !== 0) {
      // All of the samples came: they are taken away again, for the next time.
      const rigs = (await (await fetch(`${base}/api/rigs`)).json()) as { records: unknown[] }
      if (jobs.records.length !== SAMPLE_JOBS || rigs.records.length !== SAMPLE_RIGS)
        wrong.push(`planting: ${jobs.records.length} jobs, ${rigs.records.length} rigs`)
      await fetch(`${base}/api/samples`, { method: 'DELETE' })
    }
    if (moment === 'bringing back' && file) {
      const came = (await stoneNames()).filter((name) => name.startsWith('From file')).length
      if (came % FILE_STONES !== 0) wrong.push(`bringing back: ${came} stones of ${FILE_STONES}`)
    }
    // Another file each time: what is brought back is new.
    file = await fileOf(n)
    after.child.kill('SIGTERM')
    await after.ended
  }
  console.log(`${KILLS} kills`, counts, `${writers.acknowledged} writes acknowledged`, wrong.slice(0, 5))
  rmSync(data, { recursive: true })
  expect(wrong).toEqual([])
  expect(writers.acknowledged).toBeGreaterThan(KILLS)
})

const [SAMPLE_JOBS, SAMPLE_RIGS, FILE_STONES] = [5, 4, 300]

/** A backup of stones that are nowhere yet. */
async function fileOf(n: number): Promise<string> {
  const backup = (await (await fetch(`${base}/api/backup`)).json()) as { things: Record<string, unknown[]> }
  const id = (i: number) => `0197b000-${String(n).padStart(4, '0')}-7000-8000-${String(i).padStart(12, '0')}`
  const at = new Date().toISOString()
  const stones = Array.from({ length: FILE_STONES }, (_, i) => ({
    id: id(i),
    revision: 1,
    createdAt: at,
    updatedAt: at,
    archivedAt: null,
    version: 2,
    content: {
      name: `From file ${n} ${i}`,
      kind: 'diamond',
      grainUm: 30,
      faceOffsetMm: 6,
      faceOffsetToleranceMm: 0.1,
      lengthMm: 150,
      widthMm: 25,
    },
  }))
  const none = Object.fromEntries(Object.keys(backup.things).map((kind) => [kind, []]))
  return JSON.stringify({ ...backup, rigVersions: [], bladePhotos: [], log: [], things: { ...none, stones } })
}

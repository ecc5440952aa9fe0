import { spawn } from 'node:child_process'
import { existsSync, mkdtempSync, readFileSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { setTimeout as pause } from 'node:timers/promises'
import { expect, it } from 'vitest'
import { startServer, type BuiltServer } from '../builtServer'
import { laterVersion } from './laterVersion'
import { SmallDisk } from './smallDisk'
import { Writers } from './writers'

const CUTS = Number(process.env.TRIALS ?? 100)
const PORT = 4781

it(`${CUTS} power cuts under four writing clients: nothing that was acknowledged is lost, and the folder opens`, async () => {
  const disk = new SmallDisk(400)
  const writers = new Writers(`http://127.0.0.1:${PORT}`)
  const lost: string[] = []
  try {
    for (let cut = 0; cut < CUTS; cut++) {
      const server = startServer(PORT, { JAW_TILT_DATA: disk.folder })
      await server.ready()
      lost.push(...(await writers.lost()))
      const stop = new AbortController()
      const writing = writers.write(4, stop.signal)
      await pause(150 + 1500 * Math.random())
      disk.cut()
      await pause(20)
      server.child.kill('SIGKILL')
      stop.abort()
      await Promise.all([server.ended, writing])
      await disk.back()
    }
    const last = startServer(PORT, { JAW_TILT_DATA: disk.folder })
    await last.ready()
    lost.push(...(await writers.lost()))
    last.child.kill('SIGTERM')
    expect(await last.ended).toBe(0)
  } finally {
    await disk.remove().catch(() => undefined)
  }
  console.log(
    `${CUTS} cuts, ${writers.acknowledged} writes acknowledged, median ${writers.medianMs.toFixed(1)} ms, ${lost.length} lost`,
    lost.slice(0, 5),
    writers.refused,
  )
  expect(lost).toEqual([])
  expect(writers.acknowledged).toBeGreaterThan(20 * CUTS)
})

/** What the server does when its power is cut, besides answering. */
const AT_WORK = ['a snapshot', 'a restore', 'a migration'] as const
type Work = (typeof AT_WORK)[number]

it(`${CUTS} power cuts during a snapshot, a restore and a migration: what was acknowledged is there after each`, async () => {
  const place = mkdtempSync(join(tmpdir(), 'jaw-tilt-later-'))
  const later = laterVersion(join(place, 'later'))
  const base = `http://127.0.0.1:${PORT}`
  const wrong: string[] = []
  let acknowledged = 0
  for (let cut = 0; cut < CUTS; cut++) {
    const work = AT_WORK[cut % AT_WORK.length]!
    const disk = new SmallDisk(300)
    const writers = new Writers(base)
    const start = async (output?: string) => {
      const server = startServer(PORT, { JAW_TILT_DATA: disk.folder }, output)
      await server.ready()
      return server
    }
    const write = async (ms: number) => {
      const stop = new AbortController()
      const writing = writers.write(3, stop.signal)
      await pause(ms)
      stop.abort()
      await writing
    }
    // A clean end keeps a snapshot, which can be brought back.
    const before = await start()
    await write(700)
    before.child.kill('SIGTERM')
    await before.ended
    const server = work === 'a migration' ? startServer(PORT, { JAW_TILT_DATA: disk.folder }, later) : await start()
    if (work !== 'a migration') await write(300)
    const begun = beginWork[work](server, base)
    await pause(({ 'a snapshot': 500, 'a restore': 400, 'a migration': 2500 } as const)[work] * Math.random())
    disk.cut()
    await pause(20)
    server.child.kill('SIGKILL')
    await Promise.all([server.ended, begun])
    await disk.back()
    const after = await start(work === 'a migration' ? later : undefined).catch((error: unknown) => {
      wrong.push(`${work}: ${String(error)}`)
      return null
    })
    if (after) {
      wrong.push(...(await writers.lost()).map((one) => `${work}: ${one}`))
      after.child.kill('SIGTERM')
      await after.ended
    }
    acknowledged += writers.acknowledged
    await disk.remove()
  }
  rmSync(place, { recursive: true })
  console.log(`${CUTS} cuts at work, ${acknowledged} writes acknowledged, ${wrong.length} wrong`, wrong.slice(0, 5))
  expect(wrong).toEqual([])
  expect(acknowledged).toBeGreaterThan(10 * CUTS)
})

const beginWork: Record<Work, (server: BuiltServer, base: string) => Promise<unknown>> = {
  'a snapshot': async (server) => server.child.kill('SIGTERM'),
  'a restore': async (_, base) => {
    const [newest] = (await (await fetch(`${base}/api/snapshots`)).json()) as { name: string }[]
    return fetch(`${base}/api/snapshots/${newest!.name}/bring-back`, {
      method: 'POST',
      headers: { 'content-type': 'application/json', 'x-jaw-tilt-page': 'trial' },
      body: '{}',
    }).catch(() => null)
  },
  'a migration': async () => undefined,
}

it('the control: a writer that does not sync loses what it acknowledged, on the same kind of mount', async () => {
  const disk = new SmallDisk(64)
  const file = join(disk.folder, 'lines')
  // Says the number of each line that it has written.
  const writer = spawn(process.execPath, [
    '-e',
    `const fs = require('fs'); const f = fs.openSync(process.argv[1], 'a'); let n = 0
     setInterval(() => { for (let i = 0; i < 20; i++) fs.writeSync(f, ++n + '\\n'); console.log(n) }, 5)`,
    file,
  ])
  let acknowledged = 0
  writer.stdout.on('data', (text) => (acknowledged = Number(String(text).trim().split('\n').at(-1))))
  await pause(1500)
  disk.cut()
  writer.kill('SIGKILL')
  await pause(100)
  await disk.back()
  const kept = existsSync(file) ? readFileSync(file, 'utf8').split('\n').length - 1 : 0
  await disk.remove()
  console.log(`without syncing: ${acknowledged} acknowledged, ${kept} there`)
  expect(kept).toBeLessThan(acknowledged)
})

import { spawn } from 'node:child_process'
import { existsSync, readFileSync } from 'node:fs'
import { join } from 'node:path'
import { setTimeout as pause } from 'node:timers/promises'
import { expect, it } from 'vitest'
import { startServer } from '../builtServer'
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

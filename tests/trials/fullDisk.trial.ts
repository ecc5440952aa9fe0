import { closeSync, openSync, rmSync, writeSync } from 'node:fs'
import { join } from 'node:path'
import { setTimeout as pause } from 'node:timers/promises'
import { expect, it } from 'vitest'
import { startServer } from '../builtServer'
import { SmallDisk } from './smallDisk'
import { Writers } from './writers'

const TIMES = Number(process.env.TRIALS ?? 12)
const PORT = 4783
const base = `http://127.0.0.1:${PORT}`

/** Fills a disk until so many bytes are left. */
function fill(disk: SmallDisk, leave: number) {
  const file = openSync(join(disk.folder, 'filling'), 'a')
  try {
    for (let left = disk.freeBytes() - leave; left > 0; left = disk.freeBytes() - leave)
      writeSync(file, Buffer.alloc(Math.min(left, 4 * 2 ** 20)))
  } catch (error) {
    if ((error as NodeJS.ErrnoException).code !== 'ENOSPC') throw error
  } finally {
    closeSync(file)
  }
}
const empty = (disk: SmallDisk) => rmSync(join(disk.folder, 'filling'), { force: true })

it('a first start on a full disk is told in one line, and changes nothing', async () => {
  const disk = new SmallDisk(200)
  fill(disk, 3 * 2 ** 20)
  const server = startServer(PORT, { JAW_TILT_DATA: disk.folder })
  expect(await server.ended).toBe(1)
  expect(server.said()).toMatch(/^Jaw Tilt cannot start: The disk of .* is full: \d+ MB are left, \d+ MB are needed/)
  empty(disk)
  const again = startServer(PORT, { JAW_TILT_DATA: disk.folder })
  await again.ready()
  again.child.kill('SIGTERM')
  await again.ended
  await disk.remove()
})

it(`a disk that fills while it is written to, ${TIMES} times: told, nothing lost, goes on when there is room, ends when asked`, async () => {
  const disk = new SmallDisk(420)
  const writers = new Writers(base, 1900)
  const lost: string[] = []
  let told = 0
  for (let time = 0; time < TIMES; time++) {
    const server = startServer(PORT, { JAW_TILT_DATA: disk.folder })
    await server.ready()
    const stop = new AbortController()
    const writing = writers.write(3, stop.signal)
    await pause(300)
    // Less than a segment of the log is left, or nothing at all.
    fill(disk, time % 3 === 0 ? 0 : Math.floor(Math.random() * 4) * 2 ** 20)
    const before = writers.refused.get(507) ?? 0
    for (let tries = 0; tries < 900 && (writers.refused.get(507) ?? 0) === before; tries++) await pause(100)
    told += (writers.refused.get(507) ?? 0) > before ? 1 : 0
    expect((await fetch(`${base}/api/health`)).status, 'reads go on').toBe(200)
    if (time % 2 === 0) {
      // Asked to end while it is full, it ends, and starts again once there is room.
      stop.abort()
      await writing
      server.child.kill('SIGTERM')
      expect(await Promise.race([server.ended, pause(15_000).then(() => 'deaf')])).toBe(0)
      empty(disk)
      const again = startServer(PORT, { JAW_TILT_DATA: disk.folder })
      await again.ready()
      lost.push(...(await writers.lost()))
      again.child.kill('SIGTERM')
      await again.ended
    } else {
      empty(disk)
      const then = writers.acknowledged
      for (let tries = 0; tries < 100 && writers.acknowledged < then + 5; tries++) await pause(100)
      expect(writers.acknowledged, 'goes on by itself').toBeGreaterThan(then)
      stop.abort()
      await writing
      lost.push(...(await writers.lost()))
      server.child.kill('SIGTERM')
      await server.ended
    }
  }
  await disk.remove()
  console.log(
    `${TIMES} times full, told ${told} times, ${writers.acknowledged} writes acknowledged`,
    writers.refused,
    lost.slice(0, 5),
  )
  expect(lost).toEqual([])
  expect(told).toBe(TIMES)
})

import { mkdirSync, mkdtempSync, readdirSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { expect, it } from 'vitest'
import { Copies } from './copies'
import { snapshotsFolder } from './snapshots'

const folderOf = () => mkdtempSync(join(tmpdir(), 'jaw-tilt-copies-'))

/** Copies so many snapshots of one day, an hour apart, by a bench of its own. */
function bench(second: string, data = folderOf()) {
  mkdirSync(snapshotsFolder(data), { recursive: true })
  const copies = new Copies(data)
  expect(copies.name(second)).toBeNull()
  return {
    data,
    copy(day: string, hours: number) {
      for (let hour = 0; hour < hours; hour++) {
        const name = `${day}T${String(hour).padStart(2, '0')}-00-00.000Z-0123456789ab.json.gz`
        writeFileSync(join(snapshotsFolder(data), name), day)
        new Copies(data).copy({ name })
      }
      expect(new Copies(data).state().failed).toBeNull()
    },
  }
}

it('two benches with one folder thin out their own copies alone, and know them again after a start', () => {
  const second = folderOf()
  const [one, other] = [bench(second), bench(second)]
  one.copy('2026-01-05', 20)
  const before = readdirSync(second)
  // Of one day long past few are kept: what is kept of the first is not fewer for the second's.
  other.copy('2026-03-05', 20)
  const all = readdirSync(second)
  expect(all).toEqual(expect.arrayContaining(before))
  expect(all.length - before.length).toBe(before.length)
  expect(before.length).toBeLessThan(20)
  expect(new Copies(one.data).state().lastAt).toBe('2026-01-05T19:00:00.000Z')
  expect(new Copies(other.data).state().lastAt).toBe('2026-03-05T19:00:00.000Z')
})

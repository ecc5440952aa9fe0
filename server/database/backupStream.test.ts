import { mkdtempSync, readdirSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { beforeEach, expect, it } from 'vitest'
import { readBackup, type Backup } from '../../core/exchange/backup/backup'
import type { BladePhoto } from '../../core/records/storage/bladePhoto'
import { readBackupStream } from './backupStream'

let folder: string
beforeEach(() => (folder = mkdtempSync(join(tmpdir(), 'jaw-tilt-stream-'))))
const id = (n: number) => `00000000-0000-4000-8000-${String(n).padStart(12, '0')}`
const at = '2026-11-27T08:00:00.000Z'
const picture = (n: number): BladePhoto => {
  const image = `data:image/png;base64,${Buffer.from(`picture ${n}`.repeat(40)).toString('base64')}`
  return { id: id(100 + n), bladeId: id(1), caption: `Nº ${n}, „Klinge“ 刃`, image, createdAt: at }
}
const pictures = Array.from({ length: 11 }, (_, n) => picture(n))
const file = {
  format: 'jaw-tilt',
  version: 2,
  savedAt: at,
  preferences: { unit: 'mm', angles: 'per-side', sideNames: { A: 'A', B: 'B' }, revision: 0 },
  log: [],
  bladePhotos: pictures,
  rigVersions: [],
  things: {
    blades: [
      {
        id: id(1),
        revision: 1,
        createdAt: at,
        updatedAt: at,
        archivedAt: null,
        version: 3,
        content: { name: 'Klinge' },
      },
    ],
  },
}
/** In pieces that cut words, numbers and characters in two. */
async function* pieces(text: string, size = 7): AsyncIterable<Buffer> {
  const bytes = Buffer.from(text)
  for (let from = 0; from < bytes.length; from += size) yield bytes.subarray(from, from + size)
}
const read = (value: unknown) => readBackupStream(pieces(JSON.stringify(value)), folder)

it('what comes in pieces is what it is at once, its pictures one part after the other; nothing is left behind', async () => {
  const streamed = await read(file)
  const whole = readBackup(JSON.parse(JSON.stringify(file)))
  if (!streamed.ok || !whole.ok) throw new Error('not read')
  expect(streamed.backup).toEqual({ ...whole.backup, bladePhotos: [] })
  const parts: (readonly BladePhoto[])[] = []
  for await (const part of streamed.pictures.parts(4)) parts.push(part)
  expect(parts.map((part) => part.length)).toEqual([4, 4, 3])
  expect(parts.flat()).toEqual(pictures)
  expect(readdirSync(folder)).toHaveLength(1)
  streamed.close()
  expect(readdirSync(folder)).toEqual([])
})

it('a bad row is skipped and named, the others come in; what is no backup is refused, and nothing is left behind', async () => {
  const deep = `${'{"in":'.repeat(6000)}1${'}'.repeat(6000)}`
  const [blade] = file.things.blades
  const bad = {
    ...file,
    bladePhotos: [
      ...pictures.slice(0, 9),
      { ...picture(9), image: 'http://elsewhere' },
      { ...picture(0), caption: 'x\0' },
    ],
    things: { blades: [...file.things.blades, { ...blade, id: id(2), content: { name: 'Deep', deep: 'DEEP' } }] },
    rigVersions: [{ thingId: 'mine' }],
    log: [{ id: id(3), kind: 'reading', at: '0000-01-01T00:00:00.000Z', version: 1, content: {} }],
  }
  const some = await readBackupStream(pieces(JSON.stringify(bad).replace('"DEEP"', deep)), folder)
  if (!some.ok) throw new Error('refused')
  expect([some.backup.things.blades.length, some.pictures.bladeIds.length]).toEqual([1, 9])
  expect(some.skipped.count).toBe(5)
  expect(some.skipped.first.map(({ list, problems }) => [list, problems[0]!.code])).toEqual([
    ['blades', 'nested-too-deep'],
    ['rigVersions', 'wrong-kind'],
    ['log', 'not-a-date'],
    ['bladePhotos', 'not-a-picture'],
    ['bladePhotos', 'text-unkeepable'],
  ])
  some.close()
  const things = { blades: [{ ...file.things.blades[0], revision: 'two' }] } as unknown as Backup['things']
  expect(await read({ ...file, things })).toMatchObject({ problems: [{ field: 'blades.revision' }] })
  for (const text of ['', '{', JSON.stringify(file).slice(0, -1), `${JSON.stringify(file)}}`, '{"a":01}', '[1,]'])
    expect(await readBackupStream(pieces(text), folder), text.slice(-9)).toEqual({ ok: false, code: 'not-json' })
  for (const value of [null, 3, [], { bladePhotos: {} }, { bladePhotos: { a: 1 } }])
    expect(await read(value)).toMatchObject({ ok: false, code: 'invalid' })
  expect(readdirSync(folder)).toEqual([])
})

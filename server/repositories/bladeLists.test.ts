import { afterAll, beforeAll, expect, it } from 'vitest'
import { bladePage } from '../../core/exchange/api/lists'
import type { BladeRecord, JobRecord } from '../../core/records/storage/kinds'
import { blade } from '../../core/records/blade/blade'
import { job } from '../../core/records/job/job'
import { plantSamples } from '../demo/plantSamples'
import type { OpenDatabase } from '../store/database'
import { freshDatabase } from '../store/freshDatabase.fixture'
import { pageOfBlades } from './bladeLists'
import { askedPart } from './partOfList'
import { recordRepository } from './recordRepository'

let open: OpenDatabase
let blades: BladeRecord[]
let jobs: JobRecord[]
const asked = askedPart.parse({ limit: 99 })
beforeAll(async () => {
  open = await freshDatabase()
  await plantSamples(open.db)
  blades = (await recordRepository(open.db, 'blades').list()).records
  jobs = (await recordRepository(open.db, 'jobs').list()).records
}, 60_000)
afterAll(() => open.close())
const page = (more: Partial<typeof asked> | { from: string | null }) => pageOfBlades(open.db, { ...asked, ...more })
const ids = (records: readonly { id: string }[]) => records.map(({ id }) => id)

it('the blades come in parts, each once, the one first that was done last', async () => {
  const done = jobs[2]!
  await recordRepository(open.db, 'jobs').update(done.id, done.revision, { ...job.parse(done), notes: 'Once more.' })
  const parts: BladeRecord[] = []
  let from: string | null = null
  do {
    const part = await page({ from, limit: 3 })
    expect(bladePage.safeParse(JSON.parse(JSON.stringify(part))).success).toBe(true)
    expect(part.total).toBe(blades.length)
    parts.push(...part.records)
    from = part.next
  } while (from)
  expect(parts[0]!.id).toBe(done.bladeId)
  expect(ids(parts).sort()).toEqual(ids(blades).sort())
})

it('each says when it was last done and on which rig; one that never was says nothing', async () => {
  const { last } = await page({})
  const newest = new Map<string, JobRecord>()
  for (const one of (await recordRepository(open.db, 'jobs').list(true)).records)
    if ((newest.get(one.bladeId)?.updatedAt ?? '') < one.updatedAt) newest.set(one.bladeId, one)
  expect(new Map(last.map(({ bladeId, rigId, updatedAt }) => [bladeId, [rigId, updatedAt]]))).toEqual(
    new Map([...newest].map(([bladeId, { rigId, updatedAt }]) => [bladeId, [rigId, updatedAt]])),
  )
})

it('they are found by name, owner and use, and those put away are a list of their own', async () => {
  const [one] = blades
  const repository = recordRepository(open.db, 'blades')
  const said = { ...blade.parse(one), name: 'Quince knife', owner: 'Orchard wall', use: 'grafting quinces' }
  const written = await repository.update(one!.id, one!.revision, said)
  for (const search of ['QUINCE kni', 'orchard', 'quinces graft'])
    expect(ids((await page({ search })).records)).toEqual([one!.id])
  expect((await page({ search: 'quince plum' })).records).toEqual([])
  await repository.archive(one!.id, written.ok ? written.kept.revision : 0)
  expect(ids((await page({ away: true })).records)).toEqual([one!.id])
  expect(await page({})).toMatchObject({ total: blades.length - 1, elsewhere: 1 })
})

import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { evaluate } from '../../core/uncertainty/evaluate'
import { evenEdgePoints } from '../../core/math/curve/edgePoints'
import { plantDemo } from '../demo/plantSamples'
import { demoStones } from '../demo/stones'
import { blade } from '../../core/records/blade/blade'
import { job } from '../../core/records/job/job'
import { owner } from '../../core/records/owner/owner'
import { bellyBlade } from '../../core/geometry/setup/sampleSetup.fixture'
import type { RecordKind } from '../../core/records/storage/kinds'
import { rigMeasures } from '../../core/records/rig/rig'
import type { OpenDatabase } from '../store/database'
import { freshDatabase } from '../store/freshDatabase.fixture'
import { listOwnerNames } from './ownerNames'
import { listRigVersions } from './versionRepository'
import { recordRepository } from './recordRepository'
import { readPreferences, writePreferences } from './preferencesRepository'

let open: OpenDatabase
beforeAll(async () => {
  open = await freshDatabase()
  await plantDemo(open.db)
}, 60_000)
afterAll(() => open.close())

describe('what is kept', () => {
  it('counts revisions, and a write from an outdated one changes nothing and hands back what is stored', async () => {
    const stones = recordRepository(open.db, 'stones')
    const made = await stones.create({ ...demoStones[0]!, name: 'Spare' })
    if (!made.ok) throw new Error(made.code)
    expect(made.kept.revision).toBe(1)
    const second = await stones.update(made.kept.id, 1, { ...demoStones[0]!, name: 'Spare, flattened' })
    expect(second).toMatchObject({ ok: true, kept: { revision: 2, name: 'Spare, flattened' } })
    const late = await stones.update(made.kept.id, 1, { ...demoStones[0]!, name: 'Too late' })
    expect(late).toMatchObject({ ok: false, code: 'outdated', current: { revision: 2, name: 'Spare, flattened' } })
  })

  it('the same id twice keeps one record, so a repeated send does no harm', async () => {
    const stones = recordRepository(open.db, 'stones')
    const id = '0197a000-0000-7000-8000-000000000001'
    await stones.create({ ...demoStones[1]!, name: 'Once' }, id)
    const again = await stones.create({ ...demoStones[1]!, name: 'Twice' }, id)
    expect(again).toMatchObject({ ok: true, kept: { name: 'Once' } })
  })

  it('archived records leave the list and come back', async () => {
    const blades = recordRepository(open.db, 'blades')
    const [first] = (await blades.list()).records
    await blades.archive(first!.id, 1)
    expect((await blades.list()).records.some((b) => b.id === first!.id)).toBe(false)
    await blades.restore(first!.id, 2)
    expect((await blades.find(first!.id))?.archivedAt).toBeNull()
  })

  it('a job that names a stone that is not there, or something that is no stone, is refused at that field', async () => {
    const jobs = recordRepository(open.db, 'jobs')
    const [first] = (await jobs.list()).records
    const content = job.parse(first)
    for (const stoneId of ['0197a000-0000-7000-8000-00000000dead', content.bladeId])
      expect(await jobs.create({ ...content, stoneId })).toEqual({
        ok: false,
        code: 'no-such-link',
        field: 'stoneId',
        kind: 'stones',
      })
    const refused = { ok: false, code: 'no-such-link' }
    const { rigRevision } = content
    expect(await jobs.create({ ...content, progression: [content.stoneId, content.rigId] })).toEqual({
      ...refused,
      field: 'progression.1',
      kind: 'stones',
    })
    expect(await jobs.create({ ...content, rigRevision: rigRevision! + 7 })).toEqual({
      ...refused,
      field: 'rigRevision',
      kind: 'rigs',
    })
  })

  it('a rig keeps what it was at each change', async () => {
    const rigs = recordRepository(open.db, 'rigs')
    const [rig] = (await rigs.list()).records
    await rigs.update(rig!.id, 1, { ...rigMeasures.parse(rig), rodLengthMm: rig!.rodLengthMm + 5 })
    const before = (await listRigVersions(open.db)).filter((version) => version.rigId === rig!.id)
    const until: unknown = expect.any(String)
    expect(before).toEqual([{ rigId: rig!.id, revision: 1, content: rigMeasures.parse(rig), until }])
  })

  it('preferences begin with defaults and are not overwritten from an outdated state', async () => {
    const start = await readPreferences(open.db)
    expect(start).toMatchObject({ unit: 'mm', angles: 'per-side', revision: 0 })
    const { revision, ...wanted } = start
    expect(await writePreferences(open.db, revision, { ...wanted, unit: 'in' })).toMatchObject({
      unit: 'in',
      revision: 1,
    })
    expect(await writePreferences(open.db, 0, wanted)).toBeNull()
  })
})

describe('the demo data', () => {
  it('is planted once: four rigs of different kinds, thirteen blades, eight stones, and jobs that all have an angle', async () => {
    await plantDemo(open.db)
    const all = async <K extends RecordKind>(kind: K) => (await recordRepository(open.db, kind).list()).records
    const [rigs, blades, stones, jobs] = await Promise.all([all('rigs'), all('blades'), all('stones'), all('jobs')])
    expect(new Set(rigs.map((r) => r.kind)).size).toBe(4)
    expect(blades).toHaveLength(13)
    for (const job of jobs) {
      const rig = rigs.find((r) => r.id === job.rigId)!
      const blade = blades.find((b) => b.id === job.bladeId)!
      const stone = stones.find((s) => s.id === job.stoneId)!
      const edgePoints = evenEdgePoints(blade.edge, 100)
      const { sides } = evaluate({ rig, blade, stone, hold: job.hold }, job, edgePoints)
      for (const side of Object.values(sides)) {
        if (!side.ok) throw new Error(`${job.name}: ${side.code}`)
        expect(
          side.along.every((at) => at.ok),
          job.name,
        ).toBe(true)
        expect(Math.abs(side.contact.edgeAngleDeg - job.wanted.deg.A), job.name).toBeLessThan(6)
      }
    }
  })
})

describe('owners', () => {
  it('have names of their own, and a name that is changed is changed on their blades', async () => {
    const owners = recordRepository(open.db, 'owners')
    const blades = recordRepository(open.db, 'blades')
    const made = await owners.create(owner.parse({ name: 'Kitchen of the lodge' }))
    if (!made.ok) throw new Error(made.code)
    const knife = await blades.create(blade.parse({ ...bellyBlade, owner: 'Kitchen of the lodge' }))
    if (!knife.ok) throw new Error(knife.code)
    expect(await owners.create(owner.parse({ name: 'Kitchen of the lodge' }))).toMatchObject({ code: 'name-taken' })
    expect(await owners.update(made.kept.id, 1, owner.parse({ name: 'Lodge' }))).toMatchObject({ ok: true })
    expect(await blades.find(knife.kept.id)).toMatchObject({ owner: 'Lodge', revision: 2 })
    expect((await listOwnerNames(open.db)).find(({ name }) => name === 'Lodge')).toEqual({ name: 'Lodge', blades: 1 })
    // As it was: a change that came too late changes nothing, on its blades neither.
    expect(await owners.update(made.kept.id, 1, owner.parse({ name: 'Late' }))).toMatchObject({ code: 'outdated' })
    expect(await blades.find(knife.kept.id)).toMatchObject({ owner: 'Lodge' })
  })
})

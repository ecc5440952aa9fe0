import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { evaluate } from '../../core/evaluation/evaluate'
import { evenStations } from '../../core/curve/stations'
import { plantDemo } from '../demo/plantDemo'
import { demoStones } from '../demo/stones'
import { openDatabase, type OpenDatabase } from '../store/database'
import { keptRepository } from './keptRepository'
import { readPreferences, writePreferences } from './preferencesRepository'

let open: OpenDatabase
beforeAll(async () => {
  open = await openDatabase()
  await plantDemo(open.db)
}, 60_000)
afterAll(() => open.close())

describe('what is kept', () => {
  it('counts revisions, and a write from an outdated one changes nothing and hands back what is stored', async () => {
    const stones = keptRepository(open.db, 'stones')
    const made = await stones.create({ ...demoStones[0]!, name: 'Spare' })
    if (!made.ok) throw new Error(made.why)
    expect(made.kept.revision).toBe(1)
    const second = await stones.update(made.kept.id, 1, { ...demoStones[0]!, name: 'Spare, flattened' })
    expect(second).toMatchObject({ ok: true, kept: { revision: 2, name: 'Spare, flattened' } })
    const late = await stones.update(made.kept.id, 1, { ...demoStones[0]!, name: 'Too late' })
    expect(late).toMatchObject({ ok: false, why: 'outdated', current: { revision: 2, name: 'Spare, flattened' } })
  })

  it('the same id twice keeps one thing, so a repeated send does no harm', async () => {
    const stones = keptRepository(open.db, 'stones')
    const id = '0197a000-0000-7000-8000-000000000001'
    await stones.create({ ...demoStones[1]!, name: 'Once' }, id)
    const again = await stones.create({ ...demoStones[1]!, name: 'Twice' }, id)
    expect(again).toMatchObject({ ok: true, kept: { name: 'Once' } })
  })

  it('archived things leave the list and come back', async () => {
    const blades = keptRepository(open.db, 'blades')
    const [first] = await blades.list()
    await blades.archive(first!.id, 1)
    expect((await blades.list()).some((b) => b.id === first!.id)).toBe(false)
    await blades.restore(first!.id, 2)
    expect((await blades.find(first!.id))?.archivedAt).toBeNull()
  })

  it('a job that names a stone that is not there is refused at that field', async () => {
    const setups = keptRepository(open.db, 'setups')
    const [{ id, revision, createdAt, updatedAt, archivedAt, ...content }] = (await setups.list()) as [
      Awaited<ReturnType<typeof setups.list>>[number],
    ]
    expect([id, revision, createdAt, updatedAt, archivedAt]).toHaveLength(5)
    const written = await setups.create({ ...content, stoneId: '0197a000-0000-7000-8000-00000000dead' })
    expect(written).toEqual({ ok: false, why: 'unknown-reference', field: 'stoneId' })
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
  it('is planted once: four rigs of different kinds, eight blades, eight stones, and jobs that all have an angle', async () => {
    await plantDemo(open.db)
    const [rigs, blades, stones, setups] = await Promise.all([
      keptRepository(open.db, 'rigs').list(),
      keptRepository(open.db, 'blades').list(),
      keptRepository(open.db, 'stones').list(),
      keptRepository(open.db, 'setups').list(),
    ])
    expect(new Set(rigs.map((r) => r.kind)).size).toBe(4)
    expect(blades).toHaveLength(8)
    for (const setup of setups) {
      const rig = rigs.find((r) => r.id === setup.rigId)!
      const blade = blades.find((b) => b.id === setup.bladeId)!
      const stone = stones.find((s) => s.id === setup.stoneId)!
      const stations = evenStations(blade.edge, 100)
      const { sides } = evaluate({ rig, blade, stone, held: setup.held }, setup, stations)
      for (const side of Object.values(sides)) {
        if (!side.ok) throw new Error(`${setup.name}: ${side.reason}`)
        expect(
          side.along.every((at) => at.ok),
          setup.name,
        ).toBe(true)
        expect(Math.abs(side.contact.edgeAngleDeg - setup.wanted.aDeg), setup.name).toBeLessThan(6)
      }
    }
  })
})

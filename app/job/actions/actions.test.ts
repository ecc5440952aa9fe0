import { effectScope } from 'vue'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { bellyBlade, plainStone, postRig, slotRig } from '#core/geometry/setup/sampleSetup.fixture'
import type { LogEntry } from '#core/log/entry'
import { job as jobSchema } from '#core/records/job/job'
import { gripOf } from '#core/geometry/hold/grip'
import type { JobRecord } from '#core/records/storage/kinds'
import { testStorage } from '~/saving/storage.fixture'
import { jobSession } from '../session'
import { jobState, type Stores } from '../state'
import { benchActions } from './benchActions'

const id = (n: number) => `0197a000-0000-7000-8000-${String(n).padStart(12, '0')}`
const at = '2026-05-01T09:00:00.000Z'
const meta = (n: number) => ({ id: id(n), revision: 1, createdAt: at, updatedAt: at, archivedAt: null })
const rigs = [
  { ...postRig, ...meta(1) },
  { ...slotRig, ...meta(2) },
]
const sabre = { ...bellyBlade, primaryGrindHeightMm: 14, widthMm: 28 }
const blades = [
  { ...sabre, ...meta(3), name: 'Garden knife' },
  { ...sabre, ...meta(4), name: 'Second knife' },
]
const stones = [{ ...plainStone, ...meta(5) }]
const start: JobRecord = {
  ...jobSchema.parse({
    name: 'Garden knife',
    rigId: id(1),
    bladeId: id(3),
    stoneId: id(5),
    hold: { bladeXMm: 40, bladeYMm: 8, turnDeg: 0 },
    dialled: { A: { by: 'millimetres', mm: 43 }, B: { by: 'millimetres', mm: 43 }, linked: true },
    wanted: { deg: { A: 20, B: 20 }, linked: true },
  }),
  ...meta(9),
}

const scope = effectScope()
function bench() {
  const log: LogEntry[] = []
  const session = jobSession(start, {
    local: testStorage(),
    session: testStorage(),
    now: () => new Date(at),
    append: (entries) => log.push(...entries),
    fetch: async () => ({ ok: true, value: start }),
    send: async (changed, revision) => ({ ok: true, value: { ...start, ...changed, revision: revision + 1 } }),
  })
  const collections = {
    rigs,
    blades,
    stones,
    rigAt: (rigId: string) => rigs.find((rig) => rig.id === rigId),
    jobsByTime: [],
    learnAround: async () => undefined,
  }
  const stores = { collections, preferences: { unit: 'mm' }, log: { ofJob: () => log } } as unknown as Stores
  const job = scope.run(() => jobState(session, stores))!
  return { job, log, actions: benchActions(job, stores) }
}

describe('what hands do at the bench', () => {
  beforeEach(() => void vi.useFakeTimers())
  afterEach(() => void vi.useRealTimers())

  it('a figure beyond what there is changes nothing, and is answered with its limit', () => {
    const { job, actions } = bench()
    const before = job.content.value
    expect(actions.setPivotHeight(120)).toBe('This rig’s pivot stands between 20.0 mm and 90.0 mm.')
    expect(actions.setBladeHeight(0)).toMatch(/^The edge must stand out of the jaws/)
    expect(actions.setTurn(60)).toBe('A blade can be turned 45° at most.')
    expect(actions.setCentring({ centreOffsetMm: 12 })).toBe('A blade in these jaws is 10 mm off centre at most.')
    expect(actions.setCentring({ tiltDeg: -11 })).toBe('A blade in these jaws is tilted 10° at most.')
    expect(actions.lookAtTyped(4000)).toMatch(/^The edge goes from the heel to \d+\.\d mm from it\.$/)
    expect(actions.moveBlade(5000, 0, 'drag-1')).toBe('The blade cannot be moved or turned any farther.')
    expect(job.content.value).toBe(before)
  })

  it('the blade is not drawn out of the jaws; once beside them it may go anywhere', () => {
    const { job, actions } = bench()
    expect(actions.moveBlade(0, 20)).toMatch(/^The jaws would not touch the blade: here they hold it .* out\.$/)
    job.change('beside', { hold: { ...job.content.value.hold, bladeYMm: -20 } })
    expect(actions.moveBlade(0, 5)).toBeNull()
    expect(actions.moveBlade(0, -30)).toBeNull()
    expect(gripOf(sabre, postRig).touches(job.content.value.hold)).toBe(true)
  })

  it('one dial for both sides turns for both and is noted for both; apart, for the side that is up', () => {
    const { job, log, actions } = bench()
    const setting = { by: 'millimetres', mm: 50 } as const
    expect(actions.noteDialled(setting)).toBeNull()
    expect(job.content.value.dialled).toMatchObject({ A: setting, B: setting })
    expect(log.map((entry) => entry.kind === 'dialled' && entry.side)).toEqual(['A', 'B'])
    job.change('apart', { dialled: { ...job.content.value.dialled, linked: false } })
    job.turnOver()
    actions.stepDial(1)
    expect(job.content.value.dialled).toMatchObject({ A: setting, B: { by: 'millimetres', mm: 50.5 } })
  })

  it('looking elsewhere is no change of the job; dialling for another place, or another blade, ends it', async () => {
    const { job, actions } = bench()
    const before = job.content.value
    actions.lookAt(70)
    expect([job.content.value, job.session.canUndo.value]).toEqual([before, null])
    expect(job.evaluation.value.edgePoint.fromHeelMm).toBeCloseTo(70, 6)
    expect(job.dialFor.value.edgePoint.fromHeelMm).toBeCloseTo(40, 6)
    actions.dialForPlace(55)
    expect([job.lookAtMm.value, job.placeMm.value]).toEqual([null, 55])
    actions.lookAt(70)
    await actions.chooseBlade(id(4))
    expect([job.lookAtMm.value, job.content.value.name]).toEqual([null, 'Second knife'])
    actions.lookAt(70)
    job.session.goBack()
    expect([job.lookAtMm.value, job.content.value.bladeId]).toEqual([null, id(3)])
  })

  it('another rig is dialled in its own language for the wanted angle, and the way back brings the old dial', () => {
    const { job, actions } = bench()
    const { dialled } = job.content.value
    actions.chooseRig(id(2))
    expect(job.content.value).toMatchObject({ rigId: id(2), dialled: { A: { by: 'slot' } } })
    expect(job.up.value.ok).toBe(true)
    actions.chooseRig(id(1))
    expect(job.content.value).toMatchObject({ rigId: id(1), dialled })
  })
})

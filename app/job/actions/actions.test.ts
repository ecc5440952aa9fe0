import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { gripOf } from '#core/geometry/hold/grip'
import { closeTestJob, id, openTestJob } from '../openJob.fixture'

const bench = async () => {
  const { job, log } = await openTestJob()
  return { job, log, actions: job.actions }
}

describe('what hands do at the bench', () => {
  beforeEach(() => void vi.useFakeTimers())
  afterEach(() => {
    closeTestJob()
    vi.useRealTimers()
  })

  it('a figure beyond what there is changes nothing, and is answered with its limit', async () => {
    const { job, actions } = await bench()
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

  it('the blade is not drawn out of the jaws; once beside them it may go anywhere', async () => {
    const { job, actions } = await bench()
    expect(actions.moveBlade(0, 20)).toMatch(/^The jaws would not touch the blade: here they hold it .* out\.$/)
    job.change('beside', { hold: { ...job.content.value.hold, bladeYMm: -20 } })
    expect(actions.moveBlade(0, 5)).toBeNull()
    expect(actions.moveBlade(0, -30)).toBeNull()
    expect(gripOf(job.blade.value, job.rig.value).touches(job.content.value.hold)).toBe(true)
  })

  it('one dial for both sides turns for both and is noted for both; apart, for the side that is up', async () => {
    const { job, log, actions } = await bench()
    const setting = { by: 'millimetres', mm: 50 } as const
    expect(actions.noteDialled(setting)).toBeNull()
    expect(job.content.value.dialled).toMatchObject({ A: setting, B: setting })
    expect(log().map((entry) => entry.kind === 'dialled' && entry.side)).toEqual(['A', 'B'])
    job.change('apart', { dialled: { ...job.content.value.dialled, linked: false } })
    job.turnOver()
    actions.stepDial(1)
    expect(job.content.value.dialled).toMatchObject({ A: setting, B: { by: 'millimetres', mm: 50.5 } })
  })

  it('looking elsewhere is no change of the job; dialling for another place, or another blade, ends it', async () => {
    const { job, actions } = await bench()
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

  it('another rig is dialled in its own language for the wanted angle, and the way back brings the old dial', async () => {
    const { job, actions } = await bench()
    const { dialled } = job.content.value
    actions.chooseRig(id(2))
    expect(job.content.value).toMatchObject({ rigId: id(2), dialled: { A: { by: 'slot' } } })
    expect(job.up.value.ok).toBe(true)
    actions.chooseRig(id(1))
    expect(job.content.value).toMatchObject({ rigId: id(1), dialled })
  })
})

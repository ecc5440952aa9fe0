import { afterEach, describe, expect, it, vi } from 'vitest'
import { nextTick } from 'vue'
import { ANGLE_ALONE, type LogEntry } from '#core/log/entry'
import { clampPosition } from '#core/records/job/clampPosition'
import { bothSides, setupSaying } from '#core/log/setupSnapshot.fixture'
import { AT, closeTestJob, id, openTestJob } from '~/job/openJob.fixture'
import { useBevelCheck } from './bevel/useBevelCheck'
import { useGoniometer } from './useGoniometer'
import { useCalibration } from './calibrate/useCalibration'

afterEach(closeTestJob)
/** A fit takes half a second, and far longer on a busy machine. */
const FITTED = { timeout: 30_000 }

const hold = clampPosition.parse({ bladeXMm: 40, bladeYMm: 8, turnDeg: 0 })
const about = { at: AT, jobId: id(9), bladeId: id(3), stoneId: id(5), instrumentId: null }
/** A proof of a side, cut at a height through to the apex. */
const proof = (n: number, side: 'A' | 'B', deg: number, mm: number, setDeg: number): LogEntry => ({
  ...about,
  ...ANGLE_ALONE,
  id: id(n),
  kind: 'proof',
  side,
  deg,
  uncertaintyDeg: 0.1,
  placeMm: 40,
  zone: null,
  by: 'goniometer',
  toApex: true,
  setup: setupSaying({
    rigId: id(1),
    rigRevision: 1,
    stoneId: id(5),
    hold,
    setting: bothSides({ by: 'millimetres', mm }),
    setDeg: { A: setDeg, B: setDeg },
  }),
})
const width = (n: number, widthMm: number): LogEntry => ({
  ...about,
  id: id(n),
  kind: 'bevel-width',
  side: 'A',
  placeMm: 40,
  widthMm,
  uncertaintyMm: 0.05,
  zone: null,
  by: 'loupe',
  setup: null,
})

describe('the rig’s own errors', () => {
  /** Both sides came out 0.15° steeper than they were set: the tolerances explain that. */
  async function provedTooSteep() {
    const { job } = await openTestJob()
    const set = job.up.value
    const setDeg = set.ok ? set.contact.edgeAngleDeg : NaN
    const steeper = [proof(61, 'A', setDeg + 0.15, 43, setDeg), proof(62, 'B', setDeg + 0.15, 43, setDeg)]
    return { ...(await openTestJob({}, steeper)), setDeg }
  }

  it('what is surely right stays out of the fit, and comes back', async () => {
    const { use } = await provedTooSteep()
    const { every, mayMove, letMove, fit } = use(useCalibration)
    await vi.waitFor(() => expect(fit.value?.unknowns.length).toBe(every.value.length), FITTED)
    const [first] = every.value
    letMove(first!, false)
    expect(mayMove(first!)).toBe(false)
    await vi.waitFor(() => expect(fit.value?.unknowns.length).toBe(every.value.length - 1), FITTED)
    letMove(first!, true)
    expect(mayMove(first!)).toBe(true)
  })

  it('taken over are a new version of the rig that this job goes by, and can be put back', async () => {
    const { use, job, setDeg } = await provedTooSteep()
    const { fit, after, takeOver, before, putBack } = use(useCalibration)
    await vi.waitFor(() => expect(fit.value).not.toBeNull(), FITTED)
    const predicted = after.value?.evaluation.sides.A
    expect(before.value).toBeNull()
    await takeOver()
    expect(job.content.value.rigRevision).toBe(2)
    const now = job.up.value
    expect(now.ok && now.contact.edgeAngleDeg).toBeGreaterThan(setDeg + 0.05)
    expect(now.ok && predicted?.ok && now.contact.edgeAngleDeg - predicted.contact.edgeAngleDeg).toBeCloseTo(0, 9)
    expect(before.value?.revision).toBe(1)
    await putBack()
    const back = job.up.value
    expect(back.ok && back.contact.edgeAngleDeg).toBeCloseTo(setDeg, 9)
  })
})

describe('the width of a bevel', () => {
  it('is held against the angle that was proved nearest to it; where nothing was, against the set one', async () => {
    const { use, job } = await openTestJob({}, [width(71, 0.6)])
    const { angleAt, noted } = use(useBevelCheck)
    const set = job.up.value
    expect(angleAt('A', 40)?.deg).toBeCloseTo(set.ok ? set.contact.edgeAngleDeg : NaN, 9)
    const bySet = noted.value[0]!.checked!
    const { use: again } = await openTestJob({}, [width(71, 0.6), proof(61, 'A', 27, 43, 22)])
    const check = again(useBevelCheck)
    expect(check.angleAt('A', 40)?.deg).toBeGreaterThan(25)
    // Steeper, the same steel makes a narrower bevel.
    expect(check.noted.value[0]!.checked!.predictedMm).toBeLessThan(bySet.predictedMm)
  })
})

describe('a goniometer', () => {
  it('measures where the next step, or a hand, looks; and where the dial is for, once nobody looks elsewhere', async () => {
    const { use, job, log } = await openTestJob()
    const { form, put, note } = use(useGoniometer)
    expect(form.value.on.place).toBe('dial')
    job.lookAtMm.value = 71
    await nextTick()
    put('A', { edge: '20' })
    expect(note()).toBeNull()
    expect(log()).toMatchObject([{ kind: 'proof', side: 'A', placeMm: job.evaluation.value.edgePoint.fromHeelMm }])
    expect(job.evaluation.value.edgePoint.fromHeelMm).toBeCloseTo(71, 6)
    job.lookAtMm.value = null
    await nextTick()
    expect(form.value.on.place).toBe('dial')
  })
})

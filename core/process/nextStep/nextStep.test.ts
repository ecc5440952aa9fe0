import { describe, expect, it } from 'vitest'
import { evenEdgePoints } from '../../math/curve/edgePoints'
import { evaluate } from '../../uncertainty/evaluate'
import { settingOfHeight } from '../../records/rig/dial'
import type { DialSetting } from '../../records/rig/dials/readings'
import { ANGLE_ALONE, type LogEntry, type Proof, type Reading } from '../../log/entry'
import { gripOf } from '../../geometry/hold/grip'
import { armsRig, heldSetup, postRig, tableRig } from '../../geometry/setup/sampleSetup.fixture'
import { whatToDial } from '../../geometry/dial/whatToDial'
import type { Setup } from '../../geometry/setup/setup'
import { nextStep, stationState } from './nextStep'

const known = {
  bladeHeightToleranceMm: 0.5,
  holdTolerance: { alongMm: 1, turnDeg: 0.5, centreOffsetMm: 0.1, tiltDeg: 0.2 },
}
const WANTED = 24
const ID = '0197a000-0000-7000-8000-000000000001'

/** The step of a job that wants 24°, dialled as advised unless it says otherwise. */
function stepOf(
  log: readonly LogEntry[] = [],
  change: Partial<Setup> = {},
  more: { heightMm?: number; why?: string; deg?: number; noted?: boolean } = {},
) {
  const setup = { ...heldSetup, ...change }
  const deg = more.deg ?? WANTED
  const edgePoints = evenEdgePoints(setup.blade.edge, 60)
  const place = { dialForMm: null }
  const begin = {
    A: settingOfHeight(setup.rig, more.heightMm ?? 60),
    B: settingOfHeight(setup.rig, more.heightMm ?? 60),
  }
  const { edgePoint } = evaluate(setup, { dialled: { ...begin, linked: true }, ...place, ...known }, edgePoints)
  const best = whatToDial(setup, 'A', deg, edgePoint)
  const dial = more.heightMm === undefined && best.ok ? best.setting : begin.A
  const dialled = { A: dial, B: dial, linked: true }
  const evaluation = evaluate(setup, { dialled, ...place, ...known }, edgePoints)
  const wanted = { deg: { A: deg, B: deg }, linked: true, why: more.why ?? 'Garden.' }
  const job = {
    rigId: ID,
    bladeId: ID,
    stoneId: ID,
    wanted,
    dialled,
    gaugeZero: 'centre-plane' as const,
    gaugeAxes: 'one' as const,
  }
  const noted = more.noted === false ? [] : (['A', 'B'] as const).map((side) => dialledAs(side, dial))
  return { step: nextStep({ setup, job, evaluation, log: [...noted, ...log] }), evaluation }
}
const setDeg = () => {
  const { A } = stepOf().evaluation.sides
  return A.ok ? A.contact.edgeAngleDeg : NaN
}
const mustRead = () => {
  const { step } = stepOf()
  return step.does === 'read' ? step.mustReadDeg : NaN
}
const about = {
  at: '2026-05-01T09:00:00.000Z',
  jobId: null,
  bladeId: null,
  stoneId: null,
  instrumentId: null,
  placeMm: null,
  uncertaintyDeg: 0.1,
}
const dialledAs = (side: 'A' | 'B', setting: DialSetting): LogEntry => ({
  ...about,
  id: `d${side}`,
  kind: 'dialled',
  rigId: ID,
  stoneId: ID,
  side,
  setting,
})
const reading = (side: 'A' | 'B', deg: number): Reading => ({
  ...about,
  id: `r${side}`,
  kind: 'reading',
  side,
  deg,
  zero: 'centre-plane',
  expectedDeg: null,
})
const proof = (side: 'A' | 'B', deg: number): Proof => ({
  ...about,
  id: `p${side}`,
  kind: 'proof',
  ...ANGLE_ALONE,
  side,
  deg,
  zone: null,
  by: 'goniometer',
})

describe('the one next step', () => {
  it('is to say what the edge should have while nobody did, and not once something was read', () => {
    expect(stepOf([], {}, { why: '', deg: 20 }).step).toEqual({ does: 'say-wanted', at: 'blade' })
    expect(stepOf([], {}, { why: '', deg: 21 }).step.does).not.toBe('say-wanted')
    expect(stepOf([reading('A', 20)], {}, { why: '', deg: 20 }).step.does).not.toBe('say-wanted')
  })

  it('is to mend the hold where a side has no angle, with the reason', () => {
    const short = { rig: { ...postRig, rodLengthMm: 110 } }
    expect(stepOf([], short).step).toMatchObject({ does: 'mend-hold', side: 'A', refusal: { code: 'beyond-rod' } })
  })

  it('is another hold where the spine slips out of these jaws, and says by which measure', () => {
    const thick = { blade: { ...heldSetup.blade, spineThicknessMm: 6 } }
    expect(stepOf([], thick).step).toEqual({ does: 'hold-otherwise', at: 'clamp', spineMm: 6, mostMm: 5 })
  })

  it('is to clear the jaws where the stone meets them', () => {
    const bulky = { rig: { ...postRig, jaws: { ...postRig.jaws!, halfThicknessMm: 20 } } }
    expect(stepOf([], bulky).step).toMatchObject({ does: 'clear-jaws', side: 'A' })
  })

  it('is to hold the blade where the jaws have it, before anything else, and there they do', () => {
    const grip = gripOf(heldSetup.blade, heldSetup.rig)
    const out = { ...heldSetup.hold, bladeYMm: 2 }
    const { step } = stepOf([], { hold: out })
    expect(step).toMatchObject({ does: 'mend-grip', at: 'clamp', trouble: 'too-little-held' })
    expect(step.does === 'mend-grip' && step.instead && grip.trouble(step.instead)).toBeNull()
    const wider = { ...postRig, jaws: { ...postRig.jaws!, widthMm: 120 } }
    expect(stepOf([], { rig: wider }).step).toMatchObject({ trouble: 'off-the-blade', instead: null })
    expect(stepOf([], { rig: tableRig, hold: out }).step.does).not.toBe('mend-grip')
  })

  it('advises no dial at which the stone would meet the jaws, and one that lifts it over them', () => {
    const jaws = (halfThicknessMm: number) => ({ rig: { ...postRig, jaws: { ...postRig.jaws!, halfThicknessMm } } })
    const degreesOver = (high: number) => (Math.atan2(high + heldSetup.blade.spineThicknessMm / 2, 20) * 180) / Math.PI
    // Set steeper than wanted it clears them; dialled as wanted it would not.
    expect(degreesOver(8)).toBeGreaterThan(WANTED)
    expect(stepOf([], jaws(8), { heightMm: 72 }).step).toMatchObject({ does: 'clear-jaws', side: 'A' })
    expect(degreesOver(6.5)).toBeLessThan(WANTED)
    expect(stepOf([], jaws(6.5), { heightMm: 45 }).step).toMatchObject({ does: 'dial', side: 'A' })
  })

  it('is to dial what is advised, unless what is dialled is as good as this rig can', () => {
    const { step } = stepOf([], {}, { heightMm: 45 })
    expect(step).toMatchObject({ does: 'dial', side: 'A' })
    expect(step.does === 'dial' && Math.abs(step.givesDeg - WANTED)).toBeLessThan(0.3)
    expect(stepOf().step.does).toBe('read')
  })

  it('one dial for two sides that want other marks is set once it is as good for both as it can be', () => {
    const rig = { ...armsRig, pivotB: { setbackMm: 101, alongMm: 0 } }
    const { edgePoint } = stepOf([], { rig }).evaluation
    const setup = { ...heldSetup, rig }
    const [a, b] = (['A', 'B'] as const).map((side) => whatToDial(setup, side, WANTED, edgePoint))
    // The arms differ: their best marks do.
    expect(a?.ok && b?.ok && a.setting).not.toEqual(b?.ok && b.setting)
    // Dialled as is best for A, and noted on both: neither side is sent to the other's mark and back.
    expect(stepOf([], { rig }).step.does).toBe('read')
    expect(stepOf([], { rig }, { heightMm: 45 }).step.does).toBe('dial')
  })

  it('after another setting was dialled, what was proved with the one before is the past: it is read anew', () => {
    const cut = (mm: number) => ({
      rigId: ID,
      rigRevision: 1,
      setting: { by: 'millimetres' as const, mm },
      hold: heldSetup.hold,
      setDeg: 24,
    })
    const proved = (mm: number) =>
      (['A', 'B'] as const).map((side) => ({ ...proof(side, 21), stoneId: ID, cut: cut(mm) }))
    const { step, evaluation } = stepOf(proved(20))
    expect(step).toMatchObject({ does: 'read', side: 'A' })
    const { A } = evaluation.sides
    const setting = A.ok ? settingOfHeight(postRig, A.pivotHeightMm) : null
    expect(setting?.by === 'millimetres' && stepOf(proved(setting.mm)).step.does).toBe('explain-proof')
  })

  it('what was chosen is not dialled until a hand has said so, or has read or proved that side', () => {
    expect(stepOf([], {}, { noted: false }).step).toMatchObject({ does: 'dial', side: 'A' })
    expect(stepOf([reading('A', mustRead())], {}, { noted: false }).step).toMatchObject({ does: 'dial', side: 'B' })
    const both = [reading('A', mustRead()), proof('B', setDeg())]
    expect(stepOf(both, {}, { noted: false }).step).toMatchObject({ does: 'prove', side: 'A' })
  })

  it('then reads side by side; what differs is explained before anything is proved', () => {
    expect(stepOf().step).toMatchObject({ does: 'read', at: 'clamp', side: 'A' })
    expect(stepOf([reading('A', mustRead())]).step).toMatchObject({ does: 'read', side: 'B' })
    expect(stepOf([reading('A', mustRead() + 2)]).step).toMatchObject({ does: 'explain-reading', side: 'A' })
    expect(stepOf([reading('A', mustRead()), reading('B', mustRead())]).step).toEqual({
      does: 'prove',
      at: 'prove',
      side: 'A',
    })
  })

  it('a side that was proved needs no reading', () => {
    expect(stepOf([proof('A', setDeg())]).step).toMatchObject({ does: 'read', side: 'B' })
  })

  it('a proof that is off what was set by more than both uncertainties is to be explained; else the edge is put to use', () => {
    const off = stepOf([proof('A', setDeg()), proof('B', setDeg() - 2)]).step
    expect(off).toMatchObject({ does: 'explain-proof', side: 'B', offDeg: expect.closeTo(-2, 9) as number })
    const done = stepOf([proof('A', setDeg()), proof('B', setDeg() + 0.1)]).step
    expect(done.does).toBe('put-to-use')
    expect(done.does === 'put-to-use' && done.offDeg).toBeCloseTo(setDeg() + 0.1 - WANTED, 6)
  })

  it('of a blade with one bevel only that side counts', () => {
    const oneBevel = { blade: { ...heldSetup.blade, bevels: 'A' as const } }
    expect(stepOf([proof('A', setDeg())], oneBevel).step.does).toBe('put-to-use')
  })

  it('the edge points before it are settled, those behind it open', () => {
    const step = { does: 'prove', at: 'prove', side: 'A' } as const
    expect(['rig', 'grind', 'prove', 'use'].map((id) => stationState(id as 'rig', step))).toEqual([
      'settled',
      'settled',
      'next',
      'open',
    ])
  })

  it('who has just looked at the ink looks on, until something else is noted', () => {
    const zone = { kind: 'heel' as const, fromMm: 0, toMm: 40, setDeg: 20, widthMm: 0.7, primaryDeg: 3 }
    const look: LogEntry = {
      ...about,
      id: 'look',
      bladeId: ID,
      kind: 'ink-look',
      side: 'B',
      setting: { by: 'millimetres', mm: 60 },
      setUncertaintyDeg: 0.3,
      zones: [{ ...zone, seen: 'shoulder', fraction: 0.2 }],
    }
    expect(stepOf([look]).step).toEqual({ does: 'look-on', at: 'mark', side: 'B' })
    // Of a blade that the job had before it says nothing.
    expect(stepOf([{ ...look, bladeId: null }]).step.does).not.toBe('look-on')
    expect(stepOf([look, reading('A', mustRead())]).step.does).not.toBe('look-on')
  })
})

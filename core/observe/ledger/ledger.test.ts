import { describe, expect, it } from 'vitest'
import { edgePointAt } from '../../math/curve/edgePoints'
import { zonesOfBlade } from '../../records/blade/zones'
import { meanProof, meanReading } from '../../log/meanReading'
import { ANGLE_ALONE, type Proof, type Reading } from '../../log/entry'
import { contactFor, type Setup } from '../../geometry/setup/setup'
import { heldSetup } from '../../geometry/setup/sampleSetup.fixture'
import { bothSides, setupSaying } from '../../log/setupSnapshot.fixture'
import { provedAgainst, readAgainst, type JobAsSet } from './against'
import { zoneAngles } from './zoneAngles'

const [RIG, STONE, OTHER] = ['rig', 'stone', 'other']
const known = {
  bladeHeightToleranceMm: 0.5,
  holdTolerance: { alongMm: 1, turnDeg: 0.5, centreOffsetMm: 0.1, tiltDeg: 0.2 },
}
const at = (mm: number) => ({ by: 'millimetres' as const, mm })
const { blade } = heldSetup
const zones = zonesOfBlade(blade)
const tip = zones.at(-1)!
const tipMm = (tip.fromMm + tip.toMm) / 2
const thicker = { ...heldSetup.stone, faceOffsetMm: 9 }
const now: JobAsSet = {
  setup: heldSetup,
  job: {
    rigId: RIG!,
    stoneId: STONE!,
    dialled: { A: at(45), B: at(45), linked: true },
    gaugeZero: 'centre-plane',
    gaugeAxes: 'one',
  },
  setNow: setupSaying({ rigId: RIG, stoneId: STONE, setting: bothSides(at(45)), hold: heldSetup.hold }),
  dialFor: edgePointAt(blade.edge, 40),
  zones,
  stoneOf: (id) => (id === OTHER ? thicker : undefined),
}
const setDeg = (placeMm: number, mm = 45, setup: Setup = heldSetup) => {
  const contact = contactFor(setup, 'A', at(mm), edgePointAt(blade.edge, placeMm))
  return contact.ok ? contact.edgeAngleDeg : NaN
}
const minute = (n: number) => new Date(Date.UTC(2026, 4, 1, 9, n)).toISOString()
const about = {
  jobId: null,
  bladeId: null,
  stoneId: STONE!,
  instrumentId: null,
  side: 'A' as const,
  uncertaintyDeg: 0.1,
}
const proof = (n: number, more: Partial<Proof> = {}): Proof => ({
  ...about,
  ...ANGLE_ALONE,
  id: String(n),
  at: minute(n),
  kind: 'proof',
  placeMm: 40,
  zone: null,
  deg: 20,
  by: 'goniometer',
  ...more,
})
const reading = (n: number, more: Partial<Reading> = {}): Reading => ({
  ...about,
  id: String(n),
  at: minute(n),
  kind: 'reading',
  placeMm: 40,
  deg: 20,
  zero: 'centre-plane',
  expectedDeg: null,
  setup: null,
  ...more,
})
const cut = (mm: number, rigId = RIG!, stoneId = STONE!) =>
  setupSaying({ rigId, stoneId, setting: bothSides(at(mm)), hold: heldSetup.hold, setDeg: { A: 33, B: 33 } })
const against = (...proofs: Proof[]) => provedAgainst(now, 'A', meanProof(proofs, 'A')!)

describe('what was proved', () => {
  it('is compared with the set angle of its own place, not of the one that the dial is for', () => {
    expect(Math.abs(setDeg(tipMm) - setDeg(40))).toBeGreaterThan(0.5)
    expect(against(proof(1, { placeMm: tipMm })).differsDeg).toBeCloseTo(20 - setDeg(tipMm), 9)
    expect(against(proof(1, { placeMm: null, zone: 'tip', by: 'ink' })).differsDeg).toBeCloseTo(20 - setDeg(tipMm), 9)
    expect(against(proof(1, { placeMm: null })).placeMm).toBe(40)
    // Nothing was ground before it: it is what was there.
    expect(against(proof(1))).toMatchObject({ found: true, asSetNow: false })
  })

  it('belongs to the setting and the stone that it was cut with', () => {
    expect(against(proof(1, { setup: cut(45) }))).toMatchObject({ asSetNow: true, found: false })
    const earlier = against(proof(1, { setup: cut(50) }))
    expect(earlier.asSetNow).toBe(false)
    expect(earlier.differsDeg).toBeCloseTo(20 - setDeg(40, 50), 9)
    const onOther = against(proof(1, { setup: cut(45, RIG, OTHER) }))
    expect(onOther.asSetNow).toBe(false)
    expect(onOther.differsDeg).toBeCloseTo(20 - setDeg(40, 45, { ...heldSetup, stone: thicker }), 9)
  })

  it('on another rig, or with a stone that is gone, is compared with what was set then', () => {
    expect(against(proof(1, { setup: cut(45, 'sold') }))).toMatchObject({ set: null, differsDeg: -13, asSetNow: false })
    expect(against(proof(1, { setup: cut(45, RIG, 'gone') }))).toMatchObject({ set: null, differsDeg: -13 })
  })

  it('goes together with what was proved after the same cut alone', () => {
    const recut = [proof(1, { deg: 22, setup: cut(50) }), proof(9, { deg: 20, setup: cut(45) })]
    expect(meanProof(recut, 'A')!.deg).toBe(20)
    const through = [proof(1, { deg: 22, toApex: false }), proof(9, { deg: 20, toApex: true })]
    expect(meanProof(through, 'A')!.deg).toBe(20)
    expect(meanProof([proof(1, { deg: 22, setup: cut(45) }), proof(9, { setup: cut(45) })], 'A')!.deg).toBe(21)
  })
})

describe('what was read', () => {
  const read = (one: Reading, job: Partial<JobAsSet['job']> = {}) =>
    readAgainst({ ...now, job: { ...now.job, ...job } }, 'A', meanReading([one], 'A')!)

  it('is compared with what had to be read at its own place as the rig was set then', () => {
    const here = read(reading(1))
    expect(here.set).not.toBeNull()
    expect(read(reading(1, { placeMm: tipMm })).mustDeg).not.toBeCloseTo(here.mustDeg!, 1)
    const then = read(reading(1, { expectedDeg: 25 }))
    expect(then).toMatchObject({ mustDeg: 25, differsDeg: -5, set: null })
    expect(read(reading(1, { expectedDeg: here.mustDeg }), { gaugeZero: 'clamp' }).set).toBeNull()
  })
})

describe('the angles zone by zone', () => {
  const log = [
    proof(1, { deg: 19, setup: cut(50) }),
    proof(2, { deg: 20.2, placeMm: 30, setup: cut(45) }),
    proof(3, { deg: 20.4, placeMm: 40, setup: cut(45) }),
    proof(4, { deg: 18, placeMm: tipMm, setup: cut(45) }),
    reading(5, { placeMm: tipMm }),
  ]
  const rowsOf = () => zoneAngles(now, known, log, 'A')

  it('have each what was found in it after the newest cut, and what is set in its middle', () => {
    const rows = rowsOf()
    const [middle, last] = [rows.find(({ proved }) => proved)!, rows.at(-1)!]
    expect(middle.zone.fromMm).toBeLessThan(30)
    expect(middle.proved!.of.map(({ deg }) => deg)).toEqual([20.2, 20.4])
    expect(middle.differsDeg).toBeCloseTo((20.2 - setDeg(30) + 20.4 - setDeg(40)) / 2, 9)
    expect(last.proved!.deg).toBe(18)
    expect(last.set!.deg).toBeCloseTo(setDeg(tipMm), 9)
    expect(last.read!.amount.deg).toBe(20)
    expect(rows.filter(({ read }) => read)).toHaveLength(1)
    expect(rows[0]).toMatchObject({ proved: null, differsDeg: null })
    // Known to half as well, the one counts a fourth.
    const unlike = [log[1]!, { ...(log[2] as Proof), uncertaintyDeg: 0.2 }]
    const [first] = zoneAngles(now, known, unlike, 'A').flatMap(({ differsDeg }) => differsDeg ?? [])
    expect(first).toBeCloseTo((4 * (20.2 - setDeg(30)) + (20.4 - setDeg(40))) / 5, 9)
  })

  it('have none set where the rod does not reach', () => {
    const short = { ...heldSetup, rig: { ...heldSetup.rig, rodLengthMm: 138 } }
    const set = zoneAngles({ ...now, setup: short }, known, [], 'A').map((row) => row.set?.deg ?? null)
    expect(set).toContain(null)
    expect(set.some((deg) => deg !== null)).toBe(true)
  })

  it('that were found of no place hold for every zone', () => {
    const whole = zoneAngles(now, known, [proof(1, { placeMm: null, zone: null })], 'A')
    expect(whole.every(({ proved }) => proved?.deg === 20)).toBe(true)
    const belly = zoneAngles(now, known, [proof(1, { placeMm: null, zone: 'belly' })], 'A')
    expect(belly.filter(({ proved }) => proved).map(({ zone }) => zone.kind)).toEqual(['belly'])
  })
})

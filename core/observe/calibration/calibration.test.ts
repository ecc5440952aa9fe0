import { describe, expect, it } from 'vitest'
import type { Blade } from '../../records/blade/blade'
import { edgePointAt } from '../../math/curve/edgePoints'
import type { Side } from '../../records/common/side'
import type { UnknownId } from '../../records/rig/unknowns'
import { armsRig, plainStone, postRig, sampleSetup } from '../../geometry/setup/sampleSetup.fixture'
import { calibratedBench, STAGES, type BenchOutcome, type Proving } from '../../simulation/standIn/calibratedBench'
import { fitRig, type ProvedAngle, type Unknown } from './fitRig'
import reference from './fixtures/calibration.json'

type Case = (typeof reference.cases)[number]
type Name = keyof Case['trueError']

const UNKNOWNS: Record<Name, [UnknownId, string | null]> = {
  pivotHeightMm: ['pivot-height', null],
  setbackMm: ['setback', null],
  centreOffsetMm: ['centre-offset', null],
  tiltDeg: ['tilt', null],
  faceOffset0Mm: ['face-offset', '0'],
  faceOffset1Mm: ['face-offset', '1'],
}
const NAMES = Object.keys(UNKNOWNS) as Name[]
const unknownsOf = ({ tolerance }: Case): Unknown[] =>
  NAMES.map((name) => ({ id: UNKNOWNS[name][0], stoneId: UNKNOWNS[name][1], tolerance: tolerance[name] }))
const edge: Blade['edge'] = [{ type: 'line', from: [-50, 0], to: [50, 0] }]
const proofsOf = ({ nominal, proved }: Case): ProvedAngle[] =>
  proved.map(({ side, pivotHeightMm, bladeHeightMm, stone, doubtDeg, provedDeg }) => ({
    setup: {
      rig: { ...postRig, pivot: { setbackMm: nominal.setbackMm, alongMm: 0, overScaleMm: 0 } },
      blade: { ...sampleSetup.blade, edge },
      stone: { ...plainStone, faceOffsetMm: nominal.faceOffsetMm[stone]! },
      hold: { bladeXMm: 0, bladeYMm: -bladeHeightMm, turnDeg: 0, centreOffsetMm: 0, tiltDeg: 0 },
    },
    side: side as Side,
    pivotHeightMm,
    edgePoint: edgePointAt(edge, 50),
    stoneId: String(stone),
    deg: provedDeg,
    uncertaintyDeg: doubtDeg,
  }))

describe('a rig fitted to the angles proved on it', () => {
  const fits = reference.cases.map((of) => ({ of, fit: fitRig(proofsOf(of), unknownsOf(of)) }))

  it('is off by no more than it says, about as often as it says', () => {
    const inside = fits.flatMap(({ of, fit }) =>
      fit.unknowns.map(({ error, uncertainty }, k) => Math.abs(error - of.trueError[NAMES[k]!]) <= uncertainty),
    )
    const share = inside.filter(Boolean).length / inside.length
    expect(share).toBeGreaterThanOrEqual(0.93)
    expect(share).toBeLessThanOrEqual(0.97)
  })

  it.each(fits)('$of.name: half-widths and errors as least squares has them', ({ of, fit }) => {
    fit.unknowns.forEach(({ error, uncertainty }, k) => {
      const [fitted, halfWidth] = of.fitted[NAMES[k]!] as [number, number]
      expect(Math.abs(uncertainty / halfWidth - 1), NAMES[k]).toBeLessThan(0.1)
      expect(Math.abs(error - fitted), NAMES[k]).toBeLessThan(0.2 * halfWidth)
    })
  })
})

describe('a wild proof', () => {
  const [of] = reference.cases
  const proofs = proofsOf(of!)
  const wild = proofs.map((proof, i) => (i === 1 ? { ...proof, deg: proof.deg + 4 } : proof))

  it('counts for little, and says so', () => {
    const [fit, without] = [wild, proofs.filter((_, i) => i !== 1)].map((some) => fitRig(some, unknownsOf(of!)))
    expect(fit!.proofs[1]!.weight).toBeLessThan(0.1)
    expect(fit!.proofs.filter((_, i) => i !== 1).every(({ weight }) => weight > 0.8)).toBe(true)
    fit!.unknowns.forEach(({ error, tolerance }, k) =>
      expect(Math.abs(error - without!.unknowns[k]!.error)).toBeLessThan(0.7 * tolerance),
    )
  })
})

describe('what nothing was proved of', () => {
  it('is known as well as before', () => {
    const unknowns = unknownsOf(reference.cases[0]!)
    fitRig([], unknowns).unknowns.forEach(({ error, uncertainty, tolerance }) => {
      expect(Math.abs(error)).toBeLessThan(1e-6)
      expect(uncertainty).toBeCloseTo(tolerance, 6)
    })
  })
})

describe.each([
  ['a post', sampleSetup],
  ['two arms', { ...sampleSetup, rig: armsRig }],
])('stand-in benches with %s, three proved blades, and two more', (_, nominal) => {
  const count = Number(process.env.JAW_TILT_BENCHES ?? 100)
  const outcomes = Array.from({ length: count }, (_one, i) => calibratedBench((i + 0.5) / count, nominal))
  const uncertainties = (when: (typeof STAGES)[number]) =>
    outcomes.map((one) => one[when].uncertaintyDeg).sort((a, b) => a - b)

  it.each(STAGES)('set what they say, as surely as they say, %s', (when) => {
    const inside = outcomes.filter((one) => Math.abs(one[when].offDeg) <= one[when].uncertaintyDeg).length / count
    expect(inside).toBeGreaterThanOrEqual(0.93)
    expect(inside).toBeLessThanOrEqual(0.98)
  })

  it('are much surer after, and surer still later', () => {
    const [before, after, later] = STAGES.map((when) => uncertainties(when)[count >> 1]!)
    expect(after! / before!).toBeLessThan(0.5)
    expect(later!).toBeLessThan(0.95 * after!)
  })
})

describe('benches where one proof is wrong', () => {
  const COUNT = 60
  const tried = (how: Proving) =>
    Array.from({ length: COUNT }, (_, i) => calibratedBench((i + 0.5) / COUNT, sampleSetup, how))
  const off = (all: readonly BenchOutcome[], when: (typeof STAGES)[number]) =>
    all.map((one) => Math.abs(one[when].offDeg)).sort((one, other) => one - other)[Math.floor(0.95 * COUNT)]!
  const inside = (all: readonly BenchOutcome[], when: (typeof STAGES)[number]) =>
    all.filter((one) => Math.abs(one[when].offDeg) <= one[when].uncertaintyDeg).length / COUNT

  it.each<[string, Proving]>([
    ['a lone one, misread', { blades: 1, sides: ['A'], wrong: 'misread' }],
    ['one of two of a blade, misread', { blades: 1, wrong: 'misread' }],
    ['one of two of a blade, not cut to its apex', { blades: 1, wrong: 'not-to-apex' }],
    ['one of six, misread', { wrong: 'misread' }],
    ['one of six, not cut to its apex', { wrong: 'not-to-apex' }],
  ])('%s: what is applied is no worse than before, and as sure as it says', (_name, how) => {
    const all = tried(how)
    expect(off(all, 'after')).toBeLessThan(1.05 * off(all, 'before'))
    // Within three standard deviations of 95 in 100 of so many benches.
    expect(inside(all, 'after')).toBeGreaterThan(0.95 - 3 * Math.sqrt((0.95 * 0.05) / COUNT))
  })
})

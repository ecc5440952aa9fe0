import { randomLcg, randomNormal, randomUniform } from 'd3-random'
import type { Blade } from '../blade/blade'
import { SIDES, type Side } from '../clamping/centring'
import type { KnownHold } from '../clamping/knownHold'
import { fitRig, type ProvedAngle, type Unknown } from '../calibration/fitRig'
import { stationAt } from '../curve/stations'
import { edgeAngleShifter, type Shifts } from '../doubt/shifted'
import { doubtBudget } from '../doubt/budget'
import { heightForAngleMm } from '../angle/edgeAngle'
import type { Setup } from '../setup/setup'

/** What a bench sets a further blade to: how far that is off the truth, and how far it says it may be, degrees. */
export interface BenchOutcome {
  readonly before: { readonly offDeg: number; readonly doubtDeg: number }
  readonly after: { readonly offDeg: number; readonly doubtDeg: number }
}

/** Half-widths that hold 95 in 100. */
const TOLERANCE = { heightMm: 1.2, setbackMm: 1, centreOffsetMm: 0.35, tiltDeg: 0.4, faceOffsetMm: 0.25 }
const HOLD_MM = 0.3
const PROVED_DEG = 0.2
const HALF_WIDTHS = 1.96
const BLADES = 3

/**
 * A bench with hidden errors on which three blades are cut and proved on both sides, and the rig fitted to them; a
 * fourth blade tells what that was worth. The same for the same seed. Source: docs/calibration.md, "Five hundred
 * benches".
 */
export function calibratedBench(seed: number, nominal: Setup): BenchOutcome {
  const source = randomLcg(seed)
  const normal = randomNormal.source(source)(0, 1 / HALF_WIDTHS)
  const between = (from: number, to: number) => randomUniform.source(source)(from, to)()
  const unknowns: Unknown[] = [
    { id: 'pivot-height', stoneId: null, tolerance: TOLERANCE.heightMm },
    { id: 'setback', stoneId: null, tolerance: TOLERANCE.setbackMm },
    { id: 'centre-offset', stoneId: null, tolerance: TOLERANCE.centreOffsetMm },
    { id: 'tilt', stoneId: null, tolerance: TOLERANCE.tiltDeg },
    { id: 'face-offset', stoneId: '', tolerance: TOLERANCE.faceOffsetMm },
  ]
  const errors = unknowns.map(({ tolerance }) => normal() * tolerance)
  const shiftsOf = (of: readonly number[]): Shifts => Object.fromEntries(unknowns.map(({ id }, k) => [id, of[k]!]))
  const rigOff = shiftsOf(errors)

  const cuts = Array.from({ length: BLADES + 1 }, () => {
    const setup = { ...nominal, blade: straight(nominal.blade), hold: held(between(14, 42)) }
    const station = stationAt(setup.blade.edge, EDGE_MM / 2)
    const outMm = -setup.hold.bladeYMm + nominal.rig.pivot.setbackMm
    const pivotHeightMm = heightForAngleMm(between(14, 24), outMm, nominal.stone.faceOffsetMm)
    const heldOff = normal() * HOLD_MM
    const proofs = SIDES.map((side: Side) => {
      const shifted = edgeAngleShifter(setup, side, pivotHeightMm, station)
      const known: KnownHold = {
        bladeHeightToleranceMm: HOLD_MM,
        holdTolerance: { alongMm: 0, turnDeg: 0, centreOffsetMm: 0, tiltDeg: 0 },
      }
      const perMm = doubtBudget(setup, known, side, pivotHeightMm, station).find(({ id }) => id === 'blade-height')!
      const truth = (rig: Shifts) => shifted({ ...rig, 'blade-height': heldOff })!
      const proof: ProvedAngle = {
        setup,
        side,
        pivotHeightMm,
        station,
        stoneId: '',
        deg: truth(rigOff) + normal() * PROVED_DEG,
        doubtDeg: Math.hypot(PROVED_DEG, perMm.shareDeg),
      }
      return { proof, shifted, perMm, trueDeg: truth(rigOff) }
    })
    return { proofs }
  })
  const fit = fitRig(
    cuts.slice(0, BLADES).flatMap(({ proofs }) => proofs.map(({ proof }) => proof)),
    unknowns,
  )
  const { shifted, perMm, trueDeg } = cuts[BLADES]!.proofs[0]!
  const fitted = fit.unknowns.map(({ error }) => error)
  const doubts = fit.unknowns.map(({ doubt }) => doubt)
  /** What the errors that are left do to the set angle: half-widths that hang together as the fit says. */
  const doubtDeg = (at: readonly number[], halfWidths: readonly number[], hangTogether: boolean): number => {
    const slopes = unknowns.map((_, k) => {
      const moved = (by: number) => shifted(shiftsOf(at.with(k, at[k]! + by)))!
      return (moved(STEP) - moved(-STEP)) / (2 * STEP)
    })
    const own = slopes.map((slope, k) => slope * halfWidths[k]!)
    const square = own.reduce(
      (sum, one, k) =>
        sum +
        own.reduce((inner, other, j) => inner + one * other * (hangTogether ? fit.correlation[k]![j]! : +(k === j)), 0),
      0,
    )
    return Math.hypot(Math.sqrt(Math.max(0, square)), perMm.shareDeg)
  }
  const nothing = unknowns.map(() => 0)
  return {
    before: {
      offDeg: trueDeg - shifted({})!,
      doubtDeg: doubtDeg(
        nothing,
        unknowns.map(({ tolerance }) => tolerance),
        false,
      ),
    },
    after: { offDeg: trueDeg - shifted(shiftsOf(fitted))!, doubtDeg: doubtDeg(fitted, doubts, true) },
  }
}

const STEP = 0.01
const EDGE_MM = 100
const straight = (blade: Blade): Blade => ({
  ...blade,
  edge: [{ type: 'line', from: [-EDGE_MM / 2, 0], to: [EDGE_MM / 2, 0] }],
})
const held = (heightMm: number) => ({ bladeXMm: 0, bladeYMm: -heightMm, turnDeg: 0, centreOffsetMm: 0, tiltDeg: 0 })

import { randomLcg, randomNormal, randomUniform } from 'd3-random'
import { heightForAngleMm } from '../../math/edgeAngle/edgeAngle'
import type { Blade } from '../../records/blade/blade'
import { calibratingRig, type Calibration, type FitAsk } from '../../observe/calibration/fitRig'
import { calibratedRig } from '../../observe/calibration/calibrated'
import { priorCorrelation, freeParameters, provedOnRig, unknownsOf } from '../../observe/calibration/provedOnRig'
import { SIDES, type Side } from '../../records/common/side'
import { edgePointAt } from '../../math/curve/edgePoints'
import { uncertaintyBudget, totalUncertaintyDeg } from '../../uncertainty/budget'
import { edgeAngleShifter, type Shifts } from '../../uncertainty/shifted'
import { ANGLE_ALONE, type Proof } from '../../log/entry'
import { setupNow } from '../../log/setupSnapshot'
import { heightOfSetting } from '../../records/rig/dial'
import { onRig } from '../../records/rig/fittedAt'
import type { Rig } from '../../records/rig/rig'
import { contactFor, type Setup } from '../../geometry/setup/setup'
import type { Stone } from '../../records/stone/stone'
import { Z95 } from '../../math/statistics/normal'

/** How far what a bench says it sets is off the truth, and how far it says it may be, degrees. */
export interface SaidAndTrue {
  readonly offDeg: number
  readonly uncertaintyDeg: number
}
/** What a bench sets a further blade to: before, with three blades proved, and with two more proved after that. */
export type BenchOutcome = Readonly<Record<(typeof STAGES)[number], SaidAndTrue>>
export const STAGES = ['before', 'after', 'later'] as const
/** What is wrong with the proof of one side of the first blade: misread, or of the bevel that was there before. */
export type WrongProof = 'misread' | 'not-to-apex'
/** Misread by so much, either way; what was there before stands steeper by so much, degrees. */
const WRONG_BY = { misread: [1, 3], 'not-to-apex': [0.5, 4] } as const

/** How a bench is proved first. */
export interface Proving {
  readonly blades?: number
  readonly sides?: readonly Side[]
  readonly wrong?: WrongProof
}

/** Half-widths that hold 95 in 100. */
const RIG = { heightMm: 1.2, setbackMm: 1, alongMm: 0.01, againOffsetMm: 0.05, againTiltDeg: 0.1 }
const FACE_MM = 0.25
const KNOWN = {
  bladeHeightToleranceMm: 0.3,
  holdTolerance: { alongMm: 0, turnDeg: 0, centreOffsetMm: 0.35, tiltDeg: 0.4 },
}
const PROVED_DEG = 0.2
const [FIRST_BLADES, MORE_BLADES] = [3, 2]

/**
 * A bench with hidden errors on which blades are cut and proved on both sides, the rig calibrated by them as the
 * product mends one; a further blade tells what that was worth. The same for the same seed. Source:
 * docs/calibration.md, "Five hundred benches".
 */
export function calibratedBench(
  seed: number,
  nominal: Setup,
  { blades = FIRST_BLADES, sides = SIDES, wrong }: Proving = {},
): BenchOutcome {
  const source = randomLcg(seed)
  const normal = randomNormal.source(source)(0, 1 / Z95)
  const between = (from: number, to: number) => randomUniform.source(source)(from, to)()
  const blade = straight(nominal.blade)
  const edgePoint = edgePointAt(blade.edge, EDGE_MM / 2)
  const written: Stone & { readonly id: string } = { ...nominal.stone, id: STONE, faceOffsetToleranceMm: FACE_MM }
  const stoneNow = () => onRig(rig, written)
  let rig: Rig = { ...nominal.rig, tolerance: RIG, height: { ...SCALE, lowestMm: 0, highestMm: 200 } }
  const { pivot, pivotB, height } = rig
  const hidden: Shifts = {
    'pivot-height': normal() * RIG.heightMm,
    setback: normal() * RIG.setbackMm,
    ...(rig.pivotB && { 'pivot-height-b': normal() * RIG.heightMm, 'setback-b': normal() * RIG.setbackMm }),
    'centre-offset': normal() * KNOWN.holdTolerance.centreOffsetMm,
    tilt: normal() * KNOWN.holdTolerance.tiltDeg,
    'face-offset': normal() * FACE_MM,
  }

  /** A blade as it is clamped and set; its hold is a little off, anew each time. */
  function cut() {
    const hold = { ...nominal.hold, bladeXMm: 0, bladeYMm: -between(14, 42) }
    const outMm = pivot.setbackMm - hold.bladeYMm
    const mm = heightForAngleMm(between(14, 24), outMm, nominal.stone.faceOffsetMm) - SCALE.zeroMm
    const held: Shifts = {
      ...hidden,
      'blade-height': normal() * KNOWN.bladeHeightToleranceMm,
      'centre-offset': hidden['centre-offset']! + normal() * RIG.againOffsetMm,
      tilt: hidden.tilt! + normal() * RIG.againTiltDeg,
    }
    const asWritten = { ...nominal, rig: { ...nominal.rig, pivot, pivotB, height }, blade, hold }
    const trueDeg = (side: Side) => edgeAngleShifter(asWritten, side, mm + SCALE.zeroMm, edgePoint)(held)!
    return { hold, setting: { by: 'millimetres', mm } as const, trueDeg }
  }
  /** What the rig, as it is written down now, says of such a blade. */
  function said({ hold, setting, trueDeg }: ReturnType<typeof cut>): SaidAndTrue {
    const setup = { rig, blade, stone: stoneNow(), hold }
    const [contact, at] = [contactFor(setup, 'A', setting, edgePoint), heightOfSetting(rig, setting)]
    if (!contact.ok || !at.ok) throw new Error('a bench that gives no angle')
    const uncertaintyDeg = totalUncertaintyDeg(uncertaintyBudget(setup, KNOWN, 'A', at.heightMm, edgePoint))
    return { offDeg: trueDeg('A') - contact.edgeAngleDeg, uncertaintyDeg }
  }
  function wrongByDeg(of: WrongProof): number {
    const [least, most] = WRONG_BY[of]
    return between(least, most) * (of === 'misread' && between(0, 1) < 0.5 ? -1 : 1)
  }
  function prove(blades: number, wrongProof?: WrongProof) {
    const proofs = Array.from({ length: blades }, cut).flatMap(({ hold, setting, trueDeg }, blade) =>
      sides.map((side): Proof => {
        const isWrong = wrongProof !== undefined && blade === 0 && side === 'A'
        const deg = trueDeg(side) + normal() * PROVED_DEG + (isWrong ? wrongByDeg(wrongProof) : 0)
        const job = {
          rigId: '',
          stoneId: STONE,
          hold,
          dialled: { A: setting, B: setting, linked: true },
          dialForMm: null,
          positions: null,
          microBevel: null,
          onMicroBevel: false,
        }
        const setup = setupNow({ job, rig: { revision: 1, jaws: null }, placeMm: EDGE_MM / 2, setDeg: { A: 0, B: 0 } })
        return { ...PROOF, side, placeMm: EDGE_MM / 2, deg, uncertaintyDeg: PROVED_DEG, toApex: true, setup }
      }),
    )
    const { counted } = provedOnRig(proofs, freeParameters(rig), {
      rig,
      blade: () => blade,
      stone: stoneNow,
      known: () => KNOWN,
    })
    const stones = [stoneNow()]
    const unknowns = unknownsOf(rig, stones, KNOWN)
    const angles = counted.map(({ angle }) => angle)
    const before = priorCorrelation(rig, stones, unknowns)
    const fit = calibrate({ proofs: angles, unknowns, priorCorrelation: before })
    if (fit.repeat.length === angles.length) return
    rig = calibratedRig(rig, stones, fit, { at: '', ofRevision: 1, proofIds: [] })
  }

  const further = cut()
  const before = said(further)
  prove(blades, wrong)
  const after = said(further)
  prove(MORE_BLADES)
  return { before, after, later: said(further) }
}

function calibrate(ask: FitAsk): Calibration {
  const calibrating = calibratingRig(ask)
  for (;;) {
    const step = calibrating.next()
    if (step.done) return step.value
  }
}

const EDGE_MM = 100
const STONE = 'stone'
const SCALE = { by: 'millimetres', zeroMm: 15, resolutionMm: 0.5, engravedIn: 'mm' } as const
const PROOF = {
  id: '',
  at: '',
  jobId: null,
  bladeId: null,
  stoneId: STONE,
  instrumentId: null,
  kind: 'proof',
  zone: null,
  by: 'goniometer',
  ...ANGLE_ALONE,
} as const
const straight = (blade: Blade): Blade => ({
  ...blade,
  edge: [{ type: 'line', from: [-EDGE_MM / 2, 0], to: [EDGE_MM / 2, 0] }],
})

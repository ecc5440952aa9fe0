import { dialOf } from '../../records/rig/dials/dials'
import type { RigFitted } from '../../records/rig/fitted'
import { fittedAt } from '../../records/rig/fittedAt'
import type { Rig } from '../../records/rig/rig'
import type { Stone } from '../../records/stone/stone'
import type { FittedUnknown, RigFit } from './fitRig'

/** Measures are kept to a thousandth, uncertainties to a hundredth and rounded up: none is told better than it is. */
const figure = (mm: number): number => Math.round(mm * 1000) / 1000
const uncertainty = (mm: number): number => Math.max(0.01, Math.ceil(mm * 100) / 100)

/** When measures were taken over, from which revision of the rig, and the proofs they come of. */
export interface TakenOver {
  readonly at: string
  readonly ofRevision: number
  readonly proofIds: readonly string[]
}

/**
 * A rig with its measures as they were fitted and its tolerances as they are known since; of stones, how their faces
 * are on this rig. How blades lie in the jaws is calibrated as a whole; how well each hold is known stays with the job.
 * Stones: as they are on this rig now. Source: docs/calibration.md, "What is applied".
 */
export function calibratedRig(
  rig: Rig,
  stones: readonly (Stone & { readonly id: string })[],
  fit: RigFit,
  taken: TakenOver,
): Rig {
  const of = (id: FittedUnknown['id']) => fit.unknowns.find((one) => one.id === id)
  const error = (id: FittedUnknown['id']) => of(id)?.error ?? 0
  /** One tolerance stands for all of these: it is as the worst known of them. */
  const known = (now: number, ...ids: FittedUnknown['id'][]) =>
    Math.min(now, uncertainty(Math.max(...ids.map((id) => of(id)?.uncertainty ?? now))))
  const tolerance = {
    ...rig.tolerance,
    heightMm: known(rig.tolerance.heightMm, 'pivot-height', ...(rig.pivotB ? (['pivot-height-b'] as const) : [])),
    setbackMm: known(rig.tolerance.setbackMm, 'setback', ...(rig.pivotB ? (['setback-b'] as const) : [])),
  }
  // The arms of an upright rig share a scale, and each is off it by its own.
  const by = { heightMm: rig.pivotB ? 0 : figure(error('pivot-height')), setbackMm: figure(error('setback')) }
  const arm = (place: Rig['pivot'], height: FittedUnknown['id'], setback: FittedUnknown['id']) => ({
    ...place,
    setbackMm: figure(place.setbackMm + error(setback)),
    overScaleMm: rig.pivotB ? figure(place.overScaleMm + error(height)) : place.overScaleMm,
  })
  const measures = fit.unknowns.map((one): RigFitted['measures'][number] => {
    const id = one.id
    const stone = stones.find((its) => its.id === one.stoneId)
    const face = stone && {
      stoneId: stone.id,
      writtenMm: rig.fitted?.measures[fittedAt(rig, 'face-offset', stone)]?.face?.writtenMm ?? stone.faceOffsetMm,
      isMm: Math.max(0, figure(stone.faceOffsetMm + one.error)),
    }
    const ofRig = {
      'pivot-height': tolerance.heightMm,
      'pivot-height-b': tolerance.heightMm,
      setback: tolerance.setbackMm,
      'setback-b': tolerance.setbackMm,
    }
    const written = stone?.faceOffsetToleranceMm ?? ofRig[id as keyof typeof ofRig] ?? null
    return { id, uncertainty: one.uncertainty, written, face: face ?? null }
  })
  return {
    ...rig,
    height: dialOf(rig.height).corrected(rig.height, by),
    pivot: arm(rig.pivot, 'pivot-height', 'setback'),
    pivotB: rig.pivotB && arm(rig.pivotB, 'pivot-height-b', 'setback-b'),
    centring: {
      offsetMm: figure(rig.centring.offsetMm + error('centre-offset')),
      tiltDeg: figure(rig.centring.tiltDeg + error('tilt')),
    },
    tolerance,
    calibratedBy: [...rig.calibratedBy, ...taken.proofIds],
    fitted: {
      at: taken.at,
      ofRevision: taken.ofRevision,
      measures,
      correlation: fit.correlation.map((row) => [...row]),
    },
  }
}

/**
 * A rig with its own measures as they were before proofs calibrated it; what else was written of it since stays.
 * `before`: the rig at the revision that was calibrated.
 */
export const asBefore = (rig: Rig, before: Rig): Rig => {
  const { height, pivot, pivotB, centring, tolerance, calibratedBy, fitted } = before
  return { ...rig, height, pivot, pivotB, centring, tolerance, calibratedBy, fitted }
}

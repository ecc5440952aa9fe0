import { dialOf } from '../rig/dials/dials'
import type { UnknownId } from '../rig/fitted'
import { fittedAt } from '../rig/fittedAt'
import type { Rig } from '../rig/rig'
import type { Stone } from '../stone/stone'
import type { FittedUnknown, RigFit } from './fitRig'

/** Measures are kept to a thousandth, doubts to a hundredth and rounded up: none is told better than it is. */
const figure = (mm: number): number => Math.round(mm * 1000) / 1000
const doubt = (mm: number): number => Math.max(0.01, Math.ceil(mm * 100) / 100)

type KeptFace = Stone & { readonly id: string }

/** When measures were taken over, from which revision of the rig, and the proofs they come of. */
export interface TakenOver {
  readonly at: string
  readonly rigRevision: number
  readonly proofIds: readonly string[]
}

/**
 * A rig with its measures as they were fitted and its tolerances as they are known since. How blades lie in the jaws
 * is mended as a whole; how well each hold is known stays with the job. Source: docs/calibration.md, "What is taken
 * over".
 */
export function mendedRig(rig: Rig, stones: readonly KeptFace[], fit: RigFit, taken: TakenOver): Rig {
  const of = (id: FittedUnknown['id']) => fit.unknowns.find((one) => one.id === id)
  const error = (id: FittedUnknown['id']) => of(id)?.error ?? 0
  /** One tolerance stands for all of these: it is as the worst known of them. */
  const known = (now: number, ...ids: FittedUnknown['id'][]) =>
    Math.min(now, doubt(Math.max(...ids.map((id) => of(id)?.doubt ?? now))))
  const tolerance = {
    ...rig.tolerance,
    heightMm: known(rig.tolerance.heightMm, 'pivot-height'),
    setbackMm: known(rig.tolerance.setbackMm, 'setback', ...(rig.pivotB ? (['setback-b'] as const) : [])),
  }
  const written = ({ id, stoneId }: FittedUnknown): number | null => {
    if (id === 'pivot-height') return tolerance.heightMm
    if (id === 'setback' || id === 'setback-b') return tolerance.setbackMm
    const stone = stones.find((one) => one.id === stoneId)
    return stone ? mendedStone(stone, fit).faceOffsetToleranceMm : null
  }
  const by = { heightMm: figure(error('pivot-height')), setbackMm: figure(error('setback')) }
  return {
    ...rig,
    height: dialOf(rig.height).corrected(rig.height, by),
    pivot: { ...rig.pivot, setbackMm: figure(rig.pivot.setbackMm + by.setbackMm) },
    pivotB: rig.pivotB && { ...rig.pivotB, setbackMm: figure(rig.pivotB.setbackMm + error('setback-b')) },
    centring: {
      offsetMm: figure(rig.centring.offsetMm + error('centre-offset')),
      tiltDeg: figure(rig.centring.tiltDeg + error('tilt')),
    },
    tolerance,
    mendedBy: [...rig.mendedBy, ...taken.proofIds],
    fitted: {
      at: taken.at,
      measures: fit.unknowns.map((one) => ({
        id: one.id as UnknownId,
        stoneId: one.stoneId,
        doubt: one.doubt,
        written: written(one),
      })),
      correlation: fit.correlation.map((row) => [...row]),
      was: {
        rigRevision: taken.rigRevision,
        stones: stones.map(({ id, faceOffsetMm, faceOffsetEnds, faceOffsetToleranceMm }) => ({
          stoneId: id,
          faceOffsetMm,
          faceOffsetEnds,
          faceOffsetToleranceMm,
        })),
      },
    },
  }
}

/**
 * A rig with its own measures as they were before proofs mended it; what else was written of it since stays. `before`:
 * the rig at the revision that it was mended from.
 */
export const asBefore = (rig: Rig, before: Rig): Rig => {
  const { height, pivot, pivotB, centring, tolerance, mendedBy, fitted } = before
  return { ...rig, height, pivot, pivotB, centring, tolerance, mendedBy, fitted }
}

/** A stone with its face as it was before; as it is where it was not mended with the rig, or measured anew since. */
export function stoneAsBefore<S extends KeptFace>(stone: S, rig: Rig): S {
  const was = rig.fitted?.was.stones.find(({ stoneId }) => stoneId === stone.id)
  if (!was || fittedAt(rig, 'face-offset', stone) < 0) return stone
  const { stoneId: _stoneId, ...face } = was
  return { ...stone, ...face }
}

/** A stone with its face offset as it was fitted; as it is where none was. */
export function mendedStone<S extends KeptFace>(stone: S, fit: RigFit): S {
  const one = fit.unknowns.find(({ id, stoneId }) => id === 'face-offset' && stoneId === stone.id)
  if (!one) return stone
  const ends = stone.faceOffsetEnds
  return {
    ...stone,
    faceOffsetMm: figure(stone.faceOffsetMm + one.error),
    faceOffsetEnds: ends && { nearMm: figure(ends.nearMm + one.error), farMm: figure(ends.farMm + one.error) },
    faceOffsetToleranceMm: Math.min(stone.faceOffsetToleranceMm, doubt(one.doubt)),
  }
}

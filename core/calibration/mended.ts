import { dialOf } from '../rig/dials/dials'
import type { Rig } from '../rig/rig'
import type { Stone } from '../stone/stone'
import type { FittedUnknown, RigFit } from './fitRig'

/** Measures are kept to a thousandth, doubts to a hundredth and rounded up: none is told better than it is. */
const figure = (mm: number): number => Math.round(mm * 1000) / 1000
const doubt = (mm: number): number => Math.max(0.01, Math.ceil(mm * 100) / 100)

/**
 * A rig with its measures as they were fitted and its tolerances as they are known since. How blades lie in the jaws
 * is mended as a whole; how well each hold is known stays with the job. Source: docs/calibration.md, "What is taken
 * over".
 */
export function mendedRig(rig: Rig, fit: RigFit, countedIds: readonly string[]): Rig {
  const of = (id: FittedUnknown['id']) => fit.unknowns.find((one) => one.id === id)
  const error = (id: FittedUnknown['id']) => of(id)?.error ?? 0
  /** One tolerance stands for all of these: it is as the worst known of them. */
  const known = (now: number, ...ids: FittedUnknown['id'][]) =>
    Math.min(now, doubt(Math.max(...ids.map((id) => of(id)?.doubt ?? now))))
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
    tolerance: {
      ...rig.tolerance,
      heightMm: known(rig.tolerance.heightMm, 'pivot-height'),
      setbackMm: known(rig.tolerance.setbackMm, 'setback', ...(rig.pivotB ? (['setback-b'] as const) : [])),
    },
    mendedBy: [...rig.mendedBy, ...countedIds],
  }
}

/** A stone with its face offset as it was fitted; as it is where none was. */
export function mendedStone<S extends Stone & { readonly id: string }>(stone: S, fit: RigFit): S {
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

import type { Setup } from '../setup/setup'
import type { KnownHold } from '../clamping/knownHold'
import { dishTiltDeg, faceTiltDeg } from '../stone/taper'

/** The measures whose doubt goes into an edge angle. Those with -b are the second arm's of an upright rig. */
export const MEASURES = [
  'pivot-height',
  'pivot-height-b',
  'setback',
  'setback-b',
  'pivot-along',
  'pivot-play',
  'blade-height',
  'blade-along',
  'turn',
  'centre-offset',
  'tilt',
  'face-offset',
  'face-shape',
] as const
export type MeasureId = (typeof MEASURES)[number]

/** A measure and how well it is known: half-width of the range that holds 95 in 100 such measures, mm or degrees. */
export interface DoubtfulMeasure {
  readonly id: MeasureId
  readonly unit: 'mm' | 'deg'
  readonly tolerance: number
}

/**
 * The measures of a job that are doubtful, as far as its kind of rig has them. Source: docs/geometry.md, "How sure is
 * it".
 */
export function measuresOf({ rig, stone }: Setup, known: KnownHold): DoubtfulMeasure[] {
  const { tolerance } = rig
  const ends = stone.faceOffsetEnds
  const taperDeg = ends ? Math.abs(faceTiltDeg(ends.nearMm, ends.farMm, stone.lengthMm)) : 0
  const mm = (id: MeasureId, size: number): DoubtfulMeasure => ({ id, unit: 'mm', tolerance: size })
  const deg = (id: MeasureId, size: number): DoubtfulMeasure => ({ id, unit: 'deg', tolerance: size })
  const arms = rig.pivotB ? [mm('pivot-height-b', tolerance.heightMm), mm('setback-b', tolerance.setbackMm)] : []
  return [
    mm('pivot-height', tolerance.heightMm),
    mm('setback', tolerance.setbackMm),
    ...arms,
    mm('pivot-along', tolerance.alongMm),
    mm('pivot-play', rig.pivotPlayMm),
    mm('blade-height', known.bladeHeightToleranceMm),
    mm('blade-along', known.holdTolerance.alongMm),
    deg('turn', known.holdTolerance.turnDeg),
    mm('centre-offset', rig.jaws ? known.holdTolerance.centreOffsetMm : 0),
    deg('tilt', known.holdTolerance.tiltDeg),
    mm('face-offset', stone.faceOffsetToleranceMm),
    deg('face-shape', taperDeg + dishTiltDeg(stone.dishMm, stone.lengthMm)),
  ].filter((measure) => measure.tolerance > 0)
}

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

/** Of these the two sides are off by different amounts: the pivot comes to rest anew. */
export const ANEW_EACH_SIDE: ReadonlySet<MeasureId> = new Set(['pivot-play'])

/** What each is measured in. */
export const MEASURES_UNIT: Readonly<Record<MeasureId, 'mm' | 'deg'>> = {
  'pivot-height': 'mm',
  'pivot-height-b': 'mm',
  setback: 'mm',
  'setback-b': 'mm',
  'pivot-along': 'mm',
  'pivot-play': 'mm',
  'blade-height': 'mm',
  'blade-along': 'mm',
  turn: 'deg',
  'centre-offset': 'mm',
  tilt: 'deg',
  'face-offset': 'mm',
  'face-shape': 'deg',
}

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
  const ends = stone.faceOffsetEnds
  const taperDeg = ends ? Math.abs(faceTiltDeg(ends.nearMm, ends.farMm, stone.lengthMm)) : 0
  const of = (id: MeasureId, tolerance: number): DoubtfulMeasure => ({ id, unit: MEASURES_UNIT[id], tolerance })
  const arms = rig.pivotB
    ? [of('pivot-height-b', rig.tolerance.heightMm), of('setback-b', rig.tolerance.setbackMm)]
    : []
  return [
    of('pivot-height', rig.tolerance.heightMm),
    of('setback', rig.tolerance.setbackMm),
    ...arms,
    of('pivot-along', rig.tolerance.alongMm),
    of('pivot-play', rig.pivotPlayMm),
    of('blade-height', known.bladeHeightToleranceMm),
    of('blade-along', known.holdTolerance.alongMm),
    of('turn', known.holdTolerance.turnDeg),
    of('centre-offset', rig.jaws ? known.holdTolerance.centreOffsetMm : 0),
    of('tilt', known.holdTolerance.tiltDeg),
    of('face-offset', stone.faceOffsetToleranceMm),
    of('face-shape', taperDeg + dishTiltDeg(stone.dishMm, stone.lengthMm)),
  ].filter((measure) => measure.tolerance > 0)
}

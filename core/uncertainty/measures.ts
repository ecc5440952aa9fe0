import { isOneOf } from '../schema/keys'
import { nth } from '../math/list'
import { edgeHeadingToleranceDeg } from '../records/blade/edgeHeading'
import { thinsPerMm } from '../records/blade/taper'
import type { KnownHold } from '../records/job/knownHold'
import type { EdgePoint } from '../math/curve/edgePoints'
import { dialOf } from '../records/rig/dials/dials'
import { RIG_UNKNOWNS } from '../records/rig/unknowns'
import { fittedAt } from '../records/rig/fittedAt'
import { restsOnTable } from '../records/rig/kinds'
import { rocksByDeg, tableSupport } from '../geometry/clamping/tableSupport'
import type { Setup } from '../geometry/setup/setup'
import { degrees } from '../math/units/angle'
import { dishTiltDeg, faceTiltDeg } from '../records/stone/taper'

/** The measures whose uncertainty goes into an edge angle. Those with -b are the second arm's of an upright rig. */
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
  'twist',
  'edge-heading',
  'edge-place',
  'slot-place',
  'spine-thickness',
  'thickness-behind-edge',
  'grind-height',
  'rocking',
  'face-offset',
  'face-shape',
] as const
export type MeasureId = (typeof MEASURES)[number]

/** Of these the two sides are off by different means: the pivot, or the rod in a wide slot, comes to rest anew. */
export const ANEW_EACH_SIDE: ReadonlySet<MeasureId> = new Set(['pivot-play', 'slot-place'])

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
  twist: 'deg',
  'edge-heading': 'deg',
  'edge-place': 'mm',
  'slot-place': 'mm',
  'spine-thickness': 'mm',
  'thickness-behind-edge': 'mm',
  'grind-height': 'mm',
  rocking: 'deg',
  'face-offset': 'mm',
  'face-shape': 'deg',
}

/** A measure and how well it is known: half-width of the range that holds 95 in 100 such measures, mm or degrees. */
export interface UncertainMeasure {
  readonly id: MeasureId
  readonly unit: 'mm' | 'deg'
  readonly tolerance: number
  /** Its correlation with others, −1 to 1, where proofs told them together; with all that are not named, none. */
  readonly tiedTo?: Readonly<Partial<Record<MeasureId, number>>>
}

/** Where in a wide slot a hand keeps the rod, ± mm. */
const KEPT_IN_SLOT_MM = 3
/** A calliper on the spine and at the shoulder, a rule along the grind: ± mm. */
const CALLIPER_MM = 0.05
const GRIND_HEIGHT_MM = 0.5

/**
 * How far a blade that thins towards its tip may be twisted in jaws of which one half is fixed, degrees: flush with
 * that half its centre plane stands at half of its taper; pressed against its thicker end it does not. 0 where both
 * halves move, or the taper was not measured. Source: docs/geometry.md, "Uncertainty".
 */
const twistDeg = ({ rig, blade }: Setup): number =>
  rig.jaws && rig.jawsClose === 'one-half-moves' ? degrees(Math.atan(Math.abs(thinsPerMm(blade)) / 2)) : 0

/** How far a blade on a table rocks on a face that is no plane, degrees; a flat back is one. */
const rocksDeg = ({ blade, hold }: Setup): number =>
  blade.bevels === 'A' ? 0 : rocksByDeg(blade, tableSupport(blade, hold.restsOn))

/**
 * The measures of a job that are uncertain at a place of the edge, as far as its kind of rig has them; without a place
 * those that are the same everywhere. On a table the blade lies by its own faces: their measures count there. Source:
 * docs/geometry.md, "Uncertainty".
 */
export function measuresOf(setup: Setup, known: KnownHold, edgePoint: EdgePoint | null): UncertainMeasure[] {
  const { rig, stone, blade } = setup
  const ends = stone.faceOffsetEnds
  const taperDeg = ends ? Math.abs(faceTiltDeg(ends.nearMm, ends.farMm, stone.lengthMm)) : 0
  const of = (id: MeasureId, tolerance: number): UncertainMeasure => ({ id, unit: MEASURES_UNIT[id], tolerance })
  const arms = rig.pivotB
    ? [of('pivot-height-b', rig.tolerance.heightMm), of('setback-b', rig.tolerance.setbackMm)]
    : []
  const onTable = restsOnTable(rig)
    ? [
        of('spine-thickness', CALLIPER_MM),
        of('thickness-behind-edge', CALLIPER_MM),
        of('grind-height', GRIND_HEIGHT_MM),
        of('rocking', rocksDeg(setup)),
      ]
    : []
  const measures = [
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
    of('twist', twistDeg(setup)),
    of('edge-heading', edgePoint ? edgeHeadingToleranceDeg(blade, edgePoint) : 0),
    of('edge-place', edgePoint ? (blade.edgeUncertainty?.placeMm ?? 0) : 0),
    of('slot-place', Math.min(KEPT_IN_SLOT_MM, dialOf(rig.height).slideMm(rig.height))),
    ...onTable,
    of('face-offset', stone.faceOffsetToleranceMm),
    of('face-shape', taperDeg + dishTiltDeg(stone.dishMm, stone.lengthMm)),
  ].filter((measure) => measure.tolerance > 0)
  return rig.fitted ? asFitted(measures, setup) : measures
}

/**
 * Measures with what proofs left open of them in the place of their tolerances, and how that hangs together. How the
 * jaws hold a blade differs a little each time besides; a hold that is known better than that stays as it is known.
 * Source: docs/calibration.md, "What is applied".
 */
function asFitted(measures: readonly UncertainMeasure[], { rig, stone }: Setup): UncertainMeasure[] {
  const again: Partial<Record<MeasureId, number>> = {
    'centre-offset': rig.tolerance.againOffsetMm,
    tilt: rig.tolerance.againTiltDeg,
  }
  const fitted = measures.flatMap(({ id, tolerance }) => {
    const row = isOneOf(RIG_UNKNOWNS, id) ? fittedAt(rig, id, stone) : -1
    if (row < 0) return []
    const { uncertainty } = nth(rig.fitted!.measures, row)
    const whole = Math.hypot(uncertainty, again[id] ?? 0)
    return id in again && tolerance < whole ? [] : [{ id, row, tolerance: whole, share: uncertainty / whole }]
  })
  return measures.map((measure) => {
    const mine = fitted.find(({ id }) => id === measure.id)
    if (!mine) return measure
    const others = fitted.filter(({ id }) => id !== measure.id)
    const { correlation } = rig.fitted!
    const tied = others.map(({ id, row, share }) => [id, nth(nth(correlation, mine.row), row) * (mine.share * share)])
    return { ...measure, tolerance: mine.tolerance, tiedTo: Object.fromEntries(tied) as UncertainMeasure['tiedTo'] }
  })
}

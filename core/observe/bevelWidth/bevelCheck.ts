import { nth } from '../../math/list'
import { bevelAt } from '../../steel/bevel/bevelAlong'
import type { Blade } from '../../records/blade/blade'
import { primaryFaceDeg } from '../../records/blade/primaryFace'
import { asThickAs } from '../../records/blade/taper'
import { singleCauses, type SingleCause, type Suspect } from '../calibration/singleCauses'
import type { PerSide, Side } from '../../records/common/side'
import { curveLength } from '../../math/curve/arcLength'
import { radians } from '../../math/units/angle'

/** A width of the bevel's face as it was measured, mm, and how sure (95 in 100). */
export interface WidthFound {
  readonly side: Side
  readonly placeMm: number
  readonly widthMm: number
  readonly uncertaintyMm: number
  /** The edge angle there, proved or set, degrees, and how sure. */
  readonly edgeDeg: number
  readonly edgeUncertaintyDeg: number
}

/** A measured width against the one that angle, thickness and taper give. */
export interface WidthChecked extends WidthFound {
  readonly predictedMm: number
  readonly predictedUncertaintyMm: number
  /** Measured less predicted. */
  readonly differsMm: number
  /** No further off than both are sure. */
  readonly agrees: boolean
}

/** What a width that is wrong says. */
export type WidthCause =
  /** The new face has not taken all of the old bevel yet: its apex part, or its shoulder, still stands. */
  | { readonly what: 'not-through'; readonly sides: readonly Side[] }
  /** mm of both sides together, more behind the edge than written down. */
  | SingleCause<'thickness'>
  /** mm that the apex lies off the middle, towards A. */
  | SingleCause<'apex'>
  /** Degrees that the edge is steeper than it is said to be: of one side, or of both alike. */
  | SingleCause<'angle' | 'angle-A' | 'angle-B'>

/** The thickness behind the edge as a caliper tells it, mm, 95 in 100. A starting value, ours. */
const THICKNESS_TOLERANCE_MM = 0.06
/** How far the apex lies off the middle on a blade that was ground evenly, mm, 95 in 100. A starting value, ours. */
const APEX_TOLERANCE_MM = 0.05
const STEP = 1e-3

/**
 * Measured widths against the predicted ones. Places where the angle gives no bevel that ends on the blade are left
 * out. Source: docs/bevel-check.md.
 */
export function checkWidths(blade: Blade, found: readonly WidthFound[]): WidthChecked[] {
  return found.flatMap((one): WidthChecked[] => {
    const predictedMm = widthAt(blade, one)
    if (predictedMm === null) return []
    const byAngle = slopeByAngle(blade, one) * one.edgeUncertaintyDeg
    const byThickness = slopeByThickness(blade, one) * THICKNESS_TOLERANCE_MM
    const predictedUncertaintyMm = Math.hypot(byAngle, byThickness)
    const differsMm = one.widthMm - predictedMm
    const agrees = Math.abs(differsMm) <= Math.hypot(one.uncertaintyMm, predictedUncertaintyMm)
    return [{ ...one, predictedMm, predictedUncertaintyMm, differsMm, agrees }]
  })
}

/**
 * What would explain widths that are wrong, likeliest first; none where all agree. `through`: whether each side was
 * seen to be cut through to the apex, null where nobody said. Source: docs/bevel-check.md, "What a wrong width says".
 */
export function widthCauses(
  blade: Blade,
  checked: readonly WidthChecked[],
  through: PerSide<boolean | null>,
): WidthCause[] {
  const wrong = checked.filter(({ agrees }) => !agrees)
  if (wrong.length === 0) return []
  const open = [...new Set(wrong.map(({ side }) => side))].filter((side) => through[side] !== true)
  const narrow = wrong.every(({ differsMm, side }) => differsMm < 0 && open.includes(side))
  const angleUncertaintyDeg = Math.max(...checked.map(({ edgeUncertaintyDeg }) => edgeUncertaintyDeg))
  const angle = (what: 'angle' | 'angle-A' | 'angle-B', on: readonly Side[]): Suspect<typeof what> => ({
    what,
    tolerance: angleUncertaintyDeg,
    perUnit: (i, off) => (on.includes(nth(checked, i).side) ? slopeByAngle(blade, nth(checked, i), off) : 0),
  })
  const suspects: Suspect<Exclude<WidthCause['what'], 'not-through'>>[] = [
    {
      what: 'thickness',
      tolerance: THICKNESS_TOLERANCE_MM,
      perUnit: (i) => slopeByThickness(blade, nth(checked, i)),
    },
    angle('angle', ['A', 'B']),
  ]
  if (new Set(checked.map(({ side }) => side)).size > 1) {
    const apex = { tolerance: APEX_TOLERANCE_MM, perUnit: (i: number) => slopeByApex(blade, nth(checked, i)) }
    suspects.push({ what: 'apex', ...apex }, angle('angle-A', ['A']), angle('angle-B', ['B']))
  }
  const differences = checked.map(({ differsMm, uncertaintyMm }) => ({
    differs: differsMm,
    uncertainty: uncertaintyMm,
  }))
  return [...(narrow ? [{ what: 'not-through' as const, sides: open }] : []), ...singleCauses(differences, suspects)]
}

type MeasuredPlace = Pick<WidthFound, 'side' | 'placeMm' | 'edgeDeg'>
const shareOf = (blade: Blade, { placeMm }: MeasuredPlace): number => placeMm / curveLength(blade.edge)

const widthAt = (blade: Blade, place: MeasuredPlace): number | null =>
  bevelAt(blade, place.side, shareOf(blade, place), place.edgeDeg).afterMm

/** mm of width for each degree steeper, where it is so many degrees steeper. */
function slopeByAngle(blade: Blade, place: MeasuredPlace, off = 0): number {
  const by = Math.abs(off) < STEP ? STEP : off
  const [now, then] = [widthAt(blade, place), widthAt(blade, { ...place, edgeDeg: place.edgeDeg + by })]
  return now === null || then === null ? 0 : (then - now) / by
}

/** mm of width for a millimetre more behind the edge, all along, on a blade whose flanks stay as steep as they are. */
function slopeByThickness(blade: Blade, place: MeasuredPlace): number {
  const thicker = {
    ...blade,
    spineThicknessMm: blade.spineThicknessMm + STEP,
    spineThicknessTipMm: blade.spineThicknessTipMm === null ? null : blade.spineThicknessTipMm + STEP,
    thicknessBehindEdgeMm: blade.thicknessBehindEdgeMm + STEP,
    thicknessBehindEdgeTipMm: blade.thicknessBehindEdgeTipMm === null ? null : blade.thicknessBehindEdgeTipMm + STEP,
  }
  const [now, then] = [widthAt(blade, place), widthAt(thicker, place)]
  return now === null || then === null ? 0 : (then - now) / STEP
}

/** mm of width for a millimetre of apex towards side A: A's face ends sooner on its flank, B's later. */
function slopeByApex(blade: Blade, place: MeasuredPlace): number {
  const flank = radians(primaryFaceDeg(asThickAs(blade, shareOf(blade, place)), place.side))
  const edge = radians(place.edgeDeg)
  const across = Math.sin(edge) - Math.cos(edge) * Math.tan(flank)
  return across > STEP ? (place.side === 'A' ? -1 : 1) / across : 0
}

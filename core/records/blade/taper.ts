import { curveLength } from '../../math/curve/arcLength'
import type { Blade } from './blade'
import { primaryHalfAngleDeg, type FaceMeasures } from './primaryHalfAngle'

/** Whether a blade is not of the same thickness all along, as far as it was measured. */
export const tapers = (of: Blade): boolean => of.spineThicknessTipMm !== null || of.thicknessBehindEdgeTipMm !== null

/** How much thinner a blade's spine gets for each millimetre towards its tip; 0 where that was not measured. */
export const thinsPerMm = ({ spineThicknessMm, spineThicknessTipMm, edge }: Blade): number =>
  spineThicknessTipMm === null ? 0 : (spineThicknessMm - spineThicknessTipMm) / Math.max(1, curveLength(edge))

/** A blade as thick all along as it is at a share of its edge. */
export function asThickAs(of: Blade, share: number): Blade {
  const { spineThicknessMm, thicknessBehindEdgeMm } = bladeThere(of, share)
  return { ...of, spineThicknessMm, thicknessBehindEdgeMm, spineThicknessTipMm: null, thicknessBehindEdgeTipMm: null }
}

/** How a blade is at one place along it. */
export interface BladeThere {
  readonly spineThicknessMm: number
  /** Both sides together, at the shoulder. */
  readonly thicknessBehindEdgeMm: number
  readonly primaryHalfAngleDeg: number
}

/**
 * The thicknesses of a blade at a share of its edge from heel (0) to tip (1): straight between what was measured over
 * the heel and near the tip, the same all along where the tip was not measured. Source: docs/geometry.md,
 * "Cross-section".
 */
export function bladeThere(
  of: FaceMeasures & Pick<Blade, 'spineThicknessTipMm' | 'thicknessBehindEdgeTipMm'>,
  share: number,
): BladeThere {
  const between = (heel: number, tip: number | null): number => heel + ((tip ?? heel) - heel) * share
  const spineThicknessMm = between(of.spineThicknessMm, of.spineThicknessTipMm)
  const thicknessBehindEdgeMm = between(of.thicknessBehindEdgeMm, of.thicknessBehindEdgeTipMm)
  return {
    spineThicknessMm,
    thicknessBehindEdgeMm,
    primaryHalfAngleDeg: primaryHalfAngleDeg({ ...of, spineThicknessMm, thicknessBehindEdgeMm }),
  }
}

import type { Blade } from './blade'
import { primaryHalfAngleDeg, type FaceMeasures } from './primaryHalfAngle'

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

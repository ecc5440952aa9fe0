import { lastOf, nth } from '../../math/list'
import { crossSectionHalf } from '../../records/blade/crossSection'
import { shareAlong } from '../../records/blade/shareAlong'
import { asThickAs } from '../../records/blade/taper'
import { clampFrame, toClampFrame } from '../clamping/clampFrame'
import type { EdgePoint } from '../../math/curve/edgePoints'
import type { Setup } from '../setup/setup'
import { degrees } from '../../math/units/angle'
import type { Vec2 } from '../../math/vector/vec2'

/** A stone with its holder and a light hand, N. */
export const STROKE_LOAD_N = 5
/** Young's modulus of steel, N/mm². */
const STEEL_N_MM2 = 205_000
/** The load spreads to both sides at 45° on its way to the jaws. */
const SPREAD = 2
const SLICES = 200

/**
 * How far the blade gives way under the stone at a place of its edge, degrees: its slope there as a strip clamped at
 * the jaws, as thick as its section and widening towards them, loaded behind its bevel. The edge comes out about so
 * much flatter than set. Null on a table, which carries the blade. Source: docs/geometry.md, "Will it hold".
 */
export function bendsDeg(
  { rig, blade, hold, stone }: Setup,
  edgePoint: EdgePoint,
  edgeAngleDeg: number,
): number | null {
  if (!rig.jaws) return null
  const [u, v] = toClampFrame(edgePoint.point, clampFrame(hold))
  const overhangMm = Math.hypot(Math.max(0, v), Math.max(0, Math.abs(u) - rig.jaws.widthMm / 2))
  const section = crossSectionHalf(asThickAs(blade, shareAlong(blade, edgePoint)), edgeAngleDeg)
  const [shoulderMm] = nth(section, 1)
  if (overhangMm <= shoulderMm) return 0
  const step = (overhangMm - shoulderMm) / SLICES
  let slope = 0
  for (let i = 0; i < SLICES; i++) {
    const fromEdge = shoulderMm + (i + 0.5) * step
    const thickMm = (blade.bevels === 'A' ? 1 : 2) * halfThickness(section, fromEdge)
    const wideMm = stone.widthMm + SPREAD * fromEdge
    slope += (STROKE_LOAD_N * fromEdge * step) / ((STEEL_N_MM2 * wideMm * thickMm ** 3) / 12)
  }
  return degrees(slope)
}

function halfThickness(section: readonly Vec2[], depthMm: number): number {
  const behind = section.findIndex(([depth]) => depth >= depthMm)
  if (behind < 1) return lastOf(section)[1]
  const [[from, thin], [to, thick]] = [nth(section, behind - 1), nth(section, behind)]
  return thin + ((depthMm - from) / (to - from)) * (thick - thin)
}

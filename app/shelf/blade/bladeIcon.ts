import { outlinePath } from '#core/records/blade/outline'
import type { Blade } from '#core/records/blade/blade'
import { curveLength } from '#core/math/curve/arcLength'
import { evenEdgePoints } from '#core/math/curve/edgePoints'

const HANDLE_MM = 26

/** Blades of one length class share a scale, so that a short one is told from a long. */
const SPANS_MM = { short: 110, long: 215 } as const
export const bladeSpanMm = (blade: Blade): number =>
  curveLength(blade.edge) > SPANS_MM.short ? SPANS_MM.long : SPANS_MM.short

/** A blade's outline at a common scale for a list, edge down, handle to the left: path, handle and viewBox, mm. */
export function bladeIcon(
  blade: Blade,
  spanMm: number,
): { path: string; viewBox: string; handle: { x: number; y: number; width: number; height: number } } {
  const ys = evenEdgePoints(blade.edge, 40).map((s) => s.point[1])
  const highest = Math.max(blade.widthMm, ...ys)
  return {
    path: outlinePath(blade),
    viewBox: `${-HANDLE_MM - 2} -6 ${spanMm + HANDLE_MM + 4} ${Math.max(highest, 40) + 12}`,
    handle: {
      x: -HANDLE_MM,
      y: blade.widthMm * 0.06,
      width: HANDLE_MM - 1,
      height: Math.min(blade.widthMm * 0.88, 24),
    },
  }
}

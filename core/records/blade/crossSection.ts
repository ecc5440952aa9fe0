import { radians } from '../../math/units/angle'
import type { Vec2 } from '../../math/vector/vec2'
import { bevelThicknessMm } from './bevelThickness'
import type { Blade } from './blade'

/**
 * Half the cross-section of a blade, from apex to spine, as points (inward from the apex, half-thickness), mm, for a
 * bevel at `edgeAngleDeg`. A blade with a bevel on side A alone has all its thickness on that side of its flat back.
 * Source: docs/geometry.md, "Cross-section".
 */
export function crossSectionHalf(of: Blade, edgeAngleDeg: number): Vec2[] {
  const shoulder = bevelThicknessMm(of)
  const spine = of.bevels === 'A' ? of.spineThicknessMm : of.spineThicknessMm / 2
  const bevelDepth = Math.min(shoulder / Math.tan(radians(edgeAngleDeg)), of.widthMm / 2)
  const grindEnd = Math.max(bevelDepth + 0.1, Math.min(of.primaryGrindHeightMm, of.widthMm))
  return [
    [0, 0],
    [bevelDepth, shoulder],
    ...grindCurve(of, [bevelDepth, shoulder], [grindEnd, spine]),
    [grindEnd, spine],
    [Math.max(of.widthMm, grindEnd), spine],
  ]
}

const BOW = { flat: 0, sabre: 0, hollow: -0.18, convex: 0.18 } as const

/**
 * How far a hollow (negative) or convex primary face bows from the straight line between its ends, halfway, mm; by the
 * half-thickness that it gains. The face is a parabola.
 */
export const bowMm = (grind: Blade['grind'], gainsMm: number): number => BOW[grind] * gainsMm

function grindCurve(of: Blade, from: Vec2, to: Vec2): Vec2[] {
  const bow = bowMm(of.grind, to[1] - from[1])
  if (bow === 0) return []
  return [0.2, 0.4, 0.6, 0.8].map((t): Vec2 => [
    from[0] + (to[0] - from[0]) * t,
    from[1] + (to[1] - from[1]) * t + 4 * bow * t * (1 - t),
  ])
}

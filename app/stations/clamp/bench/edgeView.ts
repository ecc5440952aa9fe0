import { bevelWidthMm } from '#core/steel/bevel/bevelWidth'
import { bevelThicknessMm } from '#core/records/blade/bevelThickness'
import { crossSectionHalf } from '#core/records/blade/crossSection'
import type { Blade } from '#core/records/blade/blade'
import { radians } from '#core/math/units/angle'
import { MM_PER_PIXEL } from '#core/math/units/length'
import type { Vec2 } from '#core/math/vector/vec2'

export interface EdgeView {
  readonly steel: readonly Vec2[]
  /** Bevel that the wanted angle would grind. */
  readonly wanted: readonly [Vec2, Vec2]
  readonly face: readonly [Vec2, Vec2]
  readonly apex: Vec2
  readonly bevelSetMm: number
  readonly bevelWantedMm: number
  /** How many times life size, on a screen of 96 pixels to the inch. */
  readonly times: number
}

/**
 * The edge alone, magnified: apex to the right, inward to the left, the bevel as set and as wanted. Pixels of a frame.
 */
export function edgeView(blade: Blade, setDeg: number, wantedDeg: number, width: number, height: number): EdgeView {
  const thickness = bevelThicknessMm(blade)
  const [bevelSetMm, bevelWantedMm] = [bevelWidthMm(thickness, setDeg), bevelWidthMm(thickness, wantedDeg)]
  const scale = Math.min(
    (width * 0.5) / Math.max(bevelSetMm, bevelWantedMm, 0.2),
    (height * 0.34) / Math.max(thickness, 0.1),
  )
  const apex: Vec2 = [width * 0.64, height * (blade.bevels === 'A' ? 0.72 : 0.5)]
  const px = (inward: number, up: number): Vec2 => [apex[0] - inward * scale, apex[1] - up * scale]
  const half = crossSectionHalf(blade, setDeg)
  const lower = half.map(([inward, up]) => px(inward, blade.bevels === 'A' ? 0 : -up)).reverse()
  const ray = (deg: number, mm: number): Vec2 => px(mm * Math.cos(radians(deg)), mm * Math.sin(radians(deg)))
  return {
    steel: [...half.map(([inward, up]) => px(inward, up)), ...lower],
    wanted: [apex, ray(wantedDeg, bevelWantedMm * 1.15)],
    face: [ray(setDeg, -0.12 * bevelSetMm), ray(setDeg, 1.5 * bevelSetMm)],
    apex,
    bevelSetMm,
    bevelWantedMm,
    times: Math.round(scale * MM_PER_PIXEL),
  }
}

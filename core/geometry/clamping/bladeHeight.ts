import type { Curve } from '../../math/curve/curve'
import { stationAt, type Station } from '../../math/curve/stations'
import { clampFrame, holdWith, toBladeFrame, toClampFrame } from './clampFrame'
import type { ClampPosition } from '../../records/job/clampPosition'

/**
 * The place of the edge over the middle of the jaws (u = 0), found between neighbouring stations; the end nearer to the
 * jaws where the edge does not pass over them. Stations: from heel to tip.
 */
export function stationOverJaws(edge: Curve, stations: readonly Station[], hold: ClampPosition): Station {
  const frame = clampFrame(hold)
  const u = stations.map((station) => toClampFrame(station.point, frame)[0])
  for (let i = 1; i < u.length; i++) {
    const a = u[i - 1]!
    const b = u[i]!
    if (a <= 0 === b <= 0) continue
    const from = stations[i - 1]!.fromHeelMm
    return stationAt(edge, from + (a / (a - b)) * (stations[i]!.fromHeelMm - from))
  }
  return Math.abs(u[0]!) < Math.abs(u[u.length - 1]!) ? stations[0]! : stations[stations.length - 1]!
}

/** Blade height, mm: how far the edge stands out of the jaws at a station. Source: docs/geometry.md, "Frames". */
export const bladeHeightMm = (station: Station, hold: ClampPosition): number =>
  toClampFrame(station.point, clampFrame(hold))[1]

/** The blade moved by so much along the jaws (towards the tip) and out of them, in the clamp frame, mm. */
export const moved = (hold: ClampPosition, alongMm: number, outMm: number): ClampPosition =>
  holdWith(toBladeFrame([0, 0], clampFrame(hold)), [alongMm, outMm], hold)

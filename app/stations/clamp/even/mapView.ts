import { scaleLinear } from 'd3-scale'
import { lastOf, nth } from '#core/math/list'
import type { ClampPosition } from '#core/records/job/clampPosition'
import type { PlacementMap } from '#core/placement/searchPlacement'
import type { LengthUnit } from '#core/math/units/length'
import type { Vec2 } from '#core/math/vector/vec2'
import { lengthTicks, ticks, type Frame, type Tick } from '~/drawing/axes'

export interface MapView {
  readonly width: number
  readonly height: number
  readonly frame: Frame
  /** Shade from 0.04 (best) to 0.95 (worst shown); null where the blade cannot be held so. */
  readonly cells: readonly { x: number; y: number; width: number; height: number; shade: number | null }[]
  readonly acrossTicks: readonly Tick[]
  readonly upTicks: readonly Tick[]
  readonly best: Vec2 | null
  /** As it is held; null where that lies off the map. */
  readonly now: Vec2 | null
}

const SIZE = { width: 380, height: 210 } as const
const FRAME = { x: 34, y: 6, width: 340, height: 164 } as const
/** Costs beyond so many times the best are all alike: too much. */
const MOST_TIMES = 6

/** The map of a placement search as a grid of shaded cells, in its own units of drawing. */
export function mapView(map: PlacementMap, best: ClampPosition | null, now: ClampPosition, unit: LengthUnit): MapView {
  const [x0, x1] = [nth(map.bladeXMm, 0), lastOf(map.bladeXMm)]
  const [t0, t1] = [nth(map.turnDeg, 0), lastOf(map.turnDeg)]
  const cell = { width: FRAME.width / map.bladeXMm.length, height: FRAME.height / map.turnDeg.length }
  const across = scaleLinear([x0, x1], [FRAME.x + cell.width / 2, FRAME.x + FRAME.width - cell.width / 2])
  const up = scaleLinear([t0, t1], [FRAME.y + FRAME.height - cell.height / 2, FRAME.y + cell.height / 2])
  const costs = map.cost.flat().filter((cost): cost is number => cost !== null)
  const least = Math.min(...costs)
  const most = Math.min(Math.max(...costs), Math.max(least * MOST_TIMES, least + 1e-6))
  const shade = (cost: number) => 0.04 + 0.91 * Math.sqrt(Math.min(1, (cost - least) / Math.max(most - least, 1e-9)))
  const inside = (hold: ClampPosition): Vec2 | null =>
    hold.bladeXMm < x0 || hold.bladeXMm > x1 || hold.turnDeg < t0 || hold.turnDeg > t1
      ? null
      : [across(hold.bladeXMm), up(hold.turnDeg)]
  return {
    ...SIZE,
    frame: FRAME,
    cells: map.cost.flatMap((row, j) =>
      row.map((cost, i) => ({
        x: across(nth(map.bladeXMm, i)) - cell.width / 2,
        y: up(nth(map.turnDeg, j)) - cell.height / 2,
        width: cell.width + 0.4,
        height: cell.height + 0.4,
        shade: cost === null ? null : shade(cost),
      })),
    ),
    acrossTicks: lengthTicks(across, unit, 6),
    upTicks: ticks(up, 5, '°'),
    best: best && inside(best),
    now: inside(now),
  }
}

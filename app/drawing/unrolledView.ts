import { scaleLinear } from 'd3-scale'
import type { BevelThere } from '#core/bevel/bevelAlong'
import type { Zone } from '#core/blade/zones'
import { fromMm, type LengthUnit } from '#core/units/length'
import type { Vec2 } from '#core/vector/vec2'
import { chains } from './chains'
import { pointList } from './viewport'

interface Tick {
  readonly at: number
  readonly text: string
}

export interface UnrolledView {
  readonly left: number
  readonly right: number
  readonly angle: {
    readonly top: number
    readonly bottom: number
    readonly ticks: readonly Tick[]
    readonly wantedY: number
    readonly lines: readonly string[]
    readonly fills: readonly { steeper: boolean; points: string }[]
  }
  readonly bevel: {
    readonly top: number
    readonly bottom: number
    readonly ticks: readonly Tick[]
    readonly before: readonly string[]
    readonly after: readonly string[]
  }
  readonly acrossTicks: readonly Tick[]
  readonly zones: readonly { kind: Zone['kind']; from: number; to: number }[]
  readonly at: (fromHeelMm: number) => number
  readonly lengthAt: (x: number) => number
}

const MARGIN = { left: 56, right: 14, top: 12, bottom: 26 } as const
const ZONES_HEIGHT = 26
const GAP = 14
const ANGLE_SHARE = 0.6
const LEAST_SPAN_DEG = 1.5
const TICK_PX = 85

/**
 * The edge unrolled from heel to tip: angle over it with the deviation filled, its zones, and the bevel's width before
 * and after; pixels.
 */
export function unrolledView(
  places: readonly { readonly fromHeelMm: number; readonly edgeAngleDeg: number | null }[],
  bevels: readonly BevelThere[],
  zones: readonly Zone[],
  wantedDeg: number,
  size: { width: number; height: number },
  unit: LengthUnit,
): UnrolledView {
  const [left, right] = [MARGIN.left, size.width - MARGIN.right]
  const total = places.at(-1)?.fromHeelMm || 1
  const across = scaleLinear([0, total], [left, right])
  const room = size.height - MARGIN.top - MARGIN.bottom - ZONES_HEIGHT - GAP
  const angleBottom = MARGIN.top + room * ANGLE_SHARE
  const bevelTop = angleBottom + ZONES_HEIGHT + GAP
  const bevelBottom = size.height - MARGIN.bottom
  const angles = places.flatMap((place) => place.edgeAngleDeg ?? [])
  const [least, most] = [Math.min(wantedDeg, ...angles), Math.max(wantedDeg, ...angles)]
  const spare = Math.max(0.12 * (most - least), (LEAST_SPAN_DEG - (most - least)) / 2)
  const up = scaleLinear([least - spare, most + spare], [angleBottom, MARGIN.top])
  const widest = Math.max(0.1, ...bevels.flatMap((there) => [there.beforeMm ?? 0, there.afterMm ?? 0]))
  const wide = scaleLinear([0, fromMm(widest * 1.1, unit)], [bevelBottom, bevelTop])
  const inUnit = scaleLinear([0, fromMm(total, unit)], across.range())
  const count = Math.max(3, Math.round((right - left) / TICK_PX))
  return {
    left,
    right,
    angle: {
      top: MARGIN.top,
      bottom: angleBottom,
      ticks: up.ticks(4).map((value) => ({ at: up(value), text: `${up.tickFormat(4)(value)}°` })),
      wantedY: up(wantedDeg),
      lines: chains(
        places.map((place) =>
          place.edgeAngleDeg === null ? null : [across(place.fromHeelMm), up(place.edgeAngleDeg)],
        ),
      ),
      fills: fills(),
    },
    bevel: {
      top: bevelTop,
      bottom: bevelBottom,
      ticks: wide.ticks(3).map((value) => ({ at: wide(value), text: wide.tickFormat(3)(value) })),
      before: chains(
        bevels.map((there) =>
          there.beforeMm === null ? null : [across(there.fromHeelMm), wide(fromMm(there.beforeMm, unit))],
        ),
      ),
      after: chains(
        bevels.map((there) =>
          there.afterMm === null ? null : [across(there.fromHeelMm), wide(fromMm(there.afterMm, unit))],
        ),
      ),
    },
    acrossTicks: inUnit.ticks(count).map((value) => ({ at: inUnit(value), text: inUnit.tickFormat(count)(value) })),
    zones: zones.map((zone) => ({ kind: zone.kind, from: across(zone.fromMm), to: across(zone.toMm) })),
    at: (mm) => across(mm),
    lengthAt: (x) => Math.min(total, Math.max(0, across.invert(x))),
  }

  /** Between the line and the wanted angle: above it and below it apart. */
  function fills(): { steeper: boolean; points: string }[] {
    return [true, false].map((steeper) => {
      const top = places.map((place): Vec2 => {
        const deg = place.edgeAngleDeg ?? wantedDeg
        return [across(place.fromHeelMm), up(steeper ? Math.max(deg, wantedDeg) : Math.min(deg, wantedDeg))]
      })
      return { steeper, points: pointList([[left, up(wantedDeg)], ...top, [right, up(wantedDeg)]]) }
    })
  }
}

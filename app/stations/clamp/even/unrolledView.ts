import { scaleLinear } from 'd3-scale'
import type { BevelThere } from '#core/steel/bevel/bevelAlong'
import type { Zone } from '#core/records/blade/zones'
import type { LengthUnit } from '#core/math/units/length'
import type { Vec2 } from '#core/math/vector/vec2'
import { lengthTicks, placeAt, ticks, type Frame, type Tick } from '~/drawing/axes'
import { chains } from '~/drawing/chains'
import { pointList } from '~/drawing/viewport'

export interface UnrolledView {
  readonly angle: {
    readonly frame: Frame
    readonly ticks: readonly Tick[]
    readonly wantedY: number
    readonly lines: readonly string[]
    readonly fills: readonly { steeper: boolean; points: string }[]
  }
  readonly bevel: {
    readonly frame: Frame
    readonly ticks: readonly Tick[]
    readonly before: readonly string[]
    readonly after: readonly string[]
  }
  readonly acrossTicks: readonly Tick[]
  readonly zonesY: number
  readonly zones: readonly { kind: Zone['kind']; from: number; to: number }[]
  readonly at: (fromHeelMm: number) => number
  readonly lengthAt: (x: number) => number
}

const MARGIN = { left: 56, right: 14, top: 12, bottom: 26 } as const
const ZONES_HEIGHT = 26
const GAP = 14
const ANGLE_SHARE = 0.6
const LEAST_SPAN_DEG = 1.5

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
  const wide = scaleLinear([0, widest * 1.1], [bevelBottom, bevelTop])
  const bevelLine = (of: (there: BevelThere) => number | null) =>
    chains(
      bevels.map((there) => {
        const mm = of(there)
        return mm === null ? null : [across(there.fromHeelMm), wide(mm)]
      }),
    )
  return {
    angle: {
      frame: { x: left, y: MARGIN.top, width: right - left, height: angleBottom - MARGIN.top },
      ticks: ticks(up, 4, '°'),
      wantedY: up(wantedDeg),
      lines: chains(
        places.map((place) =>
          place.edgeAngleDeg === null ? null : [across(place.fromHeelMm), up(place.edgeAngleDeg)],
        ),
      ),
      fills: fills(),
    },
    bevel: {
      frame: { x: left, y: bevelTop, width: right - left, height: bevelBottom - bevelTop },
      ticks: lengthTicks(wide, unit, 3),
      before: bevelLine((there) => there.beforeMm),
      after: bevelLine((there) => there.afterMm),
    },
    acrossTicks: lengthTicks(across, unit),
    zonesY: angleBottom,
    zones: zones.map((zone) => ({ kind: zone.kind, from: across(zone.fromMm), to: across(zone.toMm) })),
    at: (mm) => across(mm),
    lengthAt: (x) => placeAt(across, x),
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

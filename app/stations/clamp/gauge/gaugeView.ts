import { scaleLinear } from 'd3-scale'
import type { Stretch } from '#core/geometry/gauge/whereSquare'
import type { LengthUnit } from '#core/math/units/length'
import { frameWithin, lengthTicks, placeAt, ticks, type Frame, type Tick } from '~/drawing/axes'
import { chains } from '~/drawing/chains'

/** A place of the edge with its edge angle and what the gauge must read there; null where there is none. */
export interface GaugePlace {
  readonly fromHeelMm: number
  readonly edgeAngleDeg: number | null
  readonly readingDeg: number | null
}

const MARGIN = { left: 52, right: 22, top: 18, bottom: 58 } as const
/** A flat line is not blown up: the scale spans two degrees at least. */
const LEAST_SPAN_DEG = 2

export interface GaugeView {
  readonly frame: Frame
  readonly acrossTicks: readonly Tick[]
  readonly upTicks: readonly Tick[]
  readonly edge: readonly string[]
  readonly reading: readonly string[]
  /** Where the gauge reads the edge angle itself. */
  readonly square: readonly { x: number; width: number }[]
  readonly at: (fromHeelMm: number) => number
  readonly up: (deg: number) => number
  readonly lengthAt: (x: number) => number
}

/** The edge unrolled from heel to tip with the edge angle and the gauge's reading along it, in pixels. */
export function gaugeView(
  places: readonly GaugePlace[],
  square: readonly Stretch[],
  size: { width: number; height: number },
  unit: LengthUnit,
): GaugeView {
  const frame = frameWithin(size, MARGIN)
  const total = places.at(-1)?.fromHeelMm ?? 1
  const figures = places
    .flatMap((place) => [place.edgeAngleDeg, place.readingDeg])
    .filter((deg): deg is number => deg !== null)
  const [least, most] = figures.length > 0 ? [Math.min(...figures), Math.max(...figures)] : [0, LEAST_SPAN_DEG]
  const spare = Math.max(0.15 * (most - least), (LEAST_SPAN_DEG - (most - least)) / 2)
  const across = scaleLinear([0, total], [frame.x, frame.x + frame.width])
  const up = scaleLinear([least - spare, most + spare], [frame.y + frame.height, frame.y])
  const lineOf = (of: (place: GaugePlace) => number | null) =>
    chains(
      places.map((place) => {
        const deg = of(place)
        return deg === null ? null : [across(place.fromHeelMm), up(deg)]
      }),
    )
  return {
    frame,
    acrossTicks: lengthTicks(across, unit),
    upTicks: ticks(up, 5, '°'),
    edge: lineOf((place) => place.edgeAngleDeg),
    reading: lineOf((place) => place.readingDeg),
    square: square.map(({ fromMm: from, toMm: to }) => ({
      x: across(from) - 3,
      width: Math.max(6, across(to) - across(from) + 6),
    })),
    at: (mm) => across(mm),
    up: (deg) => up(deg),
    lengthAt: (x) => placeAt(across, x),
  }
}

import { scaleLinear, type ScaleLinear } from 'd3-scale'
import { fromMm, type LengthUnit } from '#core/math/units/length'

/** A round value on an axis: where it lies, in pixels, and what stands there. */
export interface Tick {
  readonly at: number
  readonly text: string
}

export interface Frame {
  readonly x: number
  readonly y: number
  readonly width: number
  readonly height: number
}

type Axis = ScaleLinear<number, number>
const PX_PER_TICK = 85

/** The part of a drawing within its margins; never quite nothing. */
export const frameWithin = (
  size: { width: number; height: number },
  margin: { left: number; right: number; top: number; bottom: number },
): Frame => ({
  x: margin.left,
  y: margin.top,
  width: Math.max(10, size.width - margin.left - margin.right),
  height: Math.max(10, size.height - margin.top - margin.bottom),
})

/** About so many round values of an axis. */
export const ticks = (axis: Axis, count: number, unit = ''): Tick[] =>
  axis.ticks(count).map((value) => ({ at: axis(value), text: `${axis.tickFormat(count)(value)}${unit}` }))

/** Round values, in the unit shown, of an axis of lengths in mm; as many as there is room for, if no count is given. */
export function lengthTicks(axis: Axis, unit: LengthUnit, count?: number): Tick[] {
  const [from = 0, to = 0] = axis.range()
  const inUnit = scaleLinear(
    axis.domain().map((mm) => fromMm(mm, unit)),
    axis.range(),
  )
  return ticks(inUnit, count ?? Math.max(3, Math.round(Math.abs(to - from) / PX_PER_TICK)))
}

/** The place on an axis that starts at 0 under a pixel, kept on the axis. */
export const placeAt = (axis: Axis, pixel: number): number =>
  Math.min(axis.domain()[1] ?? 0, Math.max(0, axis.invert(pixel)))

import { scaleLinear } from 'd3-scale'
import { nth } from '#core/math/list'
import type { EqualAngleLine } from '#core/geometry/dial/equalAngles'
import type { LengthUnit } from '#core/math/units/length'
import { clamp } from '#core/math/units/figures'
import type { Vec2 } from '#core/math/vector/vec2'
import { frameWithin, lengthTicks, type Frame, type Tick } from '~/drawing/axes'
import { pointList } from '~/drawing/viewport'

/** The stretch of blade heights and pivot heights that the chart shows, mm. */
export interface WhatIfRange {
  readonly blade: readonly [number, number]
  readonly pivot: readonly [number, number]
}

const MARGIN = { left: 64, right: 50, top: 16, bottom: 46 } as const
const AROUND_MM = { blade: 24, pivot: 26 } as const

/** A stretch around what is set, kept within what the rig can do and out of the jaws. */
export function whatIfRange(
  bladeHeightMm: number,
  pivotHeightMm: number,
  rig: { lowestMm: number; highestMm: number },
): WhatIfRange {
  const fromBlade = Math.max(2, bladeHeightMm - AROUND_MM.blade)
  const fromPivot = Math.max(
    rig.lowestMm,
    Math.min(pivotHeightMm - AROUND_MM.pivot, rig.highestMm - 2 * AROUND_MM.pivot),
  )
  return {
    blade: [fromBlade, fromBlade + 2 * AROUND_MM.blade],
    pivot: [fromPivot, Math.max(Math.min(rig.highestMm, fromPivot + 2 * AROUND_MM.pivot), fromPivot + 4)],
  }
}

export interface WhatIfView {
  readonly frame: Frame
  readonly acrossTicks: readonly Tick[]
  readonly upTicks: readonly Tick[]
  /** Lines of equal edge angle, with the place of their figure at the frame's border. */
  readonly lines: readonly { readonly edgeAngleDeg: number; readonly points: string; readonly label: Vec2 }[]
  /** Where the jaws would not hold the blade. */
  readonly barred: readonly { x: number; width: number }[]
  readonly point: Vec2
  /** Pixels for a millimetre, across and up. */
  readonly perMm: Vec2
  readonly at: (pivotHeightMm: number) => number
}

/** Blade height across, pivot height up, lines of equal edge angle, and where the rig stands now; in pixels. */
export function whatIfView(
  range: WhatIfRange,
  lines: readonly EqualAngleLine[],
  now: { bladeHeightMm: number; pivotHeightMm: number },
  heldMm: readonly [leastMm: number, mostMm: number] | null,
  size: { width: number; height: number },
  unit: LengthUnit,
): WhatIfView {
  const frame = frameWithin(size, MARGIN)
  const across = scaleLinear([...range.blade], [frame.x, frame.x + frame.width])
  const up = scaleLinear([...range.pivot], [frame.y + frame.height, frame.y])
  const ends = [frame.x, frame.x + frame.width] as const
  return {
    frame,
    acrossTicks: lengthTicks(across, unit),
    upTicks: lengthTicks(up, unit, 7),
    lines: lines.flatMap(({ edgeAngleDeg, points }) => {
      const inside = points
        .map((p): Vec2 => [across(p.bladeHeightMm), up(p.pivotHeightMm)])
        .filter(([, y]) => y >= frame.y && y <= frame.y + frame.height)
      const end = inside.at(-1)
      return inside.length < 2 || !end ? [] : [{ edgeAngleDeg, points: pointList(inside), label: end }]
    }),
    barred: barredBeside(heldMm && heldMm.map((mm) => clamp(across(mm), ends))),
    point: [across(now.bladeHeightMm), up(now.pivotHeightMm)],
    perMm: [across(1) - across(0), up(0) - up(1)],
    at: (pivotHeightMm) => up(pivotHeightMm),
  }

  /** What lies beside the stretch that is held; all of the frame where none is. */
  function barredBeside(held: readonly number[] | null): { x: number; width: number }[] {
    const [left, right] = ends
    const [from, to] = held ? [nth(held, 0), nth(held, 1)] : [right, right]
    return [
      { x: left, width: from - left },
      { x: to, width: right - to },
    ].filter(({ width }) => width > 0)
  }
}

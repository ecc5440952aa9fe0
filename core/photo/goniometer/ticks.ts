import { failed, type Failure } from '../../schema/result'
import { lastOf, nth } from '../../math/list'
import { flatScreenDeg, flatScreenMm, type Screen } from '../../observe/goniometer/scale'
import { dot, length, scale, subtract, add, unit, type Vec2 } from '../../math/vector/vec2'

/** A tick of the scale in a picture: where it stands, and the degrees that are written at it. */
export interface Tick {
  readonly at: Vec2
  readonly deg: number
}

export type TickProblem = 'few-ticks' | 'ticks-alike' | 'ticks-out-of-order'

/** The scale as it lies in a picture. */
export interface PictureScale {
  readonly ok: true
  readonly from: Vec2
  /** Along the scale, towards greater degrees. */
  readonly along: Vec2
  /** Between the outermost ticks that were tapped, pixels. */
  readonly lengthPx: number
  /** Pixels along the scale from `from` at a reading, and back, degrees. */
  pxOf(deg: number): number
  degOf(px: number): number
}

/**
 * The scale that ticks make: even in degrees on an arc, in the tangent of twice the angle on a flat screen; with three
 * ticks also foreshortened, as a line seen askew is. Source: docs/goniometer.md, "From a photograph".
 */
export function scaleOf(ticks: readonly Tick[], screen: Screen): PictureScale | Failure<TickProblem> {
  if (ticks.length < 2) return failed('few-ticks')
  const sorted = [...ticks].sort((a, b) => a.deg - b.deg)
  if (sorted.some(({ deg }, i) => i > 0 && deg - nth(sorted, i - 1).deg < 0.5)) return failed('ticks-alike')
  const [first, last] = [nth(sorted, 0), lastOf(sorted)]
  const along = unit(subtract(last.at, first.at))
  const lengthPx = length(subtract(last.at, first.at))
  const px = sorted.map(({ at }) => dot(subtract(at, first.at), along))
  const least = lengthPx / 100
  if (px.some((at, i) => i > 0 && at - nth(px, i - 1) < least)) return failed('ticks-out-of-order')
  // One distance is as good as another where the ticks are written in degrees.
  const flat = screen.kind === 'flat'
  const evenOf = (deg: number) => (flat ? flatScreenMm(deg, 1) : deg)
  const degOf = (even: number) => (flat ? flatScreenDeg(even, 1) : even)
  const even = sorted.map(({ deg }) => evenOf(deg))
  const middle = sorted.length > 2 ? sorted.length >> 1 : null
  const [e0, e1] = [nth(even, 0), lastOf(even)]
  /** even = (e0 + b·t) / (1 + c·t), t from 0 to 1 between the outermost ticks; c is 0 square to the camera. */
  const c = middle === null ? 0 : foreshortened(nth(px, middle) / lengthPx, nth(even, middle), e0, e1)
  const b = e1 * (1 + c) - e0
  return {
    ok: true,
    from: first.at,
    along,
    lengthPx,
    pxOf: (deg) => (lengthPx * (evenOf(deg) - e0)) / (b - c * evenOf(deg)),
    degOf: (at) => degOf((e0 + (b * at) / lengthPx) / (1 + (c * at) / lengthPx)),
  }
}

/** The one c that takes a middle tick, at t, to what is written at it. */
const foreshortened = (t: number, even: number, e0: number, e1: number): number =>
  (e0 + (e1 - e0) * t - even) / (t * (even - e1))

/** Where something so far along a scale, and so far beside it, stands in the picture. */
export const placeOn = ({ from, along }: PictureScale, px: number, besidePx: number): Vec2 =>
  add(from, add(scale(along, px), scale([-along[1], along[0]], besidePx)))

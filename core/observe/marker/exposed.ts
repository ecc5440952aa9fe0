import { lastOf, nth } from '../../math/list'
import { radians } from '../../math/units/angle'
import type { InkPattern } from '../../log/choices'
import type { BevelFace } from './face'

/** A face that bends less than this, radians, is flat. */
const FLAT_BEND = 1e-9

/** A stretch of the face as fractions of its width, from the shoulder (0) to the apex (1). */
export type Span = readonly [from: number, to: number]

/** From here on an eye calls a face bare all over. */
export const ALL_FROM = 0.975

/**
 * Where a face is within a depth of its highest point, as fractions of the face: between two places, or on a hollow
 * face (bend below 0) outside of them. The face's height over the stone's plane is −(fall + bend·x)·x. Fall: the face's
 * angle at the shoulder over the set angle, radians; bend: half of what the angle grows to the apex, radians; depth: in
 * widths of the face. Source: docs/ink.md, "What a light pass exposes".
 */
export function bareBetween(fall: number, bend: number, depth: number): Span {
  if (Math.abs(bend) < FLAT_BEND) return fall >= 0 ? [0, Math.min(1, depth / fall)] : [Math.max(0, 1 + depth / fall), 1]
  const top = bend > 0 ? Math.min(1, Math.max(0, -fall / (2 * bend))) : fall + bend < 0 ? 1 : 0
  const level = -(fall + bend * top) * top - depth
  const inside = fall * fall - 4 * bend * level
  // A hollow that the stone dips into all along.
  if (inside <= 0) return [0, 0]
  const root = Math.sqrt(inside)
  const [one, other] = [(-fall - root) / (2 * bend), (-fall + root) / (2 * bend)]
  return [Math.min(1, Math.max(0, Math.min(one, other))), Math.min(1, Math.max(0, Math.max(one, other)))]
}

/**
 * The spans of a face that a light pass bares: the stone's plane at the set angle comes down until it has gone the
 * contact depth below the first point it meets. A dull apex falls away from it on its radius. Source: docs/ink.md,
 * "What a light pass exposes".
 */
export function exposedSpans(face: BevelFace, setDeg: number, depthUm: number): Span[] {
  const { shoulderDeg, apexDeg, widthMm, apexRadiusUm = 0 } = face
  const dull = Math.min(0.9, apexRadiusUm / 1000 / Math.tan(radians(apexDeg)) / widthMm)
  const end = 1 - dull
  const bend = radians(apexDeg - shoulderDeg) / 2
  const [from, to] = bareBetween(radians(shoulderDeg - setDeg), bend * end, depthUm / 1000 / widthMm / end)
  const bare = (bend <= -FLAT_BEND ? [[0, from] as const, [to, 1] as const] : [[from, to] as const])
    .filter(([a, b]) => b > a)
    .map(([a, b]): Span => [a * end, b * end])
  const last = bare.at(-1)
  if (!last || dull === 0 || last[1] < end) return bare
  const roundTo = Math.min(1, end + Math.sqrt(2 * apexRadiusUm * depthUm) / 1000 / widthMm)
  return [...bare.slice(0, -1), [last[0], roundTo]]
}

/**
 * How far above the shoulder a pass bares the primary face, mm; Infinity where the stone lies on that face, 0 where the
 * shoulder is not reached. Source: docs/ink.md, "What a light pass exposes".
 */
export function exposedAboveMm(face: BevelFace, primaryDeg: number, setDeg: number, depthUm: number): number {
  if (setDeg <= primaryDeg) return Infinity
  const atShoulder = exposedSpans(face, setDeg, depthUm).some(([from]) => from === 0)
  return atShoulder ? depthUm / 1000 / Math.sin(radians(setDeg - primaryDeg)) : 0
}

/** A bare stretch that goes so far down reaches the apex, even where a dull one keeps a line of ink. */
const APEX_FROM = 0.95

/** What an eye makes of bare spans: their pattern, and their fraction of the face. */
export interface Exposed {
  readonly pattern: InkPattern
  readonly fraction: number
}

/** What is seen of bare spans. */
export function seenAs(spans: readonly Span[]): Exposed {
  const fraction = spans.reduce((sum, [from, to]) => sum + to - from, 0)
  if (fraction >= ALL_FROM) return { pattern: 'all', fraction: 1 }
  if (fraction <= 0) return { pattern: 'nothing', fraction: 0 }
  const [atShoulder, atApex] = [nth(spans, 0)[0] <= 0, lastOf(spans)[1] >= APEX_FROM]
  return { pattern: atShoulder && atApex ? 'ends' : atShoulder ? 'shoulder' : atApex ? 'apex' : 'middle', fraction }
}

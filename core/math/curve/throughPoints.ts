import { nth } from '../list'
import { degrees } from '../units/angle'
import { add, dot, length, scale, subtract, unit, type Vec2 } from '../vector/vec2'
import type { Segment } from './segment'

/** A turn sharper than this at a point is a corner. */
const CORNER_DEG = 25

/** Chords no steeper than this are kept from swinging out beyond the points. */
const MOST_SLOPE = 3

/**
 * A smooth curve through a few measured points (two or more), its corners kept sharp: Béziers whose ends take the
 * direction of their neighbours, a third of the way between. Where a stretch has only its two ends it is straight, and
 * where the points run on straight so does the curve: it is nowhere wider than they are. Source: Catmull and Rom, 1974;
 * Steffen, 1990.
 */
export function throughPoints(points: readonly Vec2[]): Segment[] {
  const turn = (i: number) => {
    const [a, b] = [subtract(nth(points, i), nth(points, i - 1)), subtract(nth(points, i + 1), nth(points, i))]
    return Math.abs(degrees(Math.atan2(a[0] * b[1] - a[1] * b[0], dot(a, b))))
  }
  const isEnd = (i: number) => i === 0 || i === points.length - 1 || turn(i) > CORNER_DEG
  /** The direction at a point, seen from one side of it where it is a corner. */
  const heading = (i: number, towards: 1 | -1): Vec2 =>
    isEnd(i) ? endHeading(i, towards) : headingThrough(nth(points, i - 1), nth(points, i), nth(points, i + 1))
  const endHeading = (i: number, towards: 1 | -1): Vec2 => {
    const next = i + towards
    const chord = unit(
      towards === 1 ? subtract(nth(points, next), nth(points, i)) : subtract(nth(points, i), nth(points, next)),
    )
    if (isEnd(next)) return chord
    // Mirrored about the chord: the ends bend as the stretch does.
    const there = headingThrough(nth(points, next - 1), nth(points, next), nth(points, next + 1))
    return subtract(scale(chord, 2 * dot(there, chord)), there)
  }
  return points.slice(1).map((to, i): Segment => {
    const from = nth(points, i)
    if (isEnd(i) && isEnd(i + 1)) return { type: 'line', from: [...from], to: [...to] }
    const third = length(subtract(to, from)) / 3
    return {
      type: 'bezier',
      points: [
        [...from],
        [...add(from, scale(heading(i, 1), third))],
        [...subtract(to, scale(heading(i + 1, -1), third))],
        [...to],
      ],
    }
  })
}

/**
 * The direction at a point between two others: of their chord, but no steeper than keeps the curve within what was
 * measured.
 */
function headingThrough(before: Vec2, at: Vec2, after: Vec2): Vec2 {
  const [[run, rise], [runOn, riseOn]] = [subtract(at, before), subtract(after, at)]
  const [slope, slopeOn] = [rise / run, riseOn / runOn]
  if (run <= 0 || runOn <= 0 || Math.max(Math.abs(slope), Math.abs(slopeOn)) > MOST_SLOPE)
    return unit(subtract(after, before))
  const parabola = (slope * runOn + slopeOn * run) / (run + runOn)
  return unit([
    1,
    (Math.sign(slope) + Math.sign(slopeOn)) * Math.min(Math.abs(slope), Math.abs(slopeOn), Math.abs(parabola) / 2),
  ])
}

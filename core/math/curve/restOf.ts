import { parameterAtLength, segmentLength } from './arcLength'
import type { Segment } from './segment'
import { segmentAt } from './segmentAt'
import type { Vec2 } from '../vector/vec2'

/** What is left of a curve from an arc length on (mm from its start); all of it from 0. */
export function restOf(curve: readonly Segment[], fromMm: number): Segment[] {
  let before = 0
  return curve.flatMap((piece): Segment[] => {
    const [start, size] = [before, segmentLength(piece)]
    before += size
    if (fromMm <= start + 1e-9) return [piece]
    return fromMm >= before - 1e-9 ? [] : [restOfPiece(piece, parameterAtLength(piece, fromMm - start))]
  })
}

function restOfPiece(piece: Segment, t: number): Segment {
  if (piece.type === 'line') return { ...piece, from: [...segmentAt(piece, t).point] }
  if (piece.type === 'arc') return { ...piece, startDeg: piece.startDeg + (piece.endDeg - piece.startDeg) * t }
  // De Casteljau's halving at t: the far sides of the triangle.
  const mix = (a: Vec2, b: Vec2): [number, number] => [a[0] + (b[0] - a[0]) * t, a[1] + (b[1] - a[1]) * t]
  const [a, b, c, d] = piece.points
  const [bc, cd] = [mix(b, c), mix(c, d)]
  const bcd = mix(bc, cd)
  return { type: 'bezier', points: [mix(mix(mix(a, b), bc), bcd), bcd, cd, d] }
}

import type { Vec2 } from '../vector/vec2'
import type { Segment } from './segment'

/** A curve moved by so much, mm. */
export const shifted = (of: readonly Segment[], [dx, dy]: Vec2): Segment[] => {
  const p = ([x, y]: Vec2): [number, number] => [x + dx, y + dy]
  return of.map((piece) => {
    if (piece.type === 'line') return { type: 'line', from: p(piece.from), to: p(piece.to) }
    if (piece.type === 'arc') return { ...piece, centre: p(piece.centre) }
    return { type: 'bezier', points: [p(piece.points[0]), p(piece.points[1]), p(piece.points[2]), p(piece.points[3])] }
  })
}

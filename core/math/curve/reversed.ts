import type { Curve } from './curve'

/** The same curve run from tip to heel. */
export const reversed = (of: Curve): Curve =>
  [...of].reverse().map((piece) => {
    if (piece.type === 'line') return { ...piece, from: piece.to, to: piece.from }
    if (piece.type === 'arc') return { ...piece, startDeg: piece.endDeg, endDeg: piece.startDeg }
    const [a, b, c, d] = piece.points
    return { ...piece, points: [d, c, b, a] }
  })

import type { Position, Seam } from '#core/placement/longBlade'

interface Stretch {
  /** Shares of the edge, heel to tip, in per cent. */
  readonly from: number
  readonly width: number
}

export interface PositionsView {
  readonly rows: readonly { readonly own: Stretch; readonly covers: Stretch }[]
  readonly seams: readonly number[]
}

/** The stretches of several positions over the edge unrolled from heel to tip. */
export function positionsView(positions: readonly Position[], seams: readonly Seam[]): PositionsView {
  const share = (mm: number): number => (100 * mm) / (positions.at(-1)?.toMm || 1)
  const stretch = (from: number, to: number): Stretch => ({ from: share(from), width: share(to - from) })
  return {
    rows: positions.map((position) => ({
      own: stretch(position.fromMm, position.toMm),
      covers: stretch(position.coversFromMm, position.coversToMm),
    })),
    seams: seams.map((seam) => share(seam.atMm)),
  }
}

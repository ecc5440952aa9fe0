import type { InkPattern } from '#core/ink/bared'

/** A rectangle of the strip, as shares of the face's height: 0 at the shoulder, 1 at the edge. */
export interface Bare {
  readonly from: number
  readonly to: number
}

/** Patterns of which a share is told. */
export const hasShare = (seen: InkPattern): boolean => !['all', 'nothing', 'above'].includes(seen)

/** Where a face is bare that shows a pattern, with so much of it bare. */
export function bareOf(seen: InkPattern, share: number): readonly Bare[] {
  if (seen === 'nothing' || seen === 'above') return []
  if (seen === 'all') return [{ from: 0, to: 1 }]
  if (seen === 'shoulder') return [{ from: 0, to: share }]
  if (seen === 'apex') return [{ from: 1 - share, to: 1 }]
  if (seen === 'middle') return [{ from: (1 - share) / 2, to: (1 + share) / 2 }]
  return [
    { from: 0, to: share / 2 },
    { from: 1 - share / 2, to: 1 },
  ]
}

/** The share that is bare when the line between ink and steel stands so far down the face. */
export function shareDownTo(seen: InkPattern, down: number): number {
  if (seen === 'apex') return 1 - down
  if (seen === 'middle') return Math.abs(2 * down - 1)
  return seen === 'ends' ? 2 * Math.min(down, 1 - down) : down
}

/** How far down the face that line stands: the lower one where there are two. */
export function lineDownAt(seen: InkPattern, share: number): number {
  if (seen === 'apex') return 1 - share
  if (seen === 'middle') return (1 + share) / 2
  return seen === 'ends' ? 1 - share / 2 : share
}

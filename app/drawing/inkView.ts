import type { InkPattern } from '#core/ink/bared'

/** A rectangle of the strip, as shares of the face's height: 0 at the shoulder, 1 at the edge. */
export interface Bare {
  readonly from: number
  readonly to: number
}

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

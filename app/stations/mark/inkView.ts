import type { InkPattern } from '#core/log/choices'

/** Patterns of which a share is told. */
export const hasShare = (seen: InkPattern): boolean => !['all', 'nothing', 'above'].includes(seen)

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

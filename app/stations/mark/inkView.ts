import type { InkPattern } from '#core/log/choices'

/** Patterns of which a fraction is observed. */
export const hasFraction = (seen: InkPattern): boolean => !['all', 'nothing', 'above'].includes(seen)

/** The fraction that is bare when the line between ink and steel stands so far down the face. */
export function shareDownTo(seen: InkPattern, down: number): number {
  if (seen === 'apex') return 1 - down
  if (seen === 'middle') return Math.abs(2 * down - 1)
  return seen === 'ends' ? 2 * Math.min(down, 1 - down) : down
}

/** How far down the face that line stands: the lower one where there are two. */
export function lineDownAt(seen: InkPattern, fraction: number): number {
  if (seen === 'apex') return 1 - fraction
  if (seen === 'middle') return (1 + fraction) / 2
  return seen === 'ends' ? 1 - fraction / 2 : fraction
}

import type { InkPattern } from '../../log/choices'

/** What pictures have told of one zone, and how much of its edge they showed, mm. */
export interface ObservedInPictures {
  readonly seen: InkPattern
  readonly fraction: number
  readonly shownMm: number
}

/**
 * What another picture of the same zone adds: pictures that show the same pattern count by how much of the zone each
 * shows; where they differ, the one that shows more holds.
 */
export function joinPictures(before: ObservedInPictures, another: ObservedInPictures): ObservedInPictures {
  if (before.seen !== another.seen) return another.shownMm >= before.shownMm ? another : before
  const shownMm = before.shownMm + another.shownMm
  const fraction = (before.fraction * before.shownMm + another.fraction * another.shownMm) / shownMm
  return { seen: before.seen, fraction, shownMm }
}

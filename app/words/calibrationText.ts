import type { UnknownId } from '#core/records/rig/unknowns'

/** Which reading tells two unknowns apart, by what each of them does to an angle. */
export function splitBy(one: UnknownId, other: UnknownId): string {
  const both = new Set<UnknownId>([one, other])
  if (one === other) return 'Prove a bevel cut with each of the two stones at the same setting.'
  if (both.has('face-offset')) return 'Prove a bevel cut with another stone at the same setting.'
  if (both.has('centre-offset') && both.has('tilt')) return 'Prove a blade that stands out much more, or much less.'
  if (both.has('centre-offset') || both.has('tilt')) return 'Prove the other side of a blade as well.'
  return 'Prove a bevel at another angle, or a blade of another height: one lower, one higher.'
}

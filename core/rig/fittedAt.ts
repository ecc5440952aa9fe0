import type { Stone } from '../stone/stone'
import type { UnknownId } from './fitted'
import type { Rig } from './rig'

/** A stone, and by which id it is kept; one that is not kept has none. */
export type StoneInUse = Stone & { readonly id?: string }

/**
 * Where a measure stands in what the proofs left open; −1 where they said nothing of it, or where it was measured anew
 * since.
 */
export function fittedAt({ fitted, tolerance }: Rig, id: UnknownId, stone: StoneInUse | null): number {
  const stands = {
    'pivot-height': tolerance.heightMm,
    setback: tolerance.setbackMm,
    'setback-b': tolerance.setbackMm,
    'centre-offset': null,
    tilt: null,
    'face-offset': stone?.faceOffsetToleranceMm ?? 0,
  }[id]
  return (
    fitted?.measures.findIndex(
      (one) =>
        one.id === id && one.written === stands && (id !== 'face-offset' || (!!stone?.id && one.stoneId === stone.id)),
    ) ?? -1
  )
}

import type { Stone } from '../stone/stone'
import type { UnknownId } from './unknowns'
import type { Rig } from './rig'

/** A stone, and by which id it is kept; one that is not kept has none. */
export type StoneInUse = Stone & { readonly id?: string }

/**
 * A stone as proofs found it to lie on a rig's rod: its face offset is calibrated there, and nowhere else. As it is
 * where they said nothing of it, or where it was measured anew since.
 */
export function onRig<S extends StoneInUse>({ fitted }: Rig, stone: S): S {
  const { faceOffsetMm, faceOffsetEnds: ends, faceOffsetToleranceMm } = stone
  const face = fitted?.measures.find(
    (one) => one.face?.stoneId === stone.id && one.written === faceOffsetToleranceMm,
  )?.face
  if (!face || face.writtenMm !== faceOffsetMm) return stone
  const by = face.isMm - faceOffsetMm
  return {
    ...stone,
    faceOffsetMm: face.isMm,
    faceOffsetEnds: ends && { nearMm: ends.nearMm + by, farMm: ends.farMm + by },
  }
}

/**
 * Where a measure stands in what the proofs left open; −1 where they said nothing of it, or where it was measured anew
 * since. Stone: as it is on this rig.
 */
export function fittedAt({ fitted, tolerance }: Rig, id: UnknownId, stone: StoneInUse | null): number {
  const stands = {
    'pivot-height': tolerance.heightMm,
    'pivot-height-b': tolerance.heightMm,
    setback: tolerance.setbackMm,
    'setback-b': tolerance.setbackMm,
    'centre-offset': null,
    tilt: null,
    'face-offset': stone?.faceOffsetToleranceMm ?? 0,
  }[id]
  const its = (face: { stoneId: string; isMm: number } | null) =>
    id === 'face-offset' ? !!stone?.id && face?.stoneId === stone.id && face.isMm === stone.faceOffsetMm : true
  return fitted?.measures.findIndex((one) => one.id === id && one.written === stands && its(one.face)) ?? -1
}

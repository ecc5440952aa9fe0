import { fixedHeightsMm, heightRange } from '#core/records/rig/dial'
import { RIGS } from '#core/records/rig/kinds'
import type { Rig } from '#core/records/rig/rig'

/** A rig's side view to scale for a list: pivot range behind (or below) the jaws, mm, y down. */
export function rigIcon(rig: Rig): {
  viewBox: string
  transform: string
  pivots: [number, number][]
  low: [number, number]
  high: [number, number]
  jaws: { depth: number; half: number } | null
} {
  const { lowestMm, highestMm } = heightRange(rig)
  const back = -rig.pivot.setbackMm
  const pivots: [number, number][] = (fixedHeightsMm(rig) ?? []).map((heightMm) => [back, -heightMm])
  const upright = RIGS[rig.kind].twoArms
  return {
    viewBox: upright ? `-125 -60 250 190` : `-165 -125 225 145`,
    transform: upright ? 'rotate(-90) scale(1 -1)' : '',
    pivots,
    low: [back, -lowestMm],
    high: [back, -highestMm],
    jaws: rig.jaws ? { depth: rig.jaws.depthMm, half: rig.jaws.halfThicknessMm } : null,
  }
}

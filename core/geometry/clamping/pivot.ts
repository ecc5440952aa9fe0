import type { Side } from '../../records/common/side'
import type { ClampPoint } from './centring'
import { dialOf } from '../../records/rig/dials/dials'
import { RIGS } from '../../records/rig/kinds'
import type { Rig } from '../../records/rig/rig'

export interface PivotPlace {
  /** In the clamp frame of the side being worked; in the middle of its slot where it can slide. */
  readonly pivot: ClampPoint
  /** How far it can slide along u to either side. */
  readonly slideMm: number
}

/**
 * Where the pivot stands at a height (mm above the clamp's centre plane, or the table), in the clamp frame of the side
 * being worked. Turning a clamp or a blade over mirrors u, because u always runs towards the tip; the arms of an
 * upright rig stay where they are. Source: docs/geometry.md, "Rigs".
 */
export function pivotAt(rig: Rig, heightMm: number, side: Side): PivotPlace {
  const place = side === 'B' && rig.pivotB ? rig.pivotB : rig.pivot
  const { twoArms } = RIGS[rig.kind]
  const mirrored = side === 'B' && !twoArms
  return {
    pivot: {
      u: mirrored ? -place.alongMm : place.alongMm,
      v: -place.setbackMm,
      w: heightMm + (twoArms ? place.overScaleMm : 0),
    },
    slideMm: dialOf(rig.height).slideMm(rig.height),
  }
}

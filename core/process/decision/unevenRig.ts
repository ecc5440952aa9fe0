import { bothOf } from '../../math/list'
/** A rig that differs by more than this along the edge shows it in the ink, degrees. */
const UNEVEN_DEG = 0.6

/** What a rig sets along an edge whose own bevel is even, degrees. */
export interface UnevenRig {
  readonly fromDeg: number
  readonly toDeg: number
  /** How much the bevel itself differs along the edge. */
  readonly bladeDeg: number
}

/**
 * Whether the rig at this hold, and not the blade, is what is uneven: set and found angle zone by zone, degrees, null
 * where there is none. Null where it is not, or where too little is known. Source: docs/ink.md, "Follow, cut, or step
 * by step".
 */
export function unevenRig(setDeg: readonly (number | null)[], foundDeg: readonly (number | null)[]): UnevenRig | null {
  const [set, found] = bothOf([setDeg, foundDeg], (all) => all.filter((deg) => deg !== null))
  if (set.length < 2 || found.length < set.length) return null
  const bladeDeg = Math.max(...found) - Math.min(...found)
  const [fromDeg, toDeg] = [Math.min(...set), Math.max(...set)]
  return toDeg - fromDeg > UNEVEN_DEG && bladeDeg < (toDeg - fromDeg) / 2 ? { fromDeg, toDeg, bladeDeg } : null
}

import type { JawSet } from './jawSet'
import type { Rig } from './rig'

/** Every set of jaws that a rig has, the usual one first; a table has none. */
export const jawSetsOf = (rig: Rig): JawSet[] => (rig.jaws ? [rig.jaws, ...rig.moreJaws] : [])

/** The rig with a set of its jaws fitted; with its usual ones where it has none of that name. */
export function fittedWith<R extends Rig>(rig: R, jawsName: string | null): R {
  const chosen = jawSetsOf(rig).find((set) => set.name === jawsName)
  return chosen ? { ...rig, jaws: chosen } : rig
}

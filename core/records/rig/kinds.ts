import { keysOf } from '../../schema/keys'
import type { DialLanguage } from './dials/readings'

/** All that differs between the kinds of rigs, as far as it is computed. */
export interface RigKindOf {
  /** The ways in which it can say its pivot's height, the usual one first. */
  readonly dials: readonly [DialLanguage, ...DialLanguage[]]
  /**
   * The blade lies on its flat on a table, so that its centre plane is tilted by the primary half-angle; it has no
   * jaws.
   */
  readonly onTable: boolean
  /** An arm on each side of a blade that stands upright, instead of one pivot under which the blade is turned over. */
  readonly twoArms: boolean
}

/** Every kind of rig. A new one is a record here and one of words; what it lacks does not compile. */
export const RIGS = {
  'slot-plate': { dials: ['slot'], onTable: false, twoArms: false },
  'turning-post': { dials: ['millimetres', 'turns', 'degree-scale', 'slot'], onTable: false, twoArms: false },
  'two-arm': { dials: ['degree-scale', 'millimetres', 'turns', 'slot'], onTable: false, twoArms: true },
  'table-post': { dials: ['millimetres', 'turns', 'degree-scale'], onTable: true, twoArms: false },
} as const satisfies Record<string, RigKindOf>
export type RigKind = keyof typeof RIGS
export const RIG_KINDS = keysOf(RIGS)

/** Whether the blade lies on its flat on a table, so that its centre plane is tilted by the primary half-angle. */
export const restsOnTable = (of: { readonly kind: RigKind }): boolean => RIGS[of.kind].onTable

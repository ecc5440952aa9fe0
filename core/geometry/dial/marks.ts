import { heightOfSetting } from '../../records/rig/dial'
import { dialOf } from '../../records/rig/dials/dials'
import type { DialSetting } from '../../records/rig/dials/readings'
import type { Rig } from '../../records/rig/rig'

/** One mark of a rig's dial, and where it puts the pivot. */
export interface Mark {
  readonly setting: DialSetting
  /** What stands at the mark: mm, turns or degrees; on a plate the slot's place counted from the lowest. */
  readonly figure: number
  readonly heightMm: number
}

/**
 * The marks of a rig from the lowest to the highest, thinned to round figures where it has more than `most`; every slot
 * of a plate.
 */
export function marksOf(rig: Rig, most: number): Mark[] {
  const dial = dialOf(rig.height)
  return dial.marks(rig.height, most, rig.pivot.setbackMm).flatMap((setting) => {
    const height = heightOfSetting(rig, setting)
    return height.ok ? [{ setting, figure: dial.figure(rig.height, setting), heightMm: height.heightMm }] : []
  })
}

import { refuse, type Refusal } from '../../schema/refusal'
import { dialOf } from './dials/dials'
import type { DialSetting } from './dials/readings'
import type { Rig } from './rig'

export interface PivotHeight {
  readonly ok: true
  readonly heightMm: number
}

/**
 * The pivot height (mm above the clamp's centre plane, or the table) of a setting in the rig's own language.
 * Refused when the setting is not of this rig: another language, or a slot it has not.
 */
export function heightOfSetting(rig: Rig, setting: DialSetting): PivotHeight | Refusal {
  if (setting.by !== rig.height.by) return refuse('setting-of-another-rig')
  const heightMm = dialOf(rig.height).heightMm(rig.height, setting, rig.pivot.setbackMm)
  return heightMm === null ? refuse('setting-of-another-rig') : { ok: true, heightMm }
}

/** The lowest and highest pivot height of a rig, mm. */
export function heightRange(rig: Rig): { lowestMm: number; highestMm: number } {
  const [lowestMm, highestMm] = dialOf(rig.height).rangeMm(rig.height, rig.pivot.setbackMm)
  return { lowestMm, highestMm }
}

/** The only pivot heights that a rig has, mm, as of a plate with slots; null where any between its ends can be set. */
export function fixedHeightsMm(rig: Rig): number[] | null {
  const settings = dialOf(rig.height).fixed(rig.height)
  return (
    settings &&
    settings.flatMap((setting) => {
      const height = heightOfSetting(rig, setting)
      return height.ok ? [height.heightMm] : []
    })
  )
}

/**
 * The highest pivot height of a rig (on a plate: slot) that is not above a height, mm; null where its lowest is above
 * it.
 */
export function highestUpTo(rig: Rig, heightMm: number): number | null {
  const { lowestMm, highestMm } = heightRange(rig)
  if (heightMm < lowestMm - 1e-9) return null
  const fixed = fixedHeightsMm(rig)
  return fixed ? Math.max(...fixed.filter((one) => one <= heightMm + 1e-9)) : Math.min(heightMm, highestMm)
}

/**
 * The setting for a pivot height: exact on a scale, the nearest slot on a plate; heights beyond the rig's range give
 * its end.
 */
export const settingOfHeight = (rig: Rig, heightMm: number): DialSetting =>
  dialOf(rig.height).settingAt(rig.height, heightMm, rig.pivot.setbackMm)

/**
 * A setting rounded to the nearest mark that the rig really has, within its range; one of another rig is left as it is.
 */
export const toNearestMark = (rig: Rig, setting: DialSetting): DialSetting =>
  heightOfSetting(rig, setting).ok ? dialOf(rig.height).nearestMark(rig.height, setting, rig.pivot.setbackMm) : setting

/** The setting one or more marks (or slots) higher or lower, kept within the rig's range. */
export const stepSetting = (rig: Rig, setting: DialSetting, marks: number): DialSetting =>
  heightOfSetting(rig, setting).ok
    ? dialOf(rig.height).stepped(rig.height, setting, marks, rig.pivot.setbackMm)
    : setting

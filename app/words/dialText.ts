import type { LengthUnit } from '#core/units/length'
import type { DialSetting } from '#core/rig/dials/readings'
import type { Rig } from '#core/rig/rig'
import { wordsOf, type DialPart } from './dialWords'

/** A setting in the rig's own words; nothing where it is of another rig. */
export const dialParts = (rig: Rig, setting: DialSetting, unit: LengthUnit): DialPart[] =>
  setting.by === rig.height.by ? wordsOf(setting.by).parts(setting, rig.height, unit) : []

/** The same in one line. */
export const dialText = (rig: Rig, setting: DialSetting, unit: LengthUnit): string =>
  dialParts(rig, setting, unit)
    .map((part) => part.text)
    .join(' ')

/** The figures alone, for a column of dials: "16 + 3" are turns and marks. */
export const dialFigures = (rig: Rig, setting: DialSetting, unit: LengthUnit): string =>
  dialParts(rig, setting, unit)
    .filter((part) => part.figure)
    .map((part) => part.text)
    .join(' + ')

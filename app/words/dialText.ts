import type { DialSetting } from '#core/records/rig/dials/readings'
import type { Rig } from '#core/records/rig/rig'
import { BELOW_ZERO, wordsOf, type DialPart } from './dialWords'

/** A setting in the rig's own words; nothing where it is of another rig. */
export const dialParts = (rig: Rig, setting: DialSetting): DialPart[] =>
  setting.by === rig.height.by ? wordsOf(setting.by).parts(setting, rig.height) : []

/** The same in one line. */
export const dialText = (rig: Rig, setting: DialSetting): string =>
  dialParts(rig, setting)
    .map((part) => part.text)
    .join(' ')

/** The figures alone, for a column of dials: "16 + 3" are turns and marks, "−(0 + 3)" are below 0. */
export function dialFigures(rig: Rig, setting: DialSetting): string {
  const parts = dialParts(rig, setting)
  const figures = parts.filter((part) => part.figure).map((part) => part.text)
  const together = figures.join(' + ')
  if (!parts.some((part) => part.text === BELOW_ZERO)) return together
  return figures.length > 1 ? `−(${together})` : `−${together}`
}

/** What the figures alone stand for: "turns + marks", "scale, mm". */
export const figuresAre = (rig: Rig): string => wordsOf(rig.height.by).figures(rig.height)

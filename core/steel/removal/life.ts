import { nth } from '../../math/list'
import { facesOf, ground, type Section } from '../section/section'
import { APEX_WORN_MM, sectionAt, type PlannedPlace } from './plan'

/** One side of a blade at a place after so many sharpenings. */
export interface AfterSharpenings {
  readonly sharpenings: number
  readonly section: Section
  /** Of the bevel's face, mm. */
  readonly bevelMm: number
  /** Half of the thickness behind the edge, mm; all of it where one side alone is bevelled. */
  readonly thicknessMm: number
  /** Of the blade's height, mm. */
  readonly lostMm: number
}

/**
 * How a place of the edge stands after each of some numbers of sharpenings at the angle that it is to have, each of
 * which takes what wears off an apex; before the first it is as it is. Ends where no bevel is left on the blade.
 * Source: docs/ink.md, "The section over the blade's life".
 */
export function bladeLife(place: PlannedPlace, counts: readonly number[]): AfterSharpenings[] {
  const now = sectionAt(place)
  const life: AfterSharpenings[] = []
  for (const sharpenings of counts) {
    const lostMm = sharpenings * APEX_WORN_MM
    if (lostMm >= place.heightMm) break
    const section = sharpenings === 0 ? now : ground(now, place.newDeg, lostMm).section
    const face = nth(facesOf(section), 0)
    if (face.widthMm === null || face.thicknessMm === null) break
    life.push({ sharpenings, section, bevelMm: face.widthMm, thicknessMm: face.thicknessMm / 2, lostMm })
  }
  return life
}

import { nth } from '../../math/list'
import { facesOf, ground, type Section } from '../section/section'
import { APEX_WORN_MM, sectionAt, THINNED_OVER_DEG, thinningStopsAtMm, widthOf, type PlannedPlace } from './plan'

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
 * which takes what wears off an apex; after none it is as it is. Ends where no bevel is left on the blade. Source:
 * docs/ink.md, "The section over the blade's life".
 */
export function bladeLife(place: PlannedPlace, counts: readonly number[]): AfterSharpenings[] {
  const now = sectionAt(place)
  const life: AfterSharpenings[] = []
  for (const sharpenings of counts) {
    const lostMm = sharpenings * APEX_WORN_MM
    if (sharpenings === 0) {
      const bevelMm = widthOf(now, place.shoulderMm)
      life.push({ sharpenings, section: now, bevelMm, thicknessMm: place.shoulderMm, lostMm })
      continue
    }
    if (lostMm >= place.heightMm) break
    const { section } = ground(now, place.newDeg, lostMm)
    const { widthMm, thicknessMm } = nth(facesOf(section), 0)
    if (widthMm === null || thicknessMm === null) break
    life.push({ sharpenings, section, bevelMm: widthMm, thicknessMm: thicknessMm / 2, lostMm })
  }
  return life
}

/** How to thin one side where it is too thick behind the edge. */
export interface Thinning {
  /** Just over the flat of the blade, degrees per side. */
  readonly deg: number
  /** A coarse stone stays so far off the edge, mm: nearer it would meet it. */
  readonly keepOffMm: number
}

/** For a place, down to a thickness of one side. Source: as above. */
export const thinningOf = (place: PlannedPlace, mostMm: number): Thinning => ({
  deg: place.primaryDeg + THINNED_OVER_DEG,
  keepOffMm: thinningStopsAtMm(place, mostMm),
})

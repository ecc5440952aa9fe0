import { z } from 'zod'
import { failed, type Result } from '../../schema/result'
import { lastOf, nth } from '../../math/list'
import { count } from '../../schema/measure'

export const GRIT_STANDARDS = ['FEPA P', 'FEPA F', 'JIS', 'ANSI'] as const
export type GritStandard = (typeof GRIT_STANDARDS)[number]

/** A grit as it is printed on a stone: its standard and number. */
export const grit = z.object({ standard: z.enum(GRIT_STANDARDS), number: count({ least: 1, most: 30000 }) })
export type Grit = z.infer<typeof grit>

/**
 * Median grain size by grit number, micrometres: the value of the standards' own tables.
 * FEPA P: ISO 6344-2 (P12–P220, mean of the control sieve) and ISO 6344-3 (P240–P2500, ds50 by sedimentation).
 * FEPA F: ISO 8486-1 (F16–F220) and ISO 8486-2 (F230–F2000, ds50 by sedimentation).
 * JIS: R 6001-1 (16–220, the sieves of ISO 8486-1) and R 6001-2:1998 (240–8000, ds50 by electrical resistance). ANSI:
 * B74.18 (coated abrasives), median.
 */
const TABLES: Record<GritStandard, readonly (readonly [number: number, um: number])[]> = {
  'FEPA P': [
    [12, 1815],
    [16, 1324],
    [20, 1000],
    [24, 764],
    [30, 642],
    [36, 538],
    [40, 425],
    [50, 336],
    [60, 269],
    [80, 201],
    [100, 162],
    [120, 125],
    [150, 100],
    [180, 82],
    [220, 68],
    [240, 58.5],
    [280, 52.2],
    [320, 46.2],
    [360, 40.5],
    [400, 35],
    [500, 30.2],
    [600, 25.8],
    [800, 21.8],
    [1000, 18.3],
    [1200, 15.3],
    [1500, 12.6],
    [2000, 10.3],
    [2500, 8.4],
  ],
  'FEPA F': [
    [16, 1230],
    [20, 1040],
    [22, 885],
    [24, 745],
    [30, 625],
    [36, 525],
    [40, 438],
    [46, 370],
    [54, 310],
    [60, 260],
    [70, 218],
    [80, 185],
    [90, 154],
    [100, 129],
    [120, 109],
    [150, 82],
    [180, 69],
    [220, 58],
    [230, 53],
    [240, 44.5],
    [280, 36.5],
    [320, 29.2],
    [360, 22.8],
    [400, 17.3],
    [500, 12.8],
    [600, 9.3],
    [800, 6.5],
    [1000, 4.5],
    [1200, 3],
    [1500, 2],
    [2000, 1.2],
  ],
  JIS: [
    [16, 1230],
    [20, 1040],
    [24, 745],
    [30, 625],
    [36, 525],
    [46, 370],
    [54, 310],
    [60, 260],
    [70, 218],
    [80, 185],
    [90, 154],
    [100, 129],
    [120, 109],
    [150, 82],
    [180, 69],
    [220, 58],
    [240, 57],
    [280, 48],
    [320, 40],
    [360, 35],
    [400, 30],
    [500, 25],
    [600, 20],
    [700, 17],
    [800, 14],
    [1000, 11.5],
    [1200, 9.5],
    [1500, 8],
    [2000, 6.7],
    [2500, 5.5],
    [3000, 4],
    [4000, 3],
    [6000, 2],
    [8000, 1.2],
  ],
  ANSI: [
    [16, 1320],
    [20, 905],
    [24, 715],
    [30, 638],
    [36, 535],
    [40, 428],
    [50, 351],
    [60, 268],
    [80, 192],
    [100, 141],
    [120, 116],
    [150, 93],
    [180, 78],
    [220, 66],
    [240, 53.5],
    [280, 44],
    [320, 36],
    [360, 28.8],
    [400, 23.6],
    [500, 19.7],
    [600, 16],
    [800, 12.2],
    [1000, 9.2],
    [1200, 6.5],
  ],
}

/** Of a number that the standard does not know: the standard and its range, `coarsest` and `finest`. */
export type GrainSize = Result<{ readonly um: number }, 'grit-out-of-range'>

/**
 * Median grain size of a grit, µm: the standard's own value, or, for a number between two of its own, on the straight
 * line between them in the logarithms (makers print such numbers). Refused outside the standard's range, where nothing
 * is known.
 */
export function grainSize({ standard, number }: Grit): GrainSize {
  const table = TABLES[standard]
  const at = table.findIndex(([known]) => known >= number)
  const [coarsest, finest] = [nth(table, 0)[0], lastOf(table)[0]]
  if (at < 0 || number < coarsest) return failed('grit-out-of-range', { standard, coarsest, finest })
  const [above, umAbove] = nth(table, at)
  if (above === number) return { ok: true, um: umAbove }
  const [below, umBelow] = nth(table, at - 1)
  const share = Math.log(number / below) / Math.log(above / below)
  return { ok: true, um: umBelow * (umAbove / umBelow) ** share }
}

/**
 * The grit of a standard that comes nearest to a grain size (by ratio); null beyond the standard's ends by more than a
 * step.
 */
export function nearestGrit(um: number, standard: GritStandard): Grit | null {
  const table = TABLES[standard]
  if (um > nth(table, 0)[1] * 1.2 || um < lastOf(table)[1] / 1.2) return null
  const apart = (known: number) => Math.abs(Math.log(known / um))
  const [number] = table.reduce((best, row) => (apart(row[1]) < apart(best[1]) ? row : best))
  return { standard, number }
}

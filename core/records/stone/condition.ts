import type { Stone } from './stone'
import { dishTiltDeg, faceTiltDeg } from './taper'
import type { StoneWear } from './wear'

export interface StoneCondition {
  /** The face's tilt from its taper, with its sign, and from its dish at the ends, degrees. */
  readonly taperDeg: number
  readonly dishDeg: number
  /** What the face has lost for each blade done, from the log, mm; null while the log cannot tell. */
  readonly wearPerBladeMm: number | null
  /** What is left to grind with, mm, and for how many blades at that rate; null where it is not known. */
  readonly leftMm: number | null
  readonly bladesLeft: number | null
  readonly due: 'nothing' | 'flatten' | 'replace-soon' | 'replace'
}

/** A face that tilts the angle by more than this is due for flattening. */
const FLATTEN_OVER_DEG = 0.2
/** Fewer blades left than this and a new stone should be at hand. */
const FEW_BLADES = 10

/**
 * How a stone stands by its measures and its wear log (in order of days), and what is due. Source: docs/geometry.md,
 * "Changing the stone".
 */
export function stoneCondition(stone: Stone, log: readonly StoneWear[]): StoneCondition {
  const ends = stone.faceOffsetEnds
  const taperDeg = ends ? faceTiltDeg(ends.nearMm, ends.farMm, stone.lengthMm) : 0
  const dishDeg = dishTiltDeg(stone.dishMm, stone.lengthMm)
  const wearPerBladeMm = wearPerBlade(log)
  const leftMm = stone.wornOutAtMm === null ? null : Math.max(0, stone.faceOffsetMm - stone.wornOutAtMm)
  const bladesLeft = leftMm === null || wearPerBladeMm === null ? null : Math.floor(leftMm / wearPerBladeMm)
  return { taperDeg, dishDeg, wearPerBladeMm, leftMm, bladesLeft, due: due() }

  function due(): StoneCondition['due'] {
    if (leftMm === 0) return 'replace'
    if (bladesLeft !== null && bladesLeft < FEW_BLADES) return 'replace-soon'
    return Math.abs(taperDeg) + dishDeg > FLATTEN_OVER_DEG ? 'flatten' : 'nothing'
  }
}

/** From the first measure in the log to the last, over the blades done between them. Flattening wears the stone too. */
function wearPerBlade(log: readonly StoneWear[]): number | null {
  const measured = log.flatMap(({ faceOffsetMm }, i) => (faceOffsetMm === null ? [] : [{ i, faceOffsetMm }]))
  const [first, last] = [measured[0], measured.at(-1)]
  if (!first || !last || first === last) return null
  const blades = log.slice(first.i + 1, last.i + 1).reduce((sum, entry) => sum + entry.blades, 0)
  const lost = first.faceOffsetMm - last.faceOffsetMm
  return blades > 0 && lost > 0 ? lost / blades : null
}

import { BLEND_STROKES, type Starved } from '#core/steel/alongEdge/steelAlong'
import type { BurrState } from '#core/log/burrMap'
import type { LengthUnit } from '#core/math/units/length'
import { lengthText } from './lengthText'
import { ZONE_WORD } from './zoneText'

/** What is owed along the edge: local strokes that are still to be blended, else the zone that got too little. */
export function edgeOwedText(starved: readonly Starved[], owed: number): string {
  if (owed > 0) return `${owed} full strokes still to blend the local ones, ${BLEND_STROKES} for each.`
  const [worst] = starved
  if (!worst) return ''
  const local = worst.localStrokes === 1 ? 'One local stroke' : `${worst.localStrokes} local strokes`
  const share = Math.round(worst.share * 100)
  return `The ${ZONE_WORD[worst.zone]} got ${share} % of the middle. ${local} there would even it.`
}

export const BURR_STATE_WORD: Record<BurrState, string> = {
  'not-looked': 'not yet',
  felt: 'felt',
  turned: 'turned over',
  gone: 'gone',
}

/** Nearer than this to square is square, degrees. */
const SQUARE_DEG = 2
const runText = (deg: number): string =>
  Math.abs(deg) < SQUARE_DEG
    ? 'run square to the edge'
    : `lean ${Math.round(Math.abs(deg))}° towards the ${deg > 0 ? 'tip' : 'heel'}`

/** Which way the scratches must run, from one end of what is worked to the other; empty where an end is not reached. */
export const scratchesText = (atHeelDeg: number | null, atTipDeg: number | null): string =>
  atHeelDeg === null || atTipDeg === null
    ? ''
    : `Scratches must ${runText(atHeelDeg)} at the heel end, and ${runText(atTipDeg)} at the tip end.`

/** Where two stops on the rod go, told by the ends of the stone as it rests on each. */
export const stopsText = (
  { nearestMm, farthestMm }: { readonly nearestMm: number; readonly farthestMm: number },
  stoneLengthMm: number,
  unit: LengthUnit,
): string =>
  `Stops on the rod: the stone’s near end at least ${lengthText(nearestMm - stoneLengthMm / 2, unit)} from the pivot, its far end at most ${lengthText(farthestMm + stoneLengthMm / 2, unit)}.`

/** Which zones have no burr yet: "No burr yet at the heel and the tip." */
export function burrMissingText(zones: readonly (keyof typeof ZONE_WORD)[]): string {
  const names = zones.map((zone) => `the ${ZONE_WORD[zone]}`)
  const all = [names.slice(0, -1).join(', '), ...names.slice(-1)].filter(Boolean).join(' and ')
  return `No burr yet at ${all}: grind there.`
}

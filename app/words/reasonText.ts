import type { Refusal } from '#core/schema/refusal'
import type { LengthUnit } from '#core/math/units/length'
import { angleText } from './angleText'
import { lengthText } from './lengthText'

/**
 * Why an angle or a setting does not exist, in words for the bench. `lowestPivotMm`: the pivot height to exceed, where
 * known.
 */
export function reasonText({ reason, limit }: Refusal, unit: LengthUnit, lowestPivotMm?: number): string {
  const length = (mm: number | undefined) => (mm === undefined ? '' : lengthText(mm, unit))
  switch (reason) {
    case 'pivot-below-face':
      return `The pivot stands lower than the stone’s face: raise it above ${length(lowestPivotMm ?? limit)}.`
    case 'edge-behind-pivot':
      return 'The edge here points back past the pivot, so the stone cannot lie on it. Move the blade along the jaws or turn it.'
    case 'beyond-rod':
      return limit === undefined
        ? 'The rod does not reach this place of the edge.'
        : `The rod does not reach this place: it would have to be ${length(limit)} long.`
    case 'beyond-stop':
      return `The stop on the rod ends the stroke before this place: the stone would have to reach ${length(limit)} from the pivot.`
    case 'before-stop':
      return `The stop on the rod keeps the stone from coming so near: this place is ${length(limit)} from the pivot.`
    case 'height-out-of-range':
      return `The pivot would have to stand at ${length(limit)}, which this rig cannot.`
    case 'angle-out-of-range':
      return 'No pivot height gives this angle here.'
    case 'parallel-to-jaws':
      return 'Moving the blade out does not change the angle here, because the edge runs square to the jaws.'
    case 'into-jaws':
      return 'The edge would have to stand inside the jaws.'
    case 'not-held':
      return 'The jaws do not hold the blade here: hold it elsewhere first.'
    case 'jaws-reach-to':
      return `The jaws hold the blade only to a height of ${length(limit)} here.`
    case 'stone-meets-jaws':
      return `The stone meets the jaws below ${angleText(limit ?? 0)} here: stand the blade further out, or take narrower jaws.`
    case 'flatter-than-primary':
      return `Flatter than the blade’s own flat, ${angleText(limit ?? 0)}: no bevel would end there.`
    case 'setting-of-another-rig':
      return 'What is dialled is not of this rig: dial it anew.'
  }
}

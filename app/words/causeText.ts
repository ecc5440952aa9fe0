import type { Cause } from '#core/observe/calibration/causesOnJob'
import type { PerSide } from '#core/records/common/side'
import type { LengthUnit } from '#core/math/units/length'
import { angleText } from './angleText'
import { MEASURE_WORD, zeroWord } from './measureText'
import { toleranceText } from './toleranceText'

/** What would explain that gauge or steel have another angle than was set. `onTable`: the blade lies on one. */
export function causeText(
  cause: Cause,
  { names, unit, onTable }: { names: PerSide<string>; unit: LengthUnit; onTable: boolean },
): string {
  if (cause.by === 'not-to-apex')
    return `Was ${cause.sides.map((side) => names[side]).join(' and ')} cut through to the apex? Until a burr comes up the edge keeps its old angle.`
  if (cause.by === 'zero')
    return `The gauge was zeroed on ${zeroWord(cause.zero, onTable)}: then it fits to ${angleText(cause.leavesDeg)}.`
  if (cause.by === 'off-square')
    return `The gauge stood ${Math.round(cause.off)}° off square to the rod: it reads too low then.`
  const size = toleranceText({ unit: cause.unit, tolerance: Math.abs(cause.off) }, unit)
  const times =
    cause.times < 1.05 ? 'within what it is known to' : `${cause.times.toFixed(1)} times what it is known to`
  return `${MEASURE_WORD[cause.measure]} ${size} ${cause.off > 0 ? 'more' : 'less'} than written down: ${times}.`
}

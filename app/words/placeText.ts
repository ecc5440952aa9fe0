import type { RigKind } from '#core/records/rig/kinds'
import type { LengthUnit } from '#core/math/units/length'
import { lengthText } from './lengthText'
import { RIG_WORDS } from './rigText'

/** A place of the edge: "127.2 mm from the heel"; null: over the middle of the jaws. */
export const placeText = (fromHeelMm: number | null, kind: RigKind, unit: LengthUnit): string =>
  fromHeelMm === null ? RIG_WORDS[kind].overMiddle : `${lengthText(fromHeelMm, unit)} from the heel`

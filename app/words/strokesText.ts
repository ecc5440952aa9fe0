import type { PerSide } from '#core/records/common/side'
import type { StrokesMade } from '#core/log/strokesMade'
import { ZONE_WORD } from './zoneText'

const sidesText = ({ A, B }: PerSide<number>, names: PerSide<string>): string =>
  [A > 0 && `${A} on ${names.A}`, B > 0 && `${B} on ${names.B}`].filter(Boolean).join(', ')

/** "60 on A, 60 on B; at the tip 12 on A". */
export const strokesText = ({ full, local }: Omit<StrokesMade, 'stoneId'>, names: PerSide<string>): string =>
  [sidesText(full, names), ...local.map((one) => `at the ${ZONE_WORD[one.zone]} ${sidesText(one, names)}`)]
    .filter(Boolean)
    .join('; ')

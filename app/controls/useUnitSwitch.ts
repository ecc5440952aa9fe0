import { watch } from 'vue'
import { storeToRefs } from 'pinia'
import type { LengthUnit } from '#core/math/units/length'
import { lengthInUnit } from '~/forms/draft'
import { usePreferences } from '~/stores/preferences'

/**
 * What is being typed keeps what it means when the unit is switched. `turn` writes the texts anew, each length through
 * the function that it is given.
 */
export function useUnitSwitch(
  turn: (inNewUnit: (text: string) => string, before: LengthUnit, now: LengthUnit) => void,
) {
  const { unit } = storeToRefs(usePreferences())
  watch(unit, (now, before) => turn((text) => lengthInUnit(text, before, now), before, now), { flush: 'sync' })
}

import type { Side } from '#core/records/common/side'
import type { Refusal } from '#core/schema/refusal'
import { lowestPivotHeightMm } from '#core/geometry/dial/lowestPivotHeight'
import type { Setup } from '#core/geometry/setup/setup'
import type { LengthUnit } from '#core/math/units/length'
import { problemText } from '~/words/problemText'

/** Why there is no angle at a place of the edge, in words, with the height that the pivot must exceed there. */
export const noAngleText = (
  { code, figures }: Refusal,
  at: { readonly setup: Setup; readonly side: Side },
  unit: LengthUnit,
): string => problemText({ code, figures: { ...figures, lowestPivotMm: lowestPivotHeightMm(at.setup, at.side) } }, unit)

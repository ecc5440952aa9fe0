import { z } from 'zod'
import { lengthUnit } from '../../math/units/length'
import { label } from '../../schema/measure'
import { MOST_REVISION } from '../common/meta'

const sideName = label(12)

/** How the user likes figures shown. Kept with the data, so every device at the bench shows the same. */
export const preferences = z.object({
  unit: lengthUnit.default('mm'),
  angles: z.enum(['per-side', 'included']).default('per-side'),
  sideNames: z.object({ A: sideName, B: sideName }).default({ A: 'A', B: 'B' }),
})
export type Preferences = z.infer<typeof preferences>

export const keptPreferences = preferences.extend({ revision: z.number().int().min(0).max(MOST_REVISION) })
export type KeptPreferences = z.infer<typeof keptPreferences>

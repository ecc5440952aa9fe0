import { z } from 'zod'
import { readContent, versionOf, type Raw, type Versioned, rawOf } from '../../schema/versioned'
import { lengthUnit } from '../../math/units/length'
import { label } from '../../schema/measure'
import { MOST_REVISION } from '../common/meta'
import { BEGUN_HABITS, keptHabits } from './habits'

const sideName = label(12)

/**
 * How the user likes figures shown, and works at the stones. Kept with the data, so every device has the same.
 */
export const preferences = z.object({
  unit: lengthUnit.default('mm'),
  /** Inches as a rule has them, where they are such. */
  inches: z.enum(['decimals', 'fractions']).default('decimals'),
  angles: z.enum(['per-side', 'included']).default('per-side'),
  sideNames: z.object({ A: sideName, B: sideName }).default({ A: 'A', B: 'B' }),
  /** Whether usual ranges for an edge's use are said, or experience alone counts. */
  startingRanges: z.boolean().default(true),
  habits: keptHabits.default(BEGUN_HABITS),
})
export type Preferences = z.infer<typeof preferences>

/** Preferences as they are kept: their schema of today, and how those of earlier versions are read. */
const VERSIONED = { schema: preferences, migrations: [] } as const satisfies Versioned<typeof preferences>

/** Preferences as they are stored: with the version that they are written in. */
export const storePreferences = (wanted: Preferences): Raw => ({ ...wanted, version: versionOf(VERSIONED) })

/** Stored preferences of any version so far; those that cannot be read are as they are to begin with. */
export function readStoredPreferences(stored: unknown): Preferences {
  const { version, ...content } = rawOf(stored)
  // The first builds did not say their version.
  const read = readContent(VERSIONED, typeof version === 'number' ? version : 1, content)
  return read.ok ? read.content : preferences.parse({})
}

export const keptPreferences = preferences.extend({ revision: z.number().int().min(0).max(MOST_REVISION) })
export type KeptPreferences = z.infer<typeof keptPreferences>

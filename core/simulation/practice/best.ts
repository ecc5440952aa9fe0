import type { EntryOf } from '../../log/entry'
import { LEVELS, type Level } from '../../log/choices'

type PracticeEntry = EntryOf<'practice'>

/** The best of a level: the most points, and of as many the fewest passes; null where none was practised. */
export const bestOf = (practised: readonly PracticeEntry[], level: Level): PracticeEntry | null =>
  practised.filter((one) => one.level === level).sort((a, b) => b.points - a.points || a.looks - b.looks)[0] ?? null

/** The best of each level that was practised. */
export const bestOfEachLevel = (practised: readonly PracticeEntry[]): PracticeEntry[] =>
  LEVELS.flatMap((level) => bestOf(practised, level) ?? [])

import { z } from 'zod'

/** How a person works at the stones, where practitioners differ. */
const habits = z.object({
  /** A burr is raised on one side and turned, or the sides alternate from the start. */
  burr: z.enum(['raise-and-turn', 'alternate']),
  /** Which way strokes go on a stone; on a strop they always go away from the edge. */
  strokes: z.enum(['towards-edge', 'away-from-edge', 'to-and-fro']),
  /** When heel and tip get strokes of their own. */
  localStrokes: z.enum(['last', 'first']),
})
export type Habits = z.infer<typeof habits>

const USUAL_HABITS: Habits = { burr: 'raise-and-turn', strokes: 'towards-edge', localStrokes: 'last' }

/** The habits of the user, and those that are kept for single blades, by their ids. */
export const keptHabits = z.object({ usual: habits, ofBlade: z.record(z.uuid(), habits) })
export const BEGUN_HABITS: z.infer<typeof keptHabits> = { usual: USUAL_HABITS, ofBlade: {} }

import { z } from 'zod'
import { deg } from '../../schema/measure'

/** How a person works at the stones, where practitioners differ. */
const habits = z.object({
  /** A burr is raised on one side and turned, or the sides alternate from the start. */
  burr: z.enum(['raise-and-turn', 'alternate']),
  /** Which way strokes go on a stone; on a strop they always go away from the edge. */
  strokes: z.enum(['towards-edge', 'away-from-edge', 'to-and-fro']),
  /** When heel and tip get strokes of their own. */
  localStrokes: z.enum(['last', 'first']),
  /** How a job is begun: so much steeper than the apex a strop lies, and so much steeper a micro-bevel is (0: none). */
  stropAddDeg: deg({ least: -5, most: 10 }).default(0),
  microBevelAddDeg: deg({ least: 0, most: 15 }).default(0),
})
export type Habits = z.infer<typeof habits>

const USUAL_HABITS: Habits = {
  burr: 'raise-and-turn',
  strokes: 'towards-edge',
  localStrokes: 'last',
  stropAddDeg: 0,
  microBevelAddDeg: 0,
}

/** The habits of the user, and those that are kept for single blades, by their ids. */
export const keptHabits = z.object({ usual: habits, ofBlade: z.record(z.uuid(), habits) })
export const BEGUN_HABITS: z.infer<typeof keptHabits> = { usual: USUAL_HABITS, ofBlade: {} }

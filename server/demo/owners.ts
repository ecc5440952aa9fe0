import type { z } from 'zod'
import type { owner } from '../../core/records/owner/owner'

/** Whose blades the demo has: a room of the garden, and an account that brings its knives together. */
export const demoOwners = {
  teaRoom: {
    name: 'Tea-room',
    reach: 'At the counter, before eleven. Closed on Mondays.',
    wishes: 'Back on the day: there is no second set.',
  },
  lodge: {
    name: 'Lodge kitchen',
    reach: 'Side door, ask for the head cook. Wednesdays.',
    wishes: 'One angle for all of them, 17° per side. No polish: the edge is to bite.',
    notes: 'Brings them together at the end of each month.',
  },
} satisfies Record<string, z.input<typeof owner>>

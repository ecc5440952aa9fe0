import type { Habits } from '#core/records/preferences/habits'

/** Habits that are one of several ways. */
export type HabitOfWays = 'burr' | 'strokes' | 'localStrokes'

/** What can be chosen, each with its reason; the first is the default. */
export const HABIT_TEXT: {
  readonly [K in HabitOfWays]: {
    readonly label: string
    readonly ways: { readonly [W in Habits[K]]: { readonly label: string; readonly why: string } }
  }
} = {
  burr: {
    label: 'Sides',
    ways: {
      'raise-and-turn': {
        label: 'Raise a burr, then turn it',
        why: 'The default: a burr all along shows that the apex is reached.',
      },
      alternate: {
        label: 'Alternate from the start',
        why: 'Both sides wear alike and the burr stays small; the scratches tell when it is done.',
      },
    },
  },
  strokes: {
    label: 'Strokes on stones',
    ways: {
      'towards-edge': { label: 'Towards the edge', why: 'The default: it leaves the smaller burr.' },
      'away-from-edge': {
        label: 'Away from the edge',
        why: 'Cannot dig into a soft stone or film; it leaves the larger burr.',
      },
      'to-and-fro': { label: 'To and fro', why: 'The quickest way; count each way as a stroke.' },
    },
  },
  localStrokes: {
    label: 'Heel and tip',
    ways: {
      last: { label: 'Local strokes last', why: 'The default: then it is known how much they lack.' },
      first: { label: 'Local strokes first', why: 'The full strokes that follow blend them.' },
    },
  },
}

/** What a habit asks for at the stone, in a sentence. */
export const HABIT_AT_STONE: { readonly [K in HabitOfWays]: Readonly<Record<Habits[K], string>> } = {
  burr: {
    'raise-and-turn': 'Stay on this side until the stone has done its work.',
    alternate: 'Turn over after every ten strokes.',
  },
  strokes: {
    'towards-edge': 'Strokes towards the edge.',
    'away-from-edge': 'Strokes away from the edge.',
    'to-and-fro': 'Strokes to and fro.',
  },
  localStrokes: { last: '', first: 'Begin with local strokes at heel and tip.' },
}

/** Why a strop lies at the apex's angle, flatter or steeper. */
export const stropWhy = (addDeg: number): string =>
  addDeg < 0
    ? 'For soft leather: it gives way and wraps round the edge, which rounds the apex.'
    : addDeg > 0
      ? 'The strop works at the very apex alone, and leaves the bevel or its coating as it is.'
      : 'The default, for hard strops: they lie as a stone does.'
export const microBevelWhy = (addDeg: number): string =>
  addDeg > 0
    ? 'For an edge that rolls or chips: a few strokes, and the bevel behind it stays as thin.'
    : 'The default: the edge bevel goes to the apex.'

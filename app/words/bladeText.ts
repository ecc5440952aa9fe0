import type { Hand, Work } from '#core/records/blade/work'
import type { Blade } from '#core/records/blade/blade'

export const GRIND_WORD: Record<Blade['grind'], string> = {
  flat: 'flat ground',
  sabre: 'sabre ground',
  hollow: 'hollow ground',
  convex: 'convex ground',
}

/** What an edge is for, as far as its angle goes. */
export const WORK_WORD: Readonly<Record<Work | 'not-said', string>> = {
  'not-said': 'not said',
  kitchen: 'Kitchen',
  general: 'General, pocket',
  outdoor: 'Outdoor, hard use',
  chopping: 'Chopping',
}
export const HAND_WORD: Readonly<Record<Hand, string>> = {
  careful: 'careful',
  usual: 'usual',
  rough: 'rough',
}

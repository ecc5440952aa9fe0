import type { Blade } from '#core/records/blade/blade'

export const GRIND_WORD: Record<Blade['grind'], string> = {
  flat: 'flat ground',
  sabre: 'sabre ground',
  hollow: 'hollow ground',
  convex: 'convex ground',
}

import type { Harm } from '#core/use/keepOff'

/** What an edge is kept off, in words for its owner. */
export const HARM_WORD: Readonly<Record<Harm, string>> = {
  'pull-through': 'Pull-through sharpeners and steels with coarse ribs: they tear the edge.',
  'hard-plates': 'Plates, glass and stone: cut on wood or soft plastic.',
  dishwasher: 'The dishwasher, and the drawer without a guard.',
  bones: 'Bones, frozen food and hard shells: this edge is too thin for them.',
  prying: 'Prying and twisting.',
  'left-wet': 'Lying wet: wipe it dry after use.',
}

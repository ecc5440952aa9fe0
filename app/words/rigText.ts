import type { RigKind } from '#core/rig/rig'

export const RIG_KIND_WORD: Record<RigKind, string> = {
  'slot-plate': 'Plate with slots',
  'turning-post': 'Turning clamp with post',
  'two-arm': 'Upright with two arms',
  'table-post': 'Table with post',
}

export const STONE_KIND_WORD = {
  diamond: 'diamond',
  water: 'water stone',
  oil: 'oil stone',
  ceramic: 'ceramic',
  film: 'film',
  strop: 'strop',
} as const

export const RIG_KIND_MEANS: Record<RigKind, string> = {
  'slot-plate': 'The rod goes through a slot or hole behind a clamp; the clamp is turned over for side B.',
  'turning-post': 'The clamp turns over between stops; the pivot stands on a post of adjustable height.',
  'two-arm': 'The blade stands edge up; an arm on each side, each with its own setting.',
  'table-post': 'The blade lies on its flat; the pivot stands on a post beside the table.',
}

export const LANGUAGE_WORD = {
  slot: 'slots',
  millimetres: 'millimetres',
  turns: 'turns',
  'degree-scale': 'printed degrees',
} as const

export const STONE_DEED_WORD = { measured: 'measured', used: 'used', flattened: 'flattened' } as const

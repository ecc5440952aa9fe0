import type { RigKind } from '#core/rig/rig'

export const RIG_KIND_WORD: Record<RigKind, string> = {
  'slot-plate': 'Plate with slots',
  'turning-post': 'Turning clamp with post',
  'two-arm': 'Upright with two arms',
  'table-post': 'Table with post',
}

export const STONE_KIND_WORD = { diamond: 'diamond', water: 'water stone', oil: 'oil stone', ceramic: 'ceramic', film: 'film', strop: 'strop' } as const

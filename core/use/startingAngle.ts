import type { Blade } from '../records/blade/blade'
import type { Work } from '../records/blade/work'

/** Why an angle is a good one to begin with. */
export type StartingReason =
  | 'kitchen-hard'
  | 'kitchen-soft'
  | 'kitchen-unknown'
  | Exclude<Work, 'kitchen'>
  | 'careful-hand'
  | 'rough-hand'
  | 'soft-rolls'
  | 'hard-chips'
  | 'hollow-bends'
  | 'thick-behind'

export interface StartingAngle {
  /** The usual range for this blade's work, degrees per side. */
  readonly usual: readonly [leastDeg: number, mostDeg: number]
  /** Where to begin within it. */
  readonly deg: number
  readonly why: readonly StartingReason[]
}

/** Usual ranges, degrees per side. Source: docs/use.md, "Where to begin". */
const USUAL = {
  'kitchen-hard': [10, 15],
  'kitchen-soft': [15, 20],
  'kitchen-unknown': [15, 20],
  general: [17, 22],
  outdoor: [20, 25],
  chopping: [25, 30],
} as const satisfies Partial<Record<StartingReason, readonly [number, number]>>

/** From this on a kitchen knife is one of hard steel; below that one steel rolls, above this one it chips, HRC. */
const [HARD_KITCHEN_HRC, SOFT_HRC, BRITTLE_HRC] = [60, 56, 63]
/** So much of the range up or down for each thing that speaks for it. */
const SHIFT = 0.25
/** Thicker than this behind the edge a flatter angle does not cut more easily, mm. */
const THICK_MM = 0.5

/**
 * The angle that an edge without a record is begun with, from what it is for, its hardness and the hand that uses it:
 * the middle of the usual range, shifted by what speaks for more or less. Null where it was not said what it is for.
 */
export function startingAngle({
  work,
  hand,
  hardnessHrc,
  grind,
  thicknessBehindEdgeMm,
}: Pick<Blade, 'work' | 'hand' | 'hardnessHrc' | 'grind' | 'thicknessBehindEdgeMm'>): StartingAngle | null {
  if (work === null) return null
  const kind = work === 'kitchen' ? kitchenOf(hardnessHrc) : work
  const usual = USUAL[kind]
  const isSoft = hardnessHrc !== null && hardnessHrc < SOFT_HRC
  const isBrittle = hardnessHrc !== null && hardnessHrc >= BRITTLE_HRC
  const shifts: readonly { readonly why: StartingReason; readonly by: number; readonly holds: boolean }[] = [
    { why: 'careful-hand', by: -SHIFT, holds: hand === 'careful' },
    { why: 'rough-hand', by: SHIFT, holds: hand === 'rough' },
    { why: 'soft-rolls', by: SHIFT, holds: isSoft },
    { why: 'hard-chips', by: SHIFT, holds: isBrittle },
    { why: 'hollow-bends', by: SHIFT, holds: grind === 'hollow' && work !== 'kitchen' },
    { why: 'thick-behind', by: 0, holds: thicknessBehindEdgeMm > THICK_MM },
  ]
  const speaking = shifts.filter(({ holds }) => holds)
  const share = Math.min(
    1,
    Math.max(
      0,
      speaking.reduce((sum, { by }) => sum + by, 0.5),
    ),
  )
  const deg = Math.round(usual[0] + share * (usual[1] - usual[0]))
  return { usual, deg, why: [kind, ...speaking.map(({ why }) => why)] }
}

const kitchenOf = (hrc: number | null) =>
  hrc === null ? 'kitchen-unknown' : hrc >= HARD_KITCHEN_HRC ? 'kitchen-hard' : 'kitchen-soft'

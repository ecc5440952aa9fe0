export const SIDES = ['A', 'B'] as const
export type Side = (typeof SIDES)[number]

/** One of something for each side: the one shape of such a pair, everywhere. */
export type PerSide<T> = Readonly<Record<Side, T>>

export const perSide = <T>(of: (side: Side) => T): PerSide<T> => ({ A: of('A'), B: of('B') })

export const otherSide = (side: Side): Side => (side === 'A' ? 'B' : 'A')

/** What an edge is for, as far as its angle goes. */
export const WORKS = ['kitchen', 'general', 'outdoor', 'chopping'] as const
export type Work = (typeof WORKS)[number]

/** How the hand that uses it goes about it. */
export const HANDS = ['careful', 'usual', 'rough'] as const
export type Hand = (typeof HANDS)[number]

/** How mean a hidden blade is. */
export const LEVELS = ['easy', 'usual', 'mean'] as const
export type Level = (typeof LEVELS)[number]

/** How an edge is tried, never on skin. */
export const SHARPNESS_TESTS = ['paper', 'light', 'strop', 'magnifier', 'thread'] as const
export type SharpnessTest = (typeof SHARPNESS_TESTS)[number]

/** On which side a burr was felt for and found. */
export const BURRS = ['none', 'A', 'B', 'both'] as const
export type Burr = (typeof BURRS)[number]

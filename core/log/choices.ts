// What an entry of the log can say where it chooses one of several: each list once, for the schema and the screens.

/**
 * Where a face is bare of ink after a light pass: at the shoulder, at the apex, in the middle, at both ends, all over,
 * nowhere; or only above the shoulder, on the primary face.
 */
export const INK_PATTERNS = ['shoulder', 'above', 'apex', 'middle', 'ends', 'all', 'nothing'] as const
export type InkPattern = (typeof INK_PATTERNS)[number]

/** How a bevel's reflection looks: a dot, a haze that is brightest in its middle, or a line between two ends. */
export const FINISHES = ['crisp', 'hazy', 'convex'] as const
export type Finish = (typeof FINISHES)[number]

/** What the width of a bevel is measured with. */
export const WIDTH_MEANS = ['loupe', 'photograph'] as const
export type WidthMeans = (typeof WIDTH_MEANS)[number]

/** How an edge is tried, never on skin; or it was felt for a burr alone. */
export const SHARPNESS_TESTS = ['paper', 'light', 'strop', 'magnifier', 'thread', 'burr'] as const
export type SharpnessTest = (typeof SHARPNESS_TESTS)[number]

/** What became of an edge in use. */
export const OUTCOMES = ['cuts-well', 'dulled', 'rolled', 'chipped', 'dulled-soon'] as const
export type Outcome = (typeof OUTCOMES)[number]

/** What use is counted in, beside the days that go by. */
export const USE_UNITS = ['meals', 'metres', 'cuts', 'plants', 'hours'] as const
export type UseUnit = (typeof USE_UNITS)[number]

/** What is done about the bevel that was found. */
export const CHOICES = ['follow', 'cut', 'nearer'] as const
export type Choice = (typeof CHOICES)[number]

/** On which side a burr was felt for and found. */
export const BURRS = ['none', 'A', 'B', 'both'] as const
export type Burr = (typeof BURRS)[number]

/** How hard a hidden blade is to find out about. */
export const LEVELS = ['easy', 'usual', 'mean'] as const
export type Level = (typeof LEVELS)[number]

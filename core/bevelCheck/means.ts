/** What the width of a bevel is measured with. */
export const WIDTH_MEANS = ['loupe', 'photograph'] as const
export type WidthMeans = (typeof WIDTH_MEANS)[number]

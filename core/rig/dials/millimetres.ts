import { z } from 'zod'
import { mm } from '../../measure/measure'
import { scaleDial } from './dial'

/** A post with a scale of millimetres. */
export const millimetreReading = z.object({
  by: z.literal('millimetres'),
  lowestMm: mm({ least: 0, most: 500 }),
  highestMm: mm({ least: 0, most: 500 }),
  /** Pivot height when the scale shows 0. */
  zeroMm: mm({ least: -500, most: 500 }),
  resolutionMm: mm({ least: 0.01, most: 10 }),
})
export const millimetreSetting = z.object({ by: z.literal('millimetres'), mm: z.number().min(-1000).max(1000) })
type Reading = z.infer<typeof millimetreReading>
type Setting = z.infer<typeof millimetreSetting>

export const millimetreDial = scaleDial<Reading, Setting>({
  figure: ({ mm: figure }) => figure,
  setting: (figure) => ({ by: 'millimetres', mm: figure }),
  step: ({ resolutionMm }) => resolutionMm,
  heightMm: ({ zeroMm }, figure) => zeroMm + figure,
  figureAt: ({ zeroMm }, heightMm) => heightMm - zeroMm,
  rangeMm: ({ lowestMm, highestMm }) => [lowestMm, highestMm],
  highestBelowLowest: ({ lowestMm, highestMm }) => highestMm <= lowestMm,
  highestField: 'highestMm',
  odd: () => [],
})

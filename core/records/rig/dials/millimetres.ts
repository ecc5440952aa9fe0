import { raised, scaleDial } from './dial'
import type { ReadingOf, SettingOf } from './readings'

type Reading = ReadingOf<'millimetres'>
type Setting = SettingOf<'millimetres'>

export const millimetreDial = scaleDial<Reading, Setting>({
  figure: ({ mm: figure }) => figure,
  setting: (figure) => ({ by: 'millimetres', mm: figure }),
  step: ({ resolutionMm }) => resolutionMm,
  heightMm: ({ zeroMm }, figure) => zeroMm + figure,
  figureAt: ({ zeroMm }, heightMm) => heightMm - zeroMm,
  rangeMm: ({ lowestMm, highestMm }) => [lowestMm, highestMm],
  highestBelowLowest: ({ lowestMm, highestMm }) => highestMm <= lowestMm,
  highestField: 'highestMm',
  corrected: raised,
  odd: () => [],
})

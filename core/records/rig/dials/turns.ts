import { raised, scaleDial } from './dial'
import type { ReadingOf, SettingOf } from './readings'

type Reading = ReadingOf<'turns'>
type Setting = SettingOf<'turns'>

export const turnDial = scaleDial<Reading, Setting>({
  figure: ({ turns }) => turns,
  setting: (turns) => ({ by: 'turns', turns }),
  step: ({ divisions }) => 1 / divisions,
  heightMm: ({ zeroMm, pitchMm }, turns) => zeroMm + turns * pitchMm,
  figureAt: ({ zeroMm, pitchMm }, heightMm) => (heightMm - zeroMm) / pitchMm,
  rangeMm: ({ lowestMm, highestMm }) => [lowestMm, highestMm],
  highestBelowLowest: ({ lowestMm, highestMm }) => highestMm <= lowestMm,
  highestField: 'highestMm',
  corrected: raised,
  odd: ({ pitchMm }) => [{ field: 'pitchMm', measure: 'pitch', measuredMm: pitchMm }],
})

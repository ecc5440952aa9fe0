import { z } from 'zod'
import { count, mm } from '../../measure/measure'
import { scaleDial } from './dial'

/** A screw whose turns are counted, with marks on its collar. */
export const turnReading = z.object({
  by: z.literal('turns'),
  lowestMm: mm({ least: 0, most: 500 }),
  highestMm: mm({ least: 0, most: 500 }),
  pitchMm: mm({ least: 0.1, most: 10 }),
  /** Pivot height at 0 turns. */
  zeroMm: mm({ least: -500, most: 500 }),
  /** Marks on the screw's collar in one turn. */
  divisions: count({ least: 1, most: 200 }),
})
export const turnSetting = z.object({ by: z.literal('turns'), turns: z.number().min(-5000).max(5000) })
type Reading = z.infer<typeof turnReading>
type Setting = z.infer<typeof turnSetting>

export const turnDial = scaleDial<Reading, Setting>({
  figure: ({ turns }) => turns,
  setting: (turns) => ({ by: 'turns', turns }),
  step: ({ divisions }) => 1 / divisions,
  heightMm: ({ zeroMm, pitchMm }, turns) => zeroMm + turns * pitchMm,
  figureAt: ({ zeroMm, pitchMm }, heightMm) => (heightMm - zeroMm) / pitchMm,
  rangeMm: ({ lowestMm, highestMm }) => [lowestMm, highestMm],
  highestBelowLowest: ({ lowestMm, highestMm }) => highestMm <= lowestMm,
  highestField: 'highestMm',
  odd: ({ pitchMm }) => [{ field: 'pitchMm', measure: 'pitch', measuredMm: pitchMm }],
})

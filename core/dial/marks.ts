import { heightOfSetting, heightRange, settingOfHeight, dialStep } from '../rig/dial'
import type { DialSetting } from '../rig/heightReading'
import type { Rig } from '../rig/rig'

/** One mark of a rig's dial, and where it puts the pivot. */
export interface Mark {
  readonly setting: DialSetting
  /** What stands at the mark: mm, turns or degrees; on a plate the slot's place counted from the lowest. */
  readonly figure: number
  readonly heightMm: number
}

/** How many marks may be left out between two that are shown, so that figures stay round. */
const ROUND = [1, 2, 5, 10, 20, 50, 100, 200, 500, 1000]

/**
 * The marks of a rig from the lowest to the highest, thinned to round figures where it has more than `most`; every slot
 * of a plate.
 */
export function marksOf(rig: Rig, most: number): Mark[] {
  const dial = rig.height
  if (dial.by === 'slot') {
    return [...dial.slots]
      .sort((a, b) => a.heightMm - b.heightMm)
      .map(({ label, heightMm }, i) => ({ setting: { by: 'slot', label }, figure: i + 1, heightMm }))
  }
  const { lowestMm, highestMm } = heightRange(rig)
  const [from, to] = [figureOf(settingOfHeight(rig, lowestMm)), figureOf(settingOfHeight(rig, highestMm))]
  const step = dialStep(dial)
  const every = step * (ROUND.find((skip) => (to - from) / (step * skip) <= most - 1) ?? ROUND.at(-1)!)
  const marks: Mark[] = []
  for (let i = Math.ceil(from / every - 1e-9); i * every <= to + 1e-9; i++) {
    const setting = settingAt(dial.by, i * every)
    const height = heightOfSetting(rig, setting)
    if (height.ok) marks.push({ setting, figure: i * every, heightMm: height.heightMm })
  }
  return marks
}

/** The figure of a setting on its dial: mm, turns or degrees; a slot has none (0). */
export function figureOf(setting: DialSetting): number {
  if (setting.by === 'millimetres') return setting.mm
  if (setting.by === 'turns') return setting.turns
  return setting.by === 'degree-scale' ? setting.markDeg : 0
}

function settingAt(by: 'millimetres' | 'turns' | 'degree-scale', figure: number): DialSetting {
  if (by === 'millimetres') return { by, mm: figure }
  return by === 'turns' ? { by, turns: figure } : { by, markDeg: figure }
}

import { lastOf, bothOf } from '../../../math/list'
import type { FieldProblem } from '../../../schema/problem'
import { clamp, roundToStep } from '../../../math/units/figures'

/** A figure that is odd for a dial, though it may be true: which of the rig's odd measures, at which field. */
export interface OddFigure {
  readonly field: string
  readonly measure: 'pitch' | 'blade-height'
  readonly measuredMm: number
}

/** How much higher, and further behind the jaws, a pivot stands than it was measured, mm. */
export interface PivotError {
  readonly heightMm: number
  readonly setbackMm: number
}

/** The zero of a dial that much higher, and its ends. */
export const raised = <R extends { lowestMm: number; highestMm: number; zeroMm: number }>(
  reading: R,
  { heightMm }: PivotError,
): R => ({
  ...reading,
  lowestMm: Math.max(0, reading.lowestMm + heightMm),
  highestMm: Math.max(0, reading.highestMm + heightMm),
  zeroMm: reading.zeroMm + heightMm,
})

/**
 * All that differs between the languages in which rigs say their pivot's height. R: how a rig's dial is described; S: a
 * setting of it. Heights are mm above the clamp's centre plane (or the table), `setbackMm` is the rig's.
 */
export interface Dial<R, S> {
  /** The height of a setting; null where this dial has no such setting. */
  heightMm(reading: R, setting: S, setbackMm: number): number | null
  /** The lowest and the highest that it can be set to. */
  rangeMm(reading: R, setbackMm: number): readonly [lowestMm: number, highestMm: number]
  /** The setting for a height: exact, or the nearest where only some can be set; beyond the range, its end. */
  settingAt(reading: R, heightMm: number, setbackMm: number): S
  /** A setting rounded to the nearest mark that the rig really has, within its range. */
  nearestMark(reading: R, setting: S, setbackMm: number): S
  /** The setting so many marks higher or lower, kept within the range. */
  stepped(reading: R, setting: S, marks: number, setbackMm: number): S
  /** Its marks from the lowest to the highest, thinned to round figures where there are more than `most`. */
  marks(reading: R, most: number, setbackMm: number): S[]
  /** What stands at a mark: mm, turns or degrees. Where only some heights can be set, their place from the lowest. */
  figure(reading: R, setting: S): number
  /** The only settings that there are; null where any between the ends can be set. */
  fixed(reading: R): S[] | null
  /** How far the pivot can slide along the jaws, to either side. */
  slideMm(reading: R): number
  /** The same dial on a rig whose pivot stands higher, and further behind the jaws, than was measured. */
  corrected(reading: R, by: PivotError): R
  /** What cannot be true of such a dial, at its field. */
  impossible(reading: R): FieldProblem[]
  odd(reading: R): OddFigure[]
}

/** How many marks may be left out between two that are shown, so that figures stay round. */
const ROUND = [1, 2, 5, 10, 20, 50, 100, 200, 500, 1000]

/** A dial with a scale of even marks: what differs is what a figure stands for. */
export function scaleDial<R, S>(scale: {
  figure(setting: S): number
  setting(figure: number): S
  /** From mark to mark, in figures. */
  step(reading: R): number
  heightMm(reading: R, figure: number, setbackMm: number): number
  figureAt(reading: R, heightMm: number, setbackMm: number): number
  rangeMm(reading: R, setbackMm: number): readonly [lowestMm: number, highestMm: number]
  highestBelowLowest(reading: R): boolean
  highestField: string
  corrected(reading: R, by: PivotError): R
  odd(reading: R): OddFigure[]
}): Dial<R, S> {
  const { figure, setting, step, rangeMm } = scale
  const heightOf = (reading: R, of: S, setbackMm: number) => scale.heightMm(reading, figure(of), setbackMm)

  function nearestMark(reading: R, of: S, setbackMm: number): S {
    const by = step(reading)
    const rounded = setting(roundToStep(figure(of), by))
    const [lowestMm, highestMm] = rangeMm(reading, setbackMm)
    const heightMm = heightOf(reading, rounded, setbackMm)
    if (heightMm < lowestMm - 1e-9) return setting(figure(rounded) + by)
    return heightMm > highestMm + 1e-9 ? setting(figure(rounded) - by) : rounded
  }
  const settingAt = (reading: R, heightMm: number, setbackMm: number): S =>
    setting(scale.figureAt(reading, clamp(heightMm, rangeMm(reading, setbackMm)), setbackMm))

  return {
    heightMm: heightOf,
    corrected: scale.corrected,
    rangeMm,
    settingAt,
    nearestMark,
    stepped(reading, of, marks, setbackMm) {
      const raised = setting(figure(nearestMark(reading, of, setbackMm)) + step(reading) * marks)
      return nearestMark(reading, settingAt(reading, heightOf(reading, raised, setbackMm), setbackMm), setbackMm)
    },
    marks(reading, most, setbackMm) {
      const [from, to] = bothOf(rangeMm(reading, setbackMm), (heightMm) => scale.figureAt(reading, heightMm, setbackMm))
      const by = step(reading)
      const every = by * (ROUND.find((skip) => (to - from) / (by * skip) <= most - 1) ?? lastOf(ROUND))
      const marks: S[] = []
      for (let i = Math.ceil(from / every - 1e-9); i * every <= to + 1e-9; i++) marks.push(setting(i * every))
      return marks
    },
    figure: (_, of) => figure(of),
    fixed: () => null,
    slideMm: () => 0,
    impossible: (reading) =>
      scale.highestBelowLowest(reading) ? [{ field: scale.highestField, code: 'highest-below-lowest' }] : [],
    odd: scale.odd,
  }
}

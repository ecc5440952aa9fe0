import { edgeAngle, heightForAngleMm } from '../../../math/edgeAngle/edgeAngle'
import { scaleDial } from './dial'
import type { ReadingOf, SettingOf } from './readings'

type Reading = ReadingOf<'degree-scale'>
type Setting = SettingOf<'degree-scale'>

/** The pivot height that a printed mark stands for. Source: docs/geometry.md, "Printed degree scales". */
const heightOfMark = (of: Reading, markDeg: number, setbackMm: number): number =>
  heightForAngleMm(markDeg, setbackMm + of.drawnForBladeHeightMm, of.drawnForFaceOffsetMm) + of.zeroMm

export const degreeDial = scaleDial<Reading, Setting>({
  figure: ({ markDeg }) => markDeg,
  setting: (markDeg) => ({ by: 'degree-scale', markDeg }),
  step: ({ stepDeg }) => stepDeg,
  heightMm: heightOfMark,
  figureAt(of, heightMm, setbackMm) {
    const at = edgeAngle(heightMm - of.zeroMm, setbackMm + of.drawnForBladeHeightMm, of.drawnForFaceOffsetMm)
    return at.ok ? at.edgeAngleDeg : of.lowestMarkDeg
  },
  rangeMm: (of, setbackMm) => [
    heightOfMark(of, of.lowestMarkDeg, setbackMm),
    heightOfMark(of, of.highestMarkDeg, setbackMm),
  ],
  highestBelowLowest: ({ lowestMarkDeg, highestMarkDeg }) => highestMarkDeg <= lowestMarkDeg,
  highestField: 'highestMarkDeg',
  // The marks stay where they are printed: for a pivot further back they were drawn for a blade that stood out less.
  corrected: (of, { heightMm, setbackMm }) => ({
    ...of,
    drawnForBladeHeightMm: Math.max(0, of.drawnForBladeHeightMm - setbackMm),
    zeroMm: of.zeroMm + heightMm,
  }),
  odd: (of) => [{ field: 'drawnForBladeHeightMm', measure: 'blade-height', measuredMm: of.drawnForBladeHeightMm }],
})

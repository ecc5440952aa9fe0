import { z } from 'zod'
import { edgeAngle, heightForAngleMm } from '../../angle/edgeAngle'
import { deg, mm } from '../../measure/measure'
import { scaleDial } from './dial'

const mark = deg({ least: 1, most: 60 })

/** A printed scale of degrees, right for the blade height and the stone that it was drawn for. */
export const degreeReading = z.object({
  by: z.literal('degree-scale'),
  lowestMarkDeg: mark,
  highestMarkDeg: mark,
  stepDeg: deg({ least: 0.05, most: 5 }),
  drawnForBladeHeightMm: mm({ least: 0, most: 300 }),
  drawnForFaceOffsetMm: mm({ least: 0, most: 60 }),
})
export const degreeSetting = z.object({ by: z.literal('degree-scale'), markDeg: z.number().min(0).max(80) })
type Reading = z.infer<typeof degreeReading>
type Setting = z.infer<typeof degreeSetting>

/** The pivot height that a printed mark stands for. Source: docs/geometry.md, "Printed degree scales". */
const heightOfMark = (of: Reading, markDeg: number, setbackMm: number): number =>
  heightForAngleMm(markDeg, setbackMm + of.drawnForBladeHeightMm, of.drawnForFaceOffsetMm)

export const degreeDial = scaleDial<Reading, Setting>({
  figure: ({ markDeg }) => markDeg,
  setting: (markDeg) => ({ by: 'degree-scale', markDeg }),
  step: ({ stepDeg }) => stepDeg,
  heightMm: heightOfMark,
  figureAt(of, heightMm, setbackMm) {
    const at = edgeAngle(heightMm, setbackMm + of.drawnForBladeHeightMm, of.drawnForFaceOffsetMm)
    return at.ok ? at.edgeAngleDeg : of.lowestMarkDeg
  },
  rangeMm: (of, setbackMm) => [
    heightOfMark(of, of.lowestMarkDeg, setbackMm),
    heightOfMark(of, of.highestMarkDeg, setbackMm),
  ],
  highestBelowLowest: ({ lowestMarkDeg, highestMarkDeg }) => highestMarkDeg <= lowestMarkDeg,
  highestField: 'highestMarkDeg',
  odd: (of) => [{ field: 'drawnForBladeHeightMm', measure: 'blade-height', measuredMm: of.drawnForBladeHeightMm }],
})

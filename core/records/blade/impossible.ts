import { curveLength } from '../../math/curve/arcLength'
import type { ProblemCode } from '../../schema/codes'
import { refuseAt, type FieldProblem } from '../../schema/problem'
import type { Figures } from '../../schema/result'
import { blade, type Blade } from './blade'

/** What a rule and a calliper leave open, mm: no blade is refused for less. */
const MEASURED_TO_MM = 0.5

/** Why a blade with these measures cannot be; empty when it can. Source: docs/geometry.md, "Impossible blades". */
export function impossibilities(of: Blade): FieldProblem[] {
  const found: FieldProblem[] = []
  const say = (field: string, code: ProblemCode, figures: Figures = {}) => found.push({ field, code, figures })
  if (of.spineThicknessMm <= of.thicknessBehindEdgeMm)
    say('thicknessBehindEdgeMm', 'thicker-than-spine', { spineMm: of.spineThicknessMm })
  const [spineTipMm, edgeTipMm] = [
    of.spineThicknessTipMm ?? of.spineThicknessMm,
    of.thicknessBehindEdgeTipMm ?? of.thicknessBehindEdgeMm,
  ]
  const measuredThere = of.spineThicknessTipMm !== null || of.thicknessBehindEdgeTipMm !== null
  if (measuredThere && spineTipMm <= edgeTipMm)
    say('thicknessBehindEdgeTipMm', 'thicker-than-spine', { spineMm: spineTipMm })
  if (of.primaryGrindHeightMm > of.widthMm + MEASURED_TO_MM)
    say('primaryGrindHeightMm', 'taller-than-blade', { widthMm: of.widthMm })
  const edgeMm = curveLength(of.edge)
  of.zones?.forEach(({ fromMm, toMm }, i) => {
    if (toMm <= fromMm) say(`zones.${i}.toMm`, 'zone-without-length')
    else if (toMm > edgeMm + MEASURED_TO_MM) say(`zones.${i}.toMm`, 'zone-beyond-edge', { edgeMm })
  })
  return found
}

/** A blade as it can be measured; one that cannot be is refused, with the reason at its field. */
export const possibleBlade = blade.superRefine((measured, context) => {
  for (const { field, code, figures } of impossibilities(measured)) refuseAt(context, field.split('.'), code, figures)
})

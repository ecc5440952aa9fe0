import type { FieldProblem } from '../../schema/problem'
import { degrees } from '../../math/units/angle'
import { heightRange } from './dial'
import { dialOf } from './dials/dials'
import { jawSetsOf } from './jaws'
import type { Rig } from './rig'

/**
 * Where the measures of nearly every rig lie, mm. What lies outside is possible, but more often a slip of the rule.
 */
const USUAL = {
  setback: [40, 300],
  pitch: [0.5, 3],
  'half-thickness': [1, 15],
  'blade-height': [10, 70],
  uncertainty: [0.05, 1.5],
} as const
export type OddMeasure = keyof typeof USUAL

const FAR_ASIDE_MM = 40
const LOOSE_MM = 1
const STEEP_DEG = 10

/** What is odd about a rig though it may be true: worth a second look before it is kept. */
export function oddities(rig: Rig): FieldProblem[] {
  const found: FieldProblem[] = []
  const look = (field: string, measure: OddMeasure, measuredMm: number) => {
    const [leastMm, mostMm] = USUAL[measure]
    if (measuredMm < leastMm || measuredMm > mostMm)
      found.push({ field, code: 'unusual', figures: { measure, measuredMm, leastMm, mostMm } })
  }
  look('pivot.setbackMm', 'setback', rig.pivot.setbackMm)
  if (rig.pivotB) look('pivotB.setbackMm', 'setback', rig.pivotB.setbackMm)
  for (const [i, set] of jawSetsOf(rig).entries())
    look(i === 0 ? 'jaws.halfThicknessMm' : `moreJaws.${i - 1}.halfThicknessMm`, 'half-thickness', set.halfThicknessMm)
  for (const { field, measure, measuredMm } of dialOf(rig.height).odd(rig.height))
    look(`height.${field}`, measure, measuredMm)
  look('tolerance.heightMm', 'uncertainty', rig.tolerance.heightMm)
  look('tolerance.setbackMm', 'uncertainty', rig.tolerance.setbackMm)
  if (Math.abs(rig.pivot.alongMm) > FAR_ASIDE_MM) found.push({ field: 'pivot.alongMm', code: 'pivot-far-aside' })
  if (rig.pivotPlayMm > LOOSE_MM)
    found.push({ field: 'pivotPlayMm', code: 'loose-pivot', figures: { leastMm: LOOSE_MM } })
  const steepestDeg = degrees(Math.atan2(heightRange(rig).highestMm, rig.pivot.setbackMm))
  if (steepestDeg < STEEP_DEG) found.push({ field: 'height', code: 'never-steep', figures: { leastDeg: STEEP_DEG } })
  return found
}

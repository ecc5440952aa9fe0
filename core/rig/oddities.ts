import { heightRange } from './dial'
import type { RigRemark } from './impossible'
import { jawSetsOf } from './jaws'
import type { Rig } from './rig'

/** Where the measures of nearly every rig lie, mm. What lies outside is possible, but more often a slip of the rule. */
const USUAL = {
  setbackMm: [40, 300],
  pitchMm: [0.5, 3],
  halfThicknessMm: [1, 15],
  drawnForBladeHeightMm: [10, 70],
  toleranceMm: [0.05, 1.5],
} as const

/** What is odd about a rig though it may be true: worth a second look before it is kept. */
export function oddities(rig: Rig): RigRemark[] {
  const found: RigRemark[] = []
  const look = (field: string, word: string, value: number, [least, most]: readonly [number, number]) => {
    if (value < least || value > most)
      found.push({
        field,
        message: `${word} of ${Math.round(value * 100) / 100} mm is unusual: most lie between ${least} and ${most} mm. Is it measured from the right place?`,
      })
  }
  look('pivot.setbackMm', 'A setback', rig.pivot.setbackMm, USUAL.setbackMm)
  if (rig.pivotB) look('pivotB.setbackMm', 'A setback', rig.pivotB.setbackMm, USUAL.setbackMm)
  for (const [i, set] of jawSetsOf(rig).entries())
    look(
      i === 0 ? 'jaws.halfThicknessMm' : `moreJaws.${i - 1}.halfThicknessMm`,
      'A half-thickness',
      set.halfThicknessMm,
      USUAL.halfThicknessMm,
    )
  if (rig.height.by === 'turns') look('height.pitchMm', 'A pitch', rig.height.pitchMm, USUAL.pitchMm)
  if (rig.height.by === 'degree-scale')
    look(
      'height.drawnForBladeHeightMm',
      'A blade height',
      rig.height.drawnForBladeHeightMm,
      USUAL.drawnForBladeHeightMm,
    )
  look('tolerance.heightMm', 'A doubt', rig.tolerance.heightMm, USUAL.toleranceMm)
  look('tolerance.setbackMm', 'A doubt', rig.tolerance.setbackMm, USUAL.toleranceMm)
  if (Math.abs(rig.pivot.alongMm) > 40)
    found.push({
      field: 'pivot.alongMm',
      message: 'The pivot stands far to one side of the jaws: the rod will rarely be square to the edge.',
    })
  if (rig.pivotPlayMm > 1)
    found.push({
      field: 'pivotPlayMm',
      message: 'More than 1 mm of play: the angle will wander with the stroke. Can the bearing be tightened?',
    })
  const { highestMm } = heightRange(rig)
  const steepest = (Math.atan2(highestMm, rig.pivot.setbackMm) * 180) / Math.PI
  if (steepest < 10)
    found.push({ field: 'height', message: 'Even at its highest the pivot gives less than 10° over the jaws’ front.' })
  return found
}

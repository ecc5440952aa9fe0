import type { ClampPosition } from '../../records/job/clampPosition'
import { curveLength } from '../../math/curve/arcLength'
import { edgePointOverJaws } from '../../geometry/clamping/bladeHeight'
import { evenEdgePoints, edgePointAt } from '../../math/curve/edgePoints'
import { whatToDial } from '../../geometry/dial/whatToDial'
import { gripOf } from '../../geometry/hold/grip'
import { heightOfSetting, heightRange, settingOfHeight } from '../../records/rig/dial'
import { restsOnTable } from '../../records/rig/kinds'
import type { Rig } from '../../records/rig/rig'
import type { Blade } from '../../records/blade/blade'
import type { Setup } from '../../geometry/setup/setup'
import type { ClampCard } from './sameAgain'
import { clampCard, type Job } from '../../records/job/job'

/** The most of a blade's width that the jaws are given to begin with, mm. */
const GRIP_MM = 12
const EDGE_POINTS = 60

/**
 * A place to begin: the middle of the edge over the middle of the jaws, gripped by a third of its width at most, or the
 * nearest to it that the jaws can hold; on a table the whole blade lies in front of the line, with its spine on it.
 */
export function startingHold(rig: Rig, blade: Blade): ClampPosition {
  const middle = edgePointAt(blade.edge, curveLength(blade.edge) / 2)
  const depth = restsOnTable(rig) ? 0 : Math.min(GRIP_MM, blade.widthMm / 3)
  const hold = { bladeXMm: middle.point[0], bladeYMm: depth, turnDeg: 0, centreOffsetMm: 0, tiltDeg: 0 }
  const grip = gripOf(blade, rig)
  return grip.trouble(hold) ? (grip.nearest(hold) ?? hold) : hold
}

/**
 * What to dial to begin with: the wanted angle at the place that the dial is for where the rig can give it, else the
 * middle of its range.
 */
export function startingDial(setup: Setup, wanted: Job['wanted'], dialForMm: number | null): Job['dialled'] {
  const { edge } = setup.blade
  const edgePoint =
    dialForMm === null
      ? edgePointOverJaws(edge, evenEdgePoints(edge, EDGE_POINTS), setup.hold)
      : edgePointAt(edge, dialForMm)
  const [a, b] = [whatToDial(setup, 'A', wanted.deg.A, edgePoint), whatToDial(setup, 'B', wanted.deg.B, edgePoint)]
  const { lowestMm, highestMm } = heightRange(setup.rig)
  const middle = settingOfHeight(setup.rig, (lowestMm + highestMm) / 2)
  const linked = setup.rig.pivotB === null
  const forA = a.ok ? a.setting : middle
  return { A: forA, B: linked ? forA : b.ok ? b.setting : middle, linked }
}

/**
 * How a job with these records begins: as an earlier job with this blade on this rig (dialled anew where the rig has no
 * such setting any more); without one, at a place to begin with, and `now` goes on.
 */
export function startingCard(
  records: Omit<Setup, 'hold'>,
  earlier: ClampCard | null,
  now: Pick<ClampCard, 'jawsName' | 'progression' | 'wanted' | 'microBevel' | 'stropAddDeg'>,
): ClampCard {
  const card = earlier && clampCard.parse(earlier)
  if (card && [card.dialled.A, card.dialled.B].every((setting) => heightOfSetting(records.rig, setting).ok)) return card
  const hold = card?.hold ?? startingHold(records.rig, records.blade)
  const { jawsName, progression, wanted, microBevel, stropAddDeg } = card ?? now
  const dialForMm = card?.dialForMm ?? null
  return {
    jawsName,
    progression,
    wanted,
    microBevel,
    stropAddDeg,
    hold,
    dialForMm,
    dialled: startingDial({ ...records, hold }, wanted, dialForMm),
    positions: null,
  }
}

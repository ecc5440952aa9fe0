import { ofKind } from '../../log/activeEntries'
import { provedAtPlaces } from '../../log/meanReading'
import { settingOn } from '../../log/setupSnapshot'
import { evenEdgePoints } from '../../math/curve/edgePoints'
import { provedAgainst, setThere } from '../../observe/ledger/against'
import type { Side } from '../../records/common/side'
import { positionAt } from '../../records/job/positions'
import { wantedOf } from '../../records/job/stoneUses'
import { strokesOn } from './grinding'
import { asked, type JobAsked, type JobNow } from './jobNow'
import { FAR_OFF_DEG, type AngleAsGround } from './step'

/** Whether some place of the edge is far from the wanted angle. */
export const isFarOff = ({ worstDeg }: AngleAsGround): boolean => Math.abs(worstDeg) > FAR_OFF_DEG

/** So many places of an edge are asked. */
const PLACES = 40

/**
 * What a side's edge has from heel to tip: at each place what the rig gave there with the hold, the setting and the
 * stone of the last strokes, and as much more or less as the nearest proof differed from that. Null where nothing was
 * ground on this rig with a setting that was noted. Source: docs/process.md.
 */
export function angleAsGround(now: JobAsked, side: Side): AngleAsGround | null {
  const { setup, job } = now
  const proofs = provedAtPlaces(ofKind(now.found, 'proof'), side).flatMap((amount) => {
    const { placeMm, differsDeg, found } = provedAgainst(now.against, side, amount)
    return found || differsDeg === null ? [] : [{ placeMm, differsDeg }]
  })
  const along = evenEdgePoints(setup.blade.edge, PLACES).flatMap(({ fromHeelMm }) => {
    const cut = strokesOn(now, side, positionAt(fromHeelMm, job.positions)).at(-1)?.setup ?? null
    const setting = settingOn(cut, side)
    if (!cut || !setting || (cut.rigId !== null && cut.rigId !== job.rigId)) return []
    const stoneId = cut.stoneId ?? job.stoneId
    const stone = stoneId === job.stoneId ? setup.stone : now.against.stoneOf(stoneId)
    if (!stone) return []
    const there = setThere({ ...setup, stone, hold: cut.hold ?? setup.hold }, side, setting, fromHeelMm)
    if (!there) return []
    const away = ({ placeMm }: (typeof proofs)[number]) => Math.abs(placeMm - fromHeelMm)
    const nearest = proofs.length > 0 ? proofs.reduce((best, one) => (away(one) < away(best) ? one : best)) : null
    const deg = there.contact.edgeAngleDeg + (nearest?.differsDeg ?? 0)
    return [{ fromHeelMm, deg, offDeg: deg - wantedOf(job, side, cut.forMicroBevel) }]
  })
  if (along.length === 0) return null
  const worst = along.reduce((most, one) => (Math.abs(one.offDeg) > Math.abs(most.offDeg) ? one : most))
  const degs = along.map(({ deg }) => deg)
  return {
    side,
    lowestDeg: Math.min(...degs),
    highestDeg: Math.max(...degs),
    worstAtMm: worst.fromHeelMm,
    worstDeg: worst.offDeg,
    proved: proofs.length > 0,
  }
}

/** The same of each side of a job. */
export function anglesAsGround(job: JobNow): AngleAsGround[] {
  const now = asked(job)
  return now.sides.flatMap((side) => angleAsGround(now, side) ?? [])
}

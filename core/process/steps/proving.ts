import { ofKind } from '../../log/activeEntries'
import { meanProof, provedAtPlaces } from '../../log/meanReading'
import { lastOf } from '../../math/list'
import { provedAgainst, setThere } from '../../observe/ledger/against'
import { zoneAt } from '../../records/blade/zones'
import type { Side } from '../../records/common/side'
import { changedSince, done, doneUnless, MISSING, step } from './make'
import type { JobAsked } from './jobNow'
import { strokesOn } from './grinding'
import type { OutOfDate, Step } from './step'

/** What is known no better than this shows nothing, degrees. */
const SHOWS_DEG = 1

/** What is on the steel of a side, at the place of the newest proof. `apexByBurr`: a burr stood and was removed. */
export function proveStep(now: JobAsked, side: Side, apexByBurr: boolean): Step {
  const toDo = { does: 'prove' } as const
  const amount = meanProof(ofKind(now.found, 'proof'), side)
  const proved = amount && provedAgainst(now.against, side, amount)
  // What was found before anything was ground is evidence of what is there, and proves nothing of the job.
  if (!proved || proved.found) return step(now, 'prove', { side, state: MISSING, toDo })
  const last = lastOf(proved.amount.of)
  const fact = { at: last.at, deg: proved.amount.deg, uncertaintyDeg: proved.amount.uncertaintyDeg }
  const because: OutOfDate[] = changedSince(now, last.setup, side, ['rig', 'jaws', 'hold', 'dial'])
  const ground = strokesOn(now, side).at(-1)
  if (ground && ground.at > last.at) because.push('ground-since')
  if (proved.toApex === false || (proved.toApex === null && !apexByBurr)) because.push('apex')
  if (proved.amount.uncertaintyDeg > SHOWS_DEG) because.push('unsure')
  if (because.length > 0) return step(now, 'prove', { side, state: doneUnless(fact, because), toDo })
  const set = now.evaluation.sides[side]
  const uncertaintyDeg = Math.hypot(proved.amount.uncertaintyDeg, set.ok ? set.uncertaintyDeg : 0)
  const offDeg = proved.differsDeg ?? 0
  if (Math.abs(offDeg) <= uncertaintyDeg) return step(now, 'prove', { side, state: doneUnless(fact, []) })
  return step(now, 'prove', {
    side,
    state: { is: 'out-of-date', fact, because: ['unsure'] },
    toDo: { does: 'explain-proof', offDeg, uncertaintyDeg },
  })
}

/** A zone whose set angle is further than this from that of the place that the dial is for is proved by itself. */
const DIFFERS_DEG = 1.5

/** The zones of a side that differ from the place that the dial is for, each to be proved once the side is. */
export function zoneProofSteps(now: JobAsked, side: Side): Step[] {
  const { evaluation, against, asSet, found } = now
  const [set, setting] = [evaluation.sides[side], asSet.setting[side]]
  if (!set.ok || !setting) return []
  const cut = provedAtPlaces(ofKind(found, 'proof'), side).filter(({ of }) => lastOf(of).setup !== null)
  return against.zones.flatMap((zone, i) => {
    const there = setThere(now.setup, side, setting, (zone.fromMm + zone.toMm) / 2)
    if (!there || Math.abs(there.contact.edgeAngleDeg - set.contact.edgeAngleDeg) <= DIFFERS_DEG) return []
    const inIt = cut.findLast(({ of }) => {
      const { placeMm, zone: kind } = lastOf(of)
      return placeMm === null ? kind === null || kind === zone.kind : zoneAt(against.zones, placeMm) === i
    })
    const state = inIt ? done({ at: lastOf(inIt.of).at, deg: inIt.deg, uncertaintyDeg: inIt.uncertaintyDeg }) : MISSING
    return [step(now, 'prove', { side, zone: zone.kind, state, toDo: { does: 'prove' } })]
  })
}

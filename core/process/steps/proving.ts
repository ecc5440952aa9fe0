import { ofKind } from '../../log/activeEntries'
import type { Proof } from '../../log/entry'
import { meanProof } from '../../log/meanReading'
import { settingOn } from '../../log/setupSnapshot'
import { lastOf, nth } from '../../math/list'
import { placeOfProof, provedAgainst, setThere, setUncertaintyDeg } from '../../observe/ledger/against'
import { zoneAt, type Zone, zoneMiddleMm } from '../../records/blade/zones'
import type { Side } from '../../records/common/side'
import { positionAt } from '../../records/job/positions'
import { changedSince, doneUnless, HELD_WITH, MISSING, step } from './makeStep'
import { heldIn, positionsOf, type JobAsked } from './jobNow'
import { burrFelt, strokesOn } from './grinding'
import { alarmFactor } from './falseAlarms'
import type { OutOfDate, Step } from './step'

/** A proof that is less certain than this proves nothing, degrees. */
const MOST_UNCERTAIN_DEG = 1
/** A zone whose set angle is further than this from that of the place that the dial is for is proved by itself. */
const DIFFERS_DEG = 1.5

/** What is on the steel of a side: once for the zones that are set alike, and for each that differs by itself. */
export const proofSteps = (now: JobAsked, side: Side): Step[] =>
  positionsOf(now).flatMap((position) => proofStepsIn(heldIn(now, position), side, position))

/** The same of what is worked in one clamping position, as it is held in it. */
function proofStepsIn(now: JobAsked, side: Side, position: number | null): Step[] {
  const { setup, setNow, dialFor, against, job } = now
  // As it was ground there last; else as it is dialled.
  const cut = strokesOn(now, side, position).at(-1)?.setup ?? null
  const setting = settingOn(cut, side) ?? setNow.setting[side]
  const setDegAt = (placeMm: number) => setting && setThere(setup, side, setting, placeMm)?.contact.edgeAngleDeg
  const setDeg = setDegAt(dialFor.fromHeelMm)
  const differs = (zone: Zone) => {
    const there = setDegAt(zoneMiddleMm(zone))
    return setDeg && there ? Math.abs(there - setDeg) > DIFFERS_DEG : false
  }
  const here = against.zones.filter(
    (zone) => position === null || positionAt(zoneMiddleMm(zone), job.positions) === position,
  )
  const apart = here.filter(differs)
  const isAlike = (zone: Zone) => !apart.includes(zone)
  const at = (placeMm: number) => nth(against.zones, zoneAt(against.zones, placeMm))
  // Where the dial is for, unless that lies in a zone that is proved by itself.
  const other = isAlike(at(dialFor.fromHeelMm)) ? undefined : here.find(isAlike)
  const forDialMm = position === null ? null : dialFor.fromHeelMm
  const alike = { zone: null, placeMm: other ? zoneMiddleMm(other) : forDialMm, countsIn: isAlike }
  const asked: ProofAsked[] = [
    // Where each zone is proved by itself, nothing is left to prove of the side as a whole.
    ...(here.length === 0 || here.some(isAlike) ? [alike] : []),
    ...apart.map((zone) => ({ zone, placeMm: zoneMiddleMm(zone), countsIn: (one: Zone) => one === zone })),
  ]
  const proofs = asked.length * now.sides.length * positionsOf(now).length
  return asked.map((one) => proofStep(now, side, position, one, alarmFactor(proofs)))
}

/** What a proof is asked of: a zone alone, or those that are set alike; the place that is asked for, from the heel. */
interface ProofAsked {
  readonly zone: Zone | null
  readonly placeMm: number | null
  readonly countsIn: (zone: Zone) => boolean
}

/**
 * What was proved in the zones that count, as the rig was set when they were last ground. `alarmsAt`: how many times
 * its ± it may differ from that before it is asked why.
 */
function proofStep(
  now: JobAsked,
  side: Side,
  position: number | null,
  { zone, placeMm, countsIn }: ProofAsked,
  alarmsAt: number,
): Step {
  const ground = strokesOn(now, side, position).at(-1)
  const of = { side, zone: zone?.kind ?? null, position, placeMm, askedSince: ground?.at }
  const toDo = { does: 'prove' } as const
  const amount = meanProof(
    ofKind(now.found, 'proof').filter((proof) => proof.side === side && isIn(now, proof, position, countsIn)),
    side,
  )
  const proved = amount && provedAgainst(now.against, side, amount)
  // What was found before anything was ground is evidence of what is there, and proves nothing of the job.
  if (!proved || proved.found) return step(now, 'prove', { ...of, state: MISSING, toDo })
  const last = lastOf(proved.amount.of)
  const fact = { at: last.at, deg: proved.amount.deg, uncertaintyDeg: proved.amount.uncertaintyDeg }
  if (ground && ground.at > last.at)
    return step(now, 'prove', { ...of, state: doneUnless(fact, ['ground-since']), toDo })
  if (proved.toApex === false)
    return step(now, 'prove', {
      ...of,
      stoneId: now.job.stoneId,
      state: doneUnless(fact, ['not-to-apex']),
      toDo: { does: 'grind', strokes: 0 },
    })
  // Another dial since does not count: that it was cut for the angle that is wanted now is what its strokes say.
  const because: OutOfDate[] = changedSince(now, last.setup, side, HELD_WITH)
  if (proved.toApex === null && !burrFelt(now, side)) because.push('apex-not-said')
  if (proved.amount.uncertaintyDeg > MOST_UNCERTAIN_DEG) because.push('unsure')
  if (because.length > 0) return step(now, 'prove', { ...of, state: doneUnless(fact, because), toDo })
  const setSureDeg = proved.set ? setUncertaintyDeg(proved.set, now.job) : 0
  const uncertaintyDeg = Math.hypot(proved.amount.uncertaintyDeg, setSureDeg)
  const offDeg = proved.differsDeg ?? 0
  if (Math.abs(offDeg) <= alarmsAt * uncertaintyDeg) return step(now, 'prove', { ...of, state: doneUnless(fact, []) })
  return step(now, 'prove', {
    ...of,
    state: doneUnless(fact, ['differs']),
    toDo: { does: 'explain-proof', offDeg, uncertaintyDeg },
  })
}

/** Whether a proof is of a position and of a zone that counts: by its place, or its zone's; else it is of all. */
function isIn(
  { against, job }: JobAsked,
  proof: Proof,
  position: number | null,
  countsIn: (zone: Zone) => boolean,
): boolean {
  const placeMm = placeOfProof(proof, against.zones)
  if (placeMm === null) return true
  const isHere = position === null || positionAt(placeMm, job.positions) === position
  return isHere && countsIn(nth(against.zones, zoneAt(against.zones, placeMm)))
}

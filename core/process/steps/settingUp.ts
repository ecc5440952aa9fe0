import { dialledState } from '../../log/dialledState'
import { ofKind } from '../../log/activeEntries'
import { meanReading } from '../../log/meanReading'
import { setupChanges } from '../../log/setAlike'
import { expectedReadingDeg } from '../../geometry/gauge/expectedReading'
import { gripOf } from '../../geometry/hold/grip'
import { CLEARANCE_TOLERANCE_DEG, shortOverJawsDeg } from '../../geometry/hold/jawClearance'
import { heightToMeasure } from '../../geometry/hold/heightToMeasure'
import { jawFit } from '../../geometry/hold/holdChecks'
import { lastOf } from '../../math/list'
import { READ_TO_DEG } from '../../observe/gauge/likelyCauses'
import { readAgainst, setUncertaintyDeg } from '../../observe/ledger/against'
import { runsOffDeg, UNEVEN_DEG } from '../../uncertainty/evaluate'
import type { Refusal } from '../../schema/refusal'
import type { Side } from '../../records/common/side'
import { gaugeUseOf } from '../../records/job/job'
import { liesAlike, shareOneHold } from '../../records/job/positions'
import { isForMicroBevel } from '../../records/job/stoneUses'
import { facetPositions } from '../../placement/facetPositions'
import { changedSince, done, doneUnless, HELD_WITH, MISSING, step } from './makeStep'
import { positionsOf, wantedOnRod, type JobAsked } from './jobNow'
import { EXPECTED } from '../purposes'
import { alarmFactor } from './falseAlarms'
import { nearestDialDeg } from './nearestDial'
import { FAR_OFF_DEG, type OutOfDate, type Step, type ToDo } from './step'

/** What a job is begun with before anyone said what its edge should have, degrees. */
const BEGUN_WITH_DEG = 20
/** A dial that is nearer than this to the best the rig can do is dialled, degrees. */
const DIALLED_DEG = 0.05
/** Positions that were found for an angle nearer to the wanted one than this do for it, degrees. */
const SAME_WANTED_DEG = 0.1

/** What the edge should have: a figure or a reason that someone gave. */
export function wantedStep(now: JobAsked): Step {
  const { deg, why } = now.job.wanted
  const given = why !== '' || now.sides.some((side) => deg[side] !== BEGUN_WITH_DEG)
  const state = given ? done({ at: null, deg: deg.A }) : MISSING
  // Who follows the bevel that is there learns from it what to want.
  return step(now, 'wanted', { state, toDo: { does: 'say-wanted' }, leavable: now.purpose === 'sharpen' })
}

/** The blade is to be held in one of its positions; of facets in one hold, the rig is to be set for one of them. */
export function holdPositionStep(now: JobAsked, position: number): Step {
  const { positions } = now.job
  const of = positionsOf(now).length
  const kept = positions?.each[position - 1]
  const toDo: ToDo =
    positions && kept && shareOneHold(positions) && liesAlike(kept.hold, now.setup.hold)
      ? { does: 'set-for-facet', position, of, placeMm: kept.dialForMm }
      : { does: 'hold-position', position, of }
  return step(now, 'hold', { state: MISSING, position, toDo })
}

/**
 * The hold: the jaws have the blade, both sides have an angle that can be dialled, and it is even enough along the
 * edge. Of a long blade: it is one of its positions (`toGrind` is the next), and they were found for the wanted angle.
 */
export function holdStep(now: JobAsked, toGrind: number | null): Step {
  const { setup, evaluation, sides } = now
  const { positions } = now.job
  // Facets are where they are whatever is wanted; each is dialled anew.
  const stretched = positions && !shareOneHold(positions)
  if (stretched && Math.abs(positions.wantedDeg - now.job.wanted.deg[positions.side]) > SAME_WANTED_DEG)
    return step(now, 'hold', { state: MISSING, toDo: { does: 'find-positions', foundForDeg: positions.wantedDeg } })
  if (positions && now.setNow.position === null) return holdPositionStep(now, toGrind ?? 1)
  const missing = (toDo: ToDo, side: Side | null = null) => step(now, 'hold', { state: MISSING, toDo, side })
  const grip = gripOf(setup.blade, setup.rig)
  const trouble = grip.trouble(setup.hold)
  if (trouble) return missing({ does: 'mend-grip', trouble, instead: grip.nearest(setup.hold) })
  for (const side of sides) {
    const set = evaluation.sides[side]
    if (!set.ok) return missing({ does: 'mend-hold', refusal: set }, side)
  }
  const fit = jawFit(setup)
  if (fit?.verdict === 'bad')
    return missing({ does: 'hold-otherwise', spineMm: fit.spineMm, mostMm: fit.falseEdge ? 0 : fit.mostMm })
  for (const side of sides) {
    const set = evaluation.sides[side]
    if (!set.ok) continue
    const { lowestDeg, highestDeg } = set
    if (runsOffDeg(set) > UNEVEN_DEG) {
      const does = !positions && hasFacets(now) ? 'keep-facets' : 'even-angle'
      return step(now, 'hold', {
        state: MISSING,
        toDo: { does, lowestDeg, highestDeg },
        leavable: true,
        askedWith: HELD_WITH,
      })
    }
  }
  // What cannot be dialled in this hold is said before its blade height is measured.
  for (const side of sides) {
    const best = now.advice(side)
    if (!best.ok) return missing(insteadOf(best), side)
    // On a plate the next slot that can be used may be far off: another hold may allow the nearest.
    if (best.nearerBarredBy && Math.abs(best.offDeg) > FAR_OFF_DEG)
      return step(now, 'hold', {
        state: MISSING,
        side,
        toDo: insteadOf(best.nearerBarredBy),
        leavable: true,
        askedWith: HELD_WITH,
      })
  }
  return step(now, 'hold', { state: done({ at: null }) })
}

/** Whether each facet of the edge can be dialled by itself in this hold, on every side. */
const hasFacets = ({ setup, job, against, sides }: JobAsked): boolean =>
  sides.every((side) => facetPositions(setup, side, job.wanted.deg[side], [], against.zones) !== null)

/** How far the edge stands out of the jaws, measured with the blade in them. On a table there is nothing to measure. */
export function heightSteps(now: JobAsked): Step[] {
  const measure = heightToMeasure(now.setup, now.dialFor)
  if (!measure) return []
  const last = ofKind(now.found, 'blade-height').at(-1)
  const toDo = { does: 'measure-height', ...measure } as const
  if (!last) return [step(now, 'height', { state: MISSING, toDo })]
  const because = changedSince(now, last.setup, 'A', HELD_WITH)
  return [step(now, 'height', { state: doneUnless({ at: last.at, heightMm: last.heightMm }, because), toDo })]
}

/** What to do where the wanted angle cannot be dialled. */
function insteadOf(refusal: Refusal): ToDo {
  if (refusal.code === 'stone-meets-jaws') return { does: 'clear-jaws', lowestDeg: Number(refusal.figures?.limitDeg) }
  if (refusal.code === 'jaws-in-the-way') return { does: 'clear-jaws', lowestDeg: null }
  return { does: 'mend-hold', refusal }
}

/** A side is dialled for the stone on the rod: as near the wanted angle as the rig can, and a hand has said so. */
export function dialStep(now: JobAsked, side: Side): Step {
  const { setup, job, evaluation, setNow, found } = now
  const of = { side, stoneId: job.stoneId }
  const set = evaluation.sides[side]
  const best = now.advice(side)
  if (!best.ok) return step(now, 'dial', { ...of, state: MISSING, toDo: insteadOf(best) })
  const { setting, givesDeg, offDeg } = best
  const uncertaintyDeg = set.ok ? set.uncertaintyDeg : 0
  const toDo = { does: 'dial', setting, givesDeg, offDeg, uncertaintyDeg } as const
  const offNow = set.ok ? Math.abs(set.contact.edgeAngleDeg - wantedOnRod(setup, job, side)) : Infinity
  const asGood = offNow <= nearestDialDeg(now, side, setup.stone, isForMicroBevel(job)) + DIALLED_DEG
  const dialled = dialledState(found, setNow, side)
  // A shared dial, or one that is nearly the best, may let the stone meet the jaws where the best one clears them.
  const shortDeg = set.ok && setup.rig.jaws ? shortOverJawsDeg(setup, side, setup.rig.jaws, set.along) : 0
  if (asGood && set.ok && shortDeg > CLEARANCE_TOLERANCE_DEG)
    return step(now, 'dial', {
      ...of,
      state: MISSING,
      toDo: { does: 'clear-jaws', lowestDeg: shortDeg < Infinity ? set.contact.edgeAngleDeg + shortDeg : null },
    })
  if (dialled.is === 'not-noted') return step(now, 'dial', { ...of, state: MISSING, toDo })
  const { noted } = dialled
  const fact = { at: noted.at, deg: noted.setup.setDeg[side] ?? undefined }
  // What was dialled for the bevel says nothing of the micro-bevel: nobody has dialled that yet.
  const isForOther = noted.setup.forMicroBevel !== setNow.forMicroBevel
  if (isForOther && !asGood) return step(now, 'dial', { ...of, state: MISSING, toDo })
  const because = dialled.is === 'changed' ? dialled.by : []
  return step(now, 'dial', { ...of, state: doneUnless(fact, asGood ? because : [...because, 'wanted']), toDo })
}

/** So many readings a job asks for: each side's for its marker test, and in each position for the first stone. */
const readingsOf = (now: JobAsked): number =>
  now.sides.length * (positionsOf(now).length + Number(EXPECTED[now.purpose].includes('mark')))

/** The gauge on the stone shows what it must, as the rig is set. */
export function readStep(now: JobAsked, side: Side): Step {
  const { setup, job, evaluation, found, against } = now
  const set = evaluation.sides[side]
  const amount = meanReading(ofKind(found, 'reading'), side)
  const read = amount && readAgainst(against, side, amount)
  const uncertaintyDeg = set.ok ? set.uncertaintyDeg : 0
  const toDo: ToDo | null = set.ok
    ? { does: 'read', mustReadDeg: expectedReadingDeg(setup, side, set.contact, gaugeUseOf(job)), uncertaintyDeg }
    : null
  if (!amount || !read) return step(now, 'read', { side, state: MISSING, toDo })
  const last = lastOf(amount.of)
  const fact = { at: last.at, deg: amount.deg, uncertaintyDeg: amount.uncertaintyDeg }
  if (!read.set) {
    const because: OutOfDate[] = last.setup ? setupChanges(last.setup, now.setNow, side) : []
    if (last.zero !== job.gaugeZero) because.push('gauge-zero')
    // An older entry did not say how the rig was set: that the gauge had to show something else is all that is known.
    return step(now, 'read', { side, state: doneUnless(fact, because.length > 0 ? because : ['dial']), toDo })
  }
  const offDeg = read.differsDeg ?? 0
  const sureDeg = alarmFactor(readingsOf(now)) * Math.hypot(amount.uncertaintyDeg, setUncertaintyDeg(read.set, now.job))
  if (Math.abs(offDeg) <= Math.max(READ_TO_DEG, sureDeg)) return step(now, 'read', { side, state: done(fact) })
  const explain = { does: 'explain-reading', offDeg } as const
  return step(now, 'read', { side, state: { is: 'out-of-date', fact, because: ['differs'] }, toDo: explain })
}

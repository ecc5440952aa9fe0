import { ofKind } from '../../log/activeEntries'
import type { Proof } from '../../log/entry'
import { meanProof } from '../../log/meanReading'
import { lastOf } from '../../math/list'
import { provedAgainst, setThere } from '../../observe/ledger/against'
import { zoneAt, type Zone } from '../../records/blade/zones'
import type { Side } from '../../records/common/side'
import { changedSince, doneUnless, HELD_WITH, MISSING, step } from './makeStep'
import type { JobAsked } from './jobNow'
import { burrStood, strokesOn } from './grinding'
import type { OutOfDate, Step } from './step'

/** What is known no better than this shows nothing, degrees. */
const SHOWS_DEG = 1
/** A zone whose set angle is further than this from that of the place that the dial is for is proved by itself. */
const DIFFERS_DEG = 1.5

/** What is on the steel of a side: once for the zones that are set alike, and for each that differs by itself. */
export function proofSteps(now: JobAsked, side: Side): Step[] {
  const { setup, setNow, evaluation, against } = now
  const [set, setting] = [evaluation.sides[side], setNow.setting[side]]
  const differs = ({ fromMm, toMm }: Zone) => {
    const there = set.ok && setting && setThere(setup, side, setting, (fromMm + toMm) / 2)
    return there ? Math.abs(there.contact.edgeAngleDeg - set.contact.edgeAngleDeg) > DIFFERS_DEG : false
  }
  const apart = against.zones.filter(differs)
  const alike = against.zones.filter((zone) => !apart.includes(zone))
  return [
    // Where every zone differs from the place between them, none stands for the side.
    ...(alike.length > 0 ? [proofStep(now, side, alike, null)] : []),
    ...apart.map((zone) => proofStep(now, side, [zone], zone)),
  ]
}

/** What was proved in some zones, as the rig was set when they were last ground. `zone`: the one it is asked for. */
function proofStep(now: JobAsked, side: Side, zones: readonly Zone[], zone: Zone | null): Step {
  const ground = strokesOn(now, side).at(-1)
  const of = { side, zone: zone?.kind ?? null, askedSince: ground?.at }
  const toDo = { does: 'prove' } as const
  const amount = meanProof(
    ofKind(now.found, 'proof').filter((proof) => proof.side === side && isIn(now, proof, zones)),
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
      toDo: { does: 'grind' },
    })
  const because: OutOfDate[] = changedSince(now, last.setup, side, [...HELD_WITH, 'dial'])
  if (proved.toApex === null && !burrStood(now, side)) because.push('apex-not-said')
  if (proved.amount.uncertaintyDeg > SHOWS_DEG) because.push('unsure')
  if (because.length > 0) return step(now, 'prove', { ...of, state: doneUnless(fact, because), toDo })
  const set = now.evaluation.sides[side]
  const uncertaintyDeg = Math.hypot(proved.amount.uncertaintyDeg, set.ok ? set.uncertaintyDeg : 0)
  const offDeg = proved.differsDeg ?? 0
  if (Math.abs(offDeg) <= uncertaintyDeg) return step(now, 'prove', { ...of, state: doneUnless(fact, []) })
  return step(now, 'prove', {
    ...of,
    state: doneUnless(fact, ['differs']),
    toDo: { does: 'explain-proof', offDeg, uncertaintyDeg },
  })
}

/** Whether a proof holds for one of some zones: at its place, of its kind, or of the whole edge. */
function isIn({ against }: JobAsked, { placeMm, zone }: Proof, zones: readonly Zone[]): boolean {
  if (placeMm !== null) return zones.includes(against.zones[zoneAt(against.zones, placeMm)]!)
  return zone === null || zones.some(({ kind }) => kind === zone)
}

import { ofKind } from '../../log/activeEntries'
import { testsSinceGround } from '../../log/groundAt'
import { recordedBevel } from '../../log/foundBevel'
import { zoneAt } from '../../records/blade/zones'
import type { Side } from '../../records/common/side'
import { doneUnless, MISSING, step } from './makeStep'
import type { JobAsked } from './jobNow'
import type { Step } from './step'

/** What marker tests say of the bevel of a side was taken for known. */
export function markStep(now: JobAsked, side: Side): Step {
  const zones = now.against.zones
  const tests = testsSinceGround(now.found).filter((one) => one.side === side)
  const looked = new Set(
    tests.flatMap((one) => one.zones.map(({ fromMm, toMm }) => zoneAt(zones, (fromMm + toMm) / 2))),
  ).size
  const toDo = { does: 'mark', looked, of: zones.length } as const
  const recorded = recordedBevel(now.found, side)
  if (!recorded) {
    const state = looked === 0 ? MISSING : ({ is: 'under-way', done: looked, of: zones.length } as const)
    return step(now, 'mark', { side, state, toDo })
  }
  const { entry: last, testedSince } = recorded
  const [length, mean] = last.zones.reduce(
    ([sum, deg], zone) => [sum + zone.toMm - zone.fromMm, deg + zone.deg * (zone.toMm - zone.fromMm)],
    [0, 0],
  )
  const uncertaintyDeg = Math.max(...last.zones.map((zone) => zone.uncertaintyDeg))
  const since = testedSince ? (['tested-since'] as const) : []
  return step(now, 'mark', {
    side,
    state: doneUnless({ at: last.at, deg: mean / length, uncertaintyDeg }, since),
    toDo,
    askedSince: testedSince ? ofKind(now.found, 'ink-look').findLast((one) => one.side === side)?.at : null,
  })
}

/** Whether to follow the bevel that was found, to cut the wanted one or to go step by step was decided. */
export function decideStep(now: JobAsked): Step {
  const last = ofKind(now.found, 'decided').at(-1)
  const toDo = { does: 'decide' } as const
  if (!last) return step(now, 'decide', { state: MISSING, toDo })
  const found = ofKind(now.found, 'bevel-found').at(-1)
  const since = found && found.at > last.at ? (['found-since'] as const) : []
  return step(now, 'decide', {
    state: doneUnless({ at: last.at, deg: last.deg.A }, since),
    toDo,
    askedSince: found?.at,
  })
}

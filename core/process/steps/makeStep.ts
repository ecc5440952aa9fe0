import type { StepId } from '../../log/stepIds'
import { ofKind } from '../../log/activeEntries'
import { setupChanges, type SetupPart } from '../../log/setAlike'
import type { SetupSnapshot } from '../../log/setupSnapshot'
import type { Side } from '../../records/common/side'
import type { JobAsked } from './jobNow'
import { isOpen, type Fact, type OutOfDate, type StationId, type Step, type StepState, type ToDo } from './step'

const STATION_OF: Readonly<Record<StepId, StationId>> = {
  wanted: 'blade',
  hold: 'clamp',
  height: 'clamp',
  dial: 'clamp',
  read: 'clamp',
  mark: 'mark',
  decide: 'mark',
  stones: 'grind',
  'put-on': 'grind',
  grind: 'grind',
  burr: 'grind',
  prove: 'prove',
  'put-to-use': 'use',
  outcome: 'use',
}
/** What may be left out: what a person may do without, or take as it is. */
const LEAVABLE: readonly StepId[] = ['height', 'read', 'mark', 'decide', 'stones', 'burr', 'prove', 'outcome']

/** What a blade is held with: another of these, and what was measured or ground so is so no longer. */
export const HELD_WITH: readonly SetupPart[] = ['rig', 'jaws', 'hold']

export const MISSING: StepState = { is: 'missing' }
export const done = (fact: Fact): StepState => ({ is: 'done', fact })
/** Done, unless something has changed since. */
export const doneUnless = (fact: Fact, because: readonly OutOfDate[]): StepState =>
  because.length === 0 ? done(fact) : { is: 'out-of-date', fact, because }

interface Made {
  readonly side?: Side | null
  readonly zone?: Step['zone']
  readonly stoneId?: string | null
  readonly forMicroBevel?: boolean
  readonly position?: number | null
  readonly placeMm?: number | null
  readonly state: StepState
  readonly toDo?: ToDo | null
  readonly leavable?: boolean
  /** What was left out before this happened is asked for again. */
  readonly askedSince?: string | null
  /** What was left out with another of these is asked for again. */
  readonly askedWith?: readonly SetupPart[]
}

/** A step; where it is open, what a person left out since counts. */
export function step(now: Pick<JobAsked, 'found' | 'setNow'>, id: StepId, made: Made): Step {
  const {
    side = null,
    zone = null,
    stoneId = null,
    forMicroBevel = false,
    position = null,
    toDo = null,
    leavable = LEAVABLE.includes(id),
  } = made
  const { state, placeMm = null, askedSince = null, askedWith = [] } = made
  const of = { id, station: STATION_OF[id], side, zone, stoneId, forMicroBevel, position, placeMm, leavable }
  if (!isOpen(state)) return { ...of, state, toDo: null }
  const fact = state.is === 'out-of-date' ? state.fact : null
  const left = leavable
    ? ofKind(now.found, 'left-out').findLast(
        (one) =>
          one.step === id &&
          one.side === side &&
          one.zone === zone &&
          (position === null || one.position === position) &&
          (zone === null || one.placeMm === null || one.placeMm === placeMm),
      )
    : undefined
  const counts = left && [askedSince, fact?.at ?? null].every((since) => since === null || left.at >= since)
  if (!left || !counts || changedSince(now, left.setup, side ?? 'A', askedWith).length > 0)
    return { ...of, state, toDo }
  return { ...of, state: { is: 'left-out', at: left.at, fact }, toDo: null }
}

/** What of a setup has changed since, of the parts that a step depends on. */
export const changedSince = (
  { setNow }: Pick<JobAsked, 'setNow'>,
  setup: SetupSnapshot | null,
  side: Side,
  parts: readonly SetupPart[],
): SetupPart[] => (setup ? setupChanges(setup, setNow, side).filter((part) => parts.includes(part)) : [])

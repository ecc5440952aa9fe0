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

export const MISSING: StepState = { is: 'missing' }
export const done = (fact: Fact): StepState => ({ is: 'done', fact })
/** Done, unless something has changed since. */
export const doneUnless = (fact: Fact, because: readonly OutOfDate[]): StepState =>
  because.length === 0 ? done(fact) : { is: 'out-of-date', fact, because }

interface Made {
  readonly side?: Side | null
  readonly zone?: Step['zone']
  readonly stoneId?: string | null
  readonly state: StepState
  readonly toDo?: ToDo | null
  readonly leavable?: boolean
}

/** A step; where it is open, what a person left out since counts. */
export function step({ found }: Pick<JobAsked, 'found'>, id: StepId, made: Made): Step {
  const { side = null, zone = null, stoneId = null, toDo = null, leavable = LEAVABLE.includes(id) } = made
  const of = { id, station: STATION_OF[id], side, zone, stoneId, leavable }
  const left =
    isOpen(made.state) && leavable
      ? ofKind(found, 'left-out').findLast((one) => one.step === id && one.side === side && one.zone === zone)
      : undefined
  const since = made.state.is === 'out-of-date' ? made.state.fact.at : null
  if (left && (since === null || left.at >= since)) return { ...of, state: { is: 'left-out', at: left.at }, toDo: null }
  return { ...of, state: made.state, toDo: isOpen(made.state) ? toDo : null }
}

/** What of a setup has changed since, of the parts that a step depends on. */
export const changedSince = (
  { asSet }: Pick<JobAsked, 'asSet'>,
  setup: SetupSnapshot | null,
  side: Side,
  parts: readonly SetupPart[],
): SetupPart[] => (setup ? setupChanges(setup, asSet, side).filter((part) => parts.includes(part)) : [])

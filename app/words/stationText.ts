import type { StepId } from '#core/log/stepIds'
import type { StationState } from '#core/process/steps/stationStates'
import type { Fact, StationId, Step } from '#core/process/steps/step'
import { angleText } from './angleText'
import { outOfDateText } from './stepText'

const STATE_WORD: Readonly<Record<StationState['is'], string>> = {
  'not-needed': 'not needed',
  'not-begun': 'not begun',
  'under-way': 'under way',
  done: 'done',
  'out-of-date': 'out of date',
  'left-out': 'left out',
}

/** How a station stands: "under way, 2 of 5", "out of date: the hold changed since". */
export function stationStateText(state: StationState): string {
  const word = STATE_WORD[state.is]
  if (state.is === 'under-way') return `${word}, ${state.done} of ${state.of}`
  return state.is === 'out-of-date' ? `${word}: ${outOfDateText(state.because)}` : word
}

/** What came out at a station, in short: the bevel that was found, the strokes that were made, what was proved. */
export function stationFigures(steps: readonly Step[]): Readonly<Partial<Record<StationId, string[]>>> {
  // What was accepted as it came out counts too. A zone that is proved by itself is no figure of its side.
  const facts = (id: StepId): Fact[] =>
    steps.flatMap(({ id: one, zone, state }) => {
      const fact = state.is === 'done' || state.is === 'left-out' ? state.fact : null
      return one === id && zone === null && fact ? [fact] : []
    })
  const angles = (id: StepId): string[] => {
    const each = facts(id).flatMap(({ deg, uncertaintyDeg }) =>
      deg === undefined ? [] : [angleText(deg, uncertaintyDeg)],
    )
    return each.length > 0 ? [each.join(' / ')] : []
  }
  const strokes = steps.reduce((sum, { id, state }) => {
    if (id !== 'grind') return sum
    if (state.is === 'under-way') return sum + state.done
    return sum + (state.is === 'done' ? (state.fact.count ?? 0) : 0)
  }, 0)
  return { mark: angles('mark'), grind: strokes > 0 ? [`${strokes} strokes`] : [], prove: angles('prove') }
}

import { STATION_IDS, type OutOfDate, type StationId, type Step } from './step'

/** How a station stands, by the steps that are expected at it. */
export type StationState =
  | { readonly is: 'not-needed' }
  | { readonly is: 'not-begun' }
  | { readonly is: 'under-way'; readonly done: number; readonly of: number }
  | { readonly is: 'done' }
  | { readonly is: 'out-of-date'; readonly because: readonly OutOfDate[] }
  | { readonly is: 'left-out' }

/** How each station stands. A rig and a blade were chosen when the job was begun: that is done. */
export function stationStates(steps: readonly Step[]): Readonly<Record<StationId, StationState>> {
  return Object.fromEntries(STATION_IDS.map((id) => [id, stateOf(id, steps)])) as Record<StationId, StationState>
}

function stateOf(id: StationId, steps: readonly Step[]): StationState {
  const here = steps.filter(({ station }) => station === id)
  if (here.length === 0) return id === 'rig' || id === 'blade' ? { is: 'done' } : { is: 'not-needed' }
  const those = (is: Step['state']['is']) => here.filter(({ state }) => state.is === is).length
  const because = here.flatMap(({ state }) => (state.is === 'out-of-date' ? state.because : []))
  if (because.length > 0) return { is: 'out-of-date', because: [...new Set(because)] }
  if (those('left-out') === here.length) return { is: 'left-out' }
  const settled = those('done') + those('left-out')
  if (settled === here.length) return { is: 'done' }
  return settled + those('under-way') === 0 ? { is: 'not-begun' } : { is: 'under-way', done: settled, of: here.length }
}

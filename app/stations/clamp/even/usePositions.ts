import { computed, ref } from 'vue'
import { useLocalStorage } from '@vueuse/core'
import equal from 'fast-deep-equal'
import { apartFromHold } from './apartFromHold'
import { edgePointAt } from '#core/math/curve/edgePoints'
import { adviseDial } from '#core/geometry/dial/advised'
import { heldAs, type KeptPosition } from '#core/records/job/positions'
import { placementRange } from '#core/placement/findPlacement'
import { keptPositions, type Position } from '#core/placement/longBlade'
import { useJob } from '~/job/useJob'
import { usePreferences } from '~/stores/preferences'
import { problemText } from '~/words/problemText'
import { useTask } from '~/workers/useTask'

/** The positions of a long blade: found in a worker, kept for the job, and held one after the other. */
export function usePositions() {
  const job = useJob()
  const { actions } = job
  const preferences = usePreferences()

  const toleranceDeg = useLocalStorage('jaw-tilt-position-tolerance', 0.5)
  const task = useTask('positionsFor', () => [
    apartFromHold(job.setup.value),
    job.side.value,
    job.wantedDeg.value,
    toleranceDeg.value,
  ])
  const { result } = task
  const find = () =>
    task.run({
      setup: job.setup.value,
      side: job.side.value,
      wantedDeg: job.wantedDeg.value,
      toleranceDeg: toleranceDeg.value,
      edgePoints: job.edgePoints.value,
      range: placementRange(job.setup.value),
    })

  const failure = ref('')
  function hold({ hold: as, atMark }: Position) {
    if (atMark) failure.value = actions.holdAndDial(as, atMark.setting, atMark.evenAtMm) ?? ''
  }

  const kept = computed(() => job.content.value.positions)
  const keepable = computed(() => {
    const about = { side: job.side.value, wantedDeg: job.wantedDeg.value, toleranceDeg: toleranceDeg.value }
    return result.value?.ok ? keptPositions(result.value, about) : null
  })
  const isKept = computed(() => keepable.value !== null && equal(kept.value, keepable.value))
  function keep() {
    failure.value = job.change('keep the positions', { positions: keepable.value }) ?? ''
  }
  const letGo = () => void job.change('let the positions go', { positions: null })
  /** The angle that is wanted now, where that is not the one that the kept positions were found for. */
  const wantedNowDeg = computed(() => {
    if (!kept.value) return null
    const now = job.content.value.wanted.deg[kept.value.side]
    return Math.abs(kept.value.wantedDeg - now) < 1e-9 ? null : now
  })

  const isHeld = (position: KeptPosition) => job.setup.value.worked === position
  /** Holds the blade as in a kept position, and dials what is wanted there with the stone that is on the rod. */
  function holdKept(position: KeptPosition) {
    const as = heldAs(position, job.content.value.hold)
    const edgePoint = edgePointAt(job.blade.value.edge, position.dialForMm)
    const advice = adviseDial(
      { ...job.setup.value, hold: as, worked: position },
      job.side.value,
      job.wantedDeg.value,
      edgePoint,
    )
    failure.value = advice.ok
      ? (actions.holdAndDial(as, advice.setting, position.dialForMm) ?? '')
      : problemText(advice, preferences.unit)
  }

  return {
    toleranceDeg,
    task,
    find,
    failure,
    hold,
    kept,
    keepable,
    isKept,
    keep,
    letGo,
    wantedNowDeg,
    isHeld,
    holdKept,
  }
}

import { computed, ref } from 'vue'
import { useLocalStorage } from '@vueuse/core'
import equal from 'fast-deep-equal'
import { apartFromHold } from './apartFromHold'
import { placementRange } from '#core/placement/findPlacement'
import { keptPositions, type Position } from '#core/placement/longBlade'
import { useJob } from '~/job/useJob'
import { useTask } from '~/workers/useTask'

/** The positions of a long blade: found in a worker, kept for the job, and held one after the other. */
export function usePositions() {
  const job = useJob()
  const { actions } = job

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
  /** The angle that is wanted now, where that is not the one that the kept positions were found for. */
  const wantedNowDeg = computed(() => {
    if (!kept.value) return null
    const now = job.content.value.wanted.deg[kept.value.side]
    return Math.abs(kept.value.wantedDeg - now) < 1e-9 ? null : now
  })

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
    wantedNowDeg,
  }
}

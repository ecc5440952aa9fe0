import { ref } from 'vue'
import { edgePointAt } from '#core/math/curve/edgePoints'
import { adviseDial } from '#core/geometry/dial/advised'
import { heldAs, type KeptPosition } from '#core/records/job/positions'
import { useJob } from '~/job/useJob'
import { usePreferences } from '~/stores/preferences'
import { problemText } from '~/words/problemText'

/** The positions that are kept for the job, held one after the other. */
export function useKeptPositions() {
  const job = useJob()
  const preferences = usePreferences()
  const failure = ref('')

  const letGo = () => void job.change('remove the positions', { positions: null })
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
      ? (job.actions.holdAndDial(as, advice.setting, position.dialForMm) ?? '')
      : problemText(advice, preferences.unit)
  }
  return { failure, letGo, isHeld, holdKept }
}

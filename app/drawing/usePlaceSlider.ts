import { computed } from 'vue'
import { clamp } from '#core/math/units/figures'
import { useJob } from '~/job/useJob'
import { useWords } from '~/words/useWords'

const STEP_MM = 0.5
const LONG_STEPS = 10

/** The place of the edge that is looked at, as a slider of a drawing: its name, its value and its keys. */
export function usePlaceSlider() {
  const job = useJob()
  const { actions } = job
  const words = useWords()
  const at = computed(() => job.evaluation.value.edgePoint.fromHeelMm)
  const edgeMm = computed(() => job.edgePoints.value.at(-1)!.fromHeelMm)
  const slider = computed(() => ({
    role: 'slider',
    tabindex: 0,
    'aria-label': 'Place along the edge that is looked at, from the heel',
    'aria-valuemin': 0,
    'aria-valuemax': Math.round(edgeMm.value * 10) / 10,
    'aria-valuenow': Math.round(at.value * 10) / 10,
    'aria-valuetext': words.length(at.value),
  }))

  function keydown(event: KeyboardEvent) {
    if (event.ctrlKey || event.metaKey || event.altKey) return
    const steps = { ArrowRight: 1, ArrowUp: 1, ArrowLeft: -1, ArrowDown: -1 }[event.key]
    const end = { Home: 0, End: edgeMm.value }[event.key]
    if (steps === undefined && end === undefined) return
    event.preventDefault()
    const to = end ?? at.value + steps! * STEP_MM * (event.shiftKey ? LONG_STEPS : 1)
    actions.lookAt(clamp(to, [0, edgeMm.value]))
  }
  return { at, slider, keydown }
}

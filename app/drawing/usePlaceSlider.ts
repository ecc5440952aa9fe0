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
  const { edgeMm } = job
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
    const step = STEP_MM * (event.shiftKey ? LONG_STEPS : 1)
    const [back, forth] = [at.value - step, at.value + step]
    const to = { ArrowRight: forth, ArrowUp: forth, ArrowLeft: back, ArrowDown: back, Home: 0, End: edgeMm.value }[
      event.key
    ]
    if (to === undefined) return
    event.preventDefault()
    actions.lookAt(clamp(to, [0, edgeMm.value]))
  }
  return { at, slider, keydown }
}

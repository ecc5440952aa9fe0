import { computed } from 'vue'
import { perSide } from '#core/records/common/side'
import { adviseDial } from '#core/geometry/dial/advised'
import { sideDifference } from '#core/geometry/sides/sideDifference'
import { useJob } from '~/job/useJob'

/** How far A and B differ and why, and what to dial on each for the wanted angle. */
export function useSides() {
  const job = useJob()
  const oneBevel = computed(() => job.blade.value.bevels === 'A')
  const edgePoint = computed(() => job.dialFor.value.edgePoint)
  const difference = computed(() => sideDifference(job.setup.value, job.content.value.dialled, edgePoint.value))
  const advice = computed(() =>
    perSide((side) => adviseDial(job.setup.value, side, job.toSetOn(side), edgePoint.value)),
  )
  /** How much higher the pivot stands for B than for A, mm; null where a side has no setting. */
  const apartMm = computed(() => {
    const { A, B } = advice.value
    return A.ok && B.ok ? B.heightMm - A.heightMm : null
  })
  function dialBoth() {
    const { A, B } = advice.value
    if (A.ok && B.ok) job.change('a dial for each side', { dialled: { A: A.setting, B: B.setting, linked: false } })
  }
  return { oneBevel, difference, advice, apartMm, dialBoth }
}

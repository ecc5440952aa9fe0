import { computed } from 'vue'
import type { Side } from '#core/clamping/centring'
import { whatToDial } from '#core/dial/whatToDial'
import { sideDifference } from '#core/sides/sideDifference'
import { useJob } from '~/stores/job'
import { useBench } from './useBench'

/** How far A and B differ and why, and what to dial on each for the wanted angle. */
export function useSides() {
  const bench = useBench()
  const job = useJob()
  const oneBevel = computed(() => bench.blade.value?.bevels === 'A')
  const at = computed(() => {
    const [things, evaluation, content] = [bench.setup.value, bench.evaluation.value, job.content]
    return things && evaluation && content ? { things, station: evaluation.station, content } : null
  })
  const difference = computed(() =>
    at.value ? sideDifference(at.value.things, at.value.content.dialled, at.value.station) : null,
  )
  const advice = computed(() => {
    const now = at.value
    if (!now) return null
    const of = (side: Side) =>
      whatToDial(now.things, side, side === 'A' ? now.content.wanted.aDeg : now.content.wanted.bDeg, now.station)
    return { A: of('A'), B: of('B') }
  })
  /** How much higher the pivot stands for B than for A, mm; null where a side has no setting. */
  const apartMm = computed(() =>
    advice.value?.A.ok && advice.value.B.ok ? advice.value.B.heightMm - advice.value.A.heightMm : null,
  )
  function dialBoth() {
    const [a, b] = [advice.value?.A, advice.value?.B]
    if (a?.ok && b?.ok) job.change('a dial for each side', { dialled: { a: a.setting, b: b.setting, linked: false } })
  }
  return { oneBevel, at, difference, advice, apartMm, dialBoth }
}

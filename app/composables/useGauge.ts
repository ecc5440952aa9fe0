import { computed } from 'vue'
import { SIDES, type Side } from '#core/clamping/centring'
import { expectedReadingDeg } from '#core/gauge/expectedReading'
import { likelyCauses } from '#core/gauge/likelyCauses'
import { alongTangent, whereSquare } from '#core/gauge/whereSquare'
import { useJob } from '~/stores/job'
import { useBench } from './useBench'

/** What the gauge must read at the place looked at and along the edge, what it did read, and why it may differ. */
export function useGauge() {
  const job = useJob()
  const bench = useBench()
  const zero = computed(() => job.content?.gaugeZero ?? 'centre-plane')

  /** Per side, at the place looked at; null where there is no angle. */
  const expected = computed<Record<Side, number | null>>(() => {
    const of = (side: Side) => {
      const [things, set] = [bench.setup.value, bench.evaluation.value?.sides[side]]
      return things && set?.ok ? expectedReadingDeg(things, side, set.contact, zero.value) : null
    }
    return { A: of('A'), B: of('B') }
  })

  const along = computed(() => (bench.up.value?.ok ? bench.up.value.along : []))
  const places = computed(() => {
    const things = bench.setup.value
    if (!things) return []
    return along.value.map((contact, i) => ({
      fromHeelMm: bench.stations.value[i]!.fromHeelMm,
      edgeAngleDeg: contact.ok ? contact.edgeAngleDeg : null,
      readingDeg: contact.ok ? expectedReadingDeg(things, bench.side.value, contact, zero.value) : null,
    }))
  })
  const square = computed(() => whereSquare(along.value))
  /** The place where the rod comes nearest to square, when it never is. */
  const nearestSquare = computed(() => {
    const possible = along.value.filter((contact) => contact.ok)
    if (square.value.length > 0 || possible.length === 0) return null
    return possible.reduce((best, contact) =>
      Math.abs(alongTangent(contact)) < Math.abs(alongTangent(best)) ? contact : best,
    ).fromHeelMm
  })

  const read = computed<Record<Side, number | null>>(() => ({
    A: job.content?.read.aDeg ?? null,
    B: job.content?.read.bDeg ?? null,
  }))
  const causes = computed(() => {
    const [things, evaluation] = [bench.setup.value, bench.evaluation.value]
    if (!things || !evaluation) return []
    const readings = Object.fromEntries(
      SIDES.flatMap((side) => {
        const [set, readDeg] = [evaluation.sides[side], read.value[side]]
        return set.ok && readDeg !== null
          ? [[side, { contact: set.contact, budget: set.budget, readDeg }] as const]
          : []
      }),
    )
    return likelyCauses(things, readings, zero.value)
  })
  return { zero, expected, places, square, nearestSquare, read, causes }
}

import { computed } from 'vue'
import { perSide, SIDES, type Side } from '#core/clamping/centring'
import { expectedReadingDeg } from '#core/gauge/expectedReading'
import { likelyCauses } from '#core/gauge/likelyCauses'
import { alongTangent, whereSquare } from '#core/gauge/whereSquare'
import { gaugeUseOf } from '#core/job/job'
import { useJob } from '~/job/useJob'
import type { JobView } from '~/job/view'

/** What the gauge must read at the place looked at and along the edge, what it did read, and why it may differ. */
export function useGauge() {
  return useJob().share(gauge)
}

function gauge(job: JobView) {
  const use = computed(() => gaugeUseOf(job.content.value))

  /** Per side, at the place looked at; null where there is no angle. */
  const expected = computed(() =>
    perSide((side) => {
      const set = job.evaluation.value.sides[side]
      return set.ok ? expectedReadingDeg(job.setup.value, side, set.contact, use.value) : null
    }),
  )

  const along = computed(() => (job.up.value.ok ? job.up.value.along : []))
  const places = computed(() =>
    along.value.map((contact, i) => ({
      fromHeelMm: job.stations.value[i]!.fromHeelMm,
      edgeAngleDeg: contact.ok ? contact.edgeAngleDeg : null,
      readingDeg: contact.ok ? expectedReadingDeg(job.setup.value, job.side.value, contact, use.value) : null,
    })),
  )
  const square = computed(() => whereSquare(along.value))
  /** The place where the rod comes nearest to square, when it never is. */
  const nearestSquare = computed(() => {
    const possible = along.value.filter((contact) => contact.ok)
    if (square.value.length > 0 || possible.length === 0) return null
    return possible.reduce((best, contact) =>
      Math.abs(alongTangent(contact)) < Math.abs(alongTangent(best)) ? contact : best,
    ).fromHeelMm
  })

  const read = computed(() => perSide((side) => job.read.value[side]?.deg ?? null))
  const causes = computed(() => {
    const readings = Object.fromEntries(
      SIDES.flatMap((side: Side) => {
        const [set, readDeg] = [job.evaluation.value.sides[side], read.value[side]]
        const { station } = job.evaluation.value
        return set.ok && readDeg !== null
          ? [[side, { station, pivotHeightMm: set.pivotHeightMm, readDeg }] as const]
          : []
      }),
    )
    return likelyCauses(job.setup.value, job.content.value, readings, use.value)
  })
  return { use, expected, places, square, nearestSquare, read, causes }
}

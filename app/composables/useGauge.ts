import { computed } from 'vue'
import { nth } from '#core/math/list'
import { perSide } from '#core/records/common/side'
import { expectedReadingDeg } from '#core/geometry/gauge/expectedReading'
import { alongTangent, whereSquare } from '#core/geometry/gauge/whereSquare'
import { gaugeUseOf } from '#core/records/job/job'
import { useAgainst } from '~/composables/useAgainst'
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
      fromHeelMm: nth(job.edgePoints.value, i).fromHeelMm,
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

  /** What was read, against what it had to read there. */
  const { read } = useAgainst()
  return { use, expected, places, square, nearestSquare, read }
}

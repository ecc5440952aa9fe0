import { computed } from 'vue'
import { useLocalStorage } from '@vueuse/core'
import { nth } from '#core/math/list'
import type { Side } from '#core/records/common/side'
import { bevelAlong } from '#core/steel/bevel/bevelAlong'
import { useJob } from '~/job/useJob'
import type { JobView } from '~/job/view'

/** The angle along the edge, its zones, and what it makes of the bevel. */
export function useEven() {
  return useJob().share(evenness)
}

function evenness(job: JobView) {
  const set = computed(() => (job.up.value.ok ? job.up.value : null))
  const along = computed(() => set.value?.along ?? [])
  const places = computed(() =>
    along.value.map((contact, i) => ({
      fromHeelMm: nth(job.edgePoints.value, i).fromHeelMm,
      edgeAngleDeg: contact.ok ? contact.edgeAngleDeg : null,
    })),
  )
  const { zones } = job
  const bevels = computed(() =>
    bevelAlong(
      job.blade.value,
      job.side.value,
      along.value,
      places.value.map((place) => place.fromHeelMm),
    ),
  )

  /** The place that is furthest from the wanted angle; null while there is none. */
  const worst = computed(() => {
    const known = places.value.filter(
      (place): place is { fromHeelMm: number; edgeAngleDeg: number } => place.edgeAngleDeg !== null,
    )
    if (known.length === 0) return null
    const off = (deg: number) => Math.abs(deg - job.wantedDeg.value)
    const place = known.reduce((found, one) => (off(one.edgeAngleDeg) > off(found.edgeAngleDeg) ? one : found))
    return { fromHeelMm: place.fromHeelMm, offDeg: place.edgeAngleDeg - job.wantedDeg.value }
  })

  /** Zones left out of the search for a way of holding, by their place in the list; kept for each blade. */
  const leftOut = useLocalStorage<Record<string, number[]>>('jaw-tilt-zones-left-out', {})
  const bladeId = computed(() => job.content.value.bladeId)
  const counts = (index: number) => !(leftOut.value[bladeId.value] ?? []).includes(index)
  function count(index: number, does: boolean) {
    const others = (leftOut.value[bladeId.value] ?? []).filter((one) => one !== index)
    leftOut.value = { ...leftOut.value, [bladeId.value]: does ? others : [...others, index] }
  }
  const countedEdgePoints = computed(() => {
    const chosen = zones.value.filter((_, i) => counts(i))
    const counted = chosen.length === 0 ? zones.value : chosen
    return job.edgePoints.value.filter((edgePoint) =>
      counted.some((zone) => edgePoint.fromHeelMm >= zone.fromMm - 1e-6 && edgePoint.fromHeelMm <= zone.toMm + 1e-6),
    )
  })
  /** The greatest deviation now on some sides, among the zones that count, degrees; null where there is no angle. */
  function countedWorstDeg(sides: readonly Side[]): number | null {
    const counted = new Set(countedEdgePoints.value.map((edgePoint) => edgePoint.fromHeelMm))
    const off = sides.flatMap((side) => {
      const on = job.evaluation.value.sides[side]
      const wantedDeg = job.content.value.wanted.deg[side]
      if (!on.ok) return [NaN]
      return on.along.flatMap((contact, i) =>
        counted.has(nth(job.edgePoints.value, i).fromHeelMm)
          ? [contact.ok ? Math.abs(contact.edgeAngleDeg - wantedDeg) : NaN]
          : [],
      )
    })
    const worstOff = Math.max(...off)
    return Number.isFinite(worstOff) ? worstOff : null
  }
  return { set, along, places, zones, bevels, worst, counts, count, countedEdgePoints, countedWorstDeg }
}

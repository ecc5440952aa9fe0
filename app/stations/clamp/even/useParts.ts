import { computed } from 'vue'
import { facetsOf } from '#core/records/blade/facets'
import { hollowOf } from '#core/geometry/contact/hollow'
import { adviseDial } from '#core/geometry/dial/advised'
import { facetPositions } from '#core/placement/facetPositions'
import { useJob } from '~/job/useJob'
import { zoneName } from '~/words/zoneText'
import { useEven } from './useEven'

/** The facets of an edge with what to dial for each, and which stones of the box reach into its hollow. */
export function useParts() {
  const job = useJob()
  const { zones } = useEven()

  const facets = computed(() =>
    facetsOf(job.blade.value.edge, zones.value)
      .map((facet) => ({
        ...facet,
        name: zoneName(zones.value, zones.value.indexOf(facet.zone)),
        advice: adviseDial(
          { ...job.setup.value, worked: facet.zone },
          job.side.value,
          job.wantedDeg.value,
          facet.middle,
        ),
      }))
      .sort((a, b) => a.order - b.order),
  )
  /** The facets as positions to be kept; null where they cannot be. */
  const keepableFacets = computed(() =>
    facetPositions(
      { ...job.setup.value, worked: undefined },
      job.side.value,
      job.wantedDeg.value,
      job.edgePoints.value,
      zones.value,
    ),
  )
  const keepFacets = () => void job.change('set each facet by itself', { positions: keepableFacets.value })
  const hollow = computed(() => hollowOf(job.edgePoints.value))
  const stones = computed(() => {
    const widest = hollow.value?.widestStoneMm
    if (widest === undefined) return []
    return job.stones.value
      .filter((stone) => stone.archivedAt === null)
      .map((stone) => ({ stone, fits: stone.widthMm <= widest }))
  })
  return { facets, keepableFacets, keepFacets, hollow, stones }
}

import { computed } from 'vue'
import { facetsOf } from '#core/blade/facets'
import { hollowOf } from '#core/blade/hollow'
import { whatToDial } from '#core/dial/whatToDial'
import { useCollections } from '~/stores/collections'
import { zoneName } from '~/words/zoneText'
import { useBench } from './useBench'
import { useEven } from './useEven'

/** The facets of an edge with what to dial for each, and which stones of the box reach into its hollow. */
export function useParts() {
  const bench = useBench()
  const collections = useCollections()
  const { zones } = useEven()

  const facets = computed(() => {
    const [things, blade] = [bench.setup.value, bench.blade.value]
    if (!things || !blade) return []
    return facetsOf(blade.edge, zones.value)
      .map((facet) => ({
        ...facet,
        name: zoneName(zones.value, zones.value.indexOf(facet.zone)),
        advice: whatToDial(things, bench.side.value, bench.wantedDeg.value, facet.middle),
      }))
      .sort((a, b) => a.order - b.order)
  })
  const hollow = computed(() => (bench.stations.value.length > 1 ? hollowOf(bench.stations.value) : null))
  const stones = computed(() => {
    const widest = hollow.value?.widestStoneMm
    return widest === undefined
      ? []
      : collections.stones
          .filter((stone) => stone.archivedAt === null)
          .map((stone) => ({ stone, fits: stone.widthMm <= widest }))
  })
  return { facets, hollow, stones }
}

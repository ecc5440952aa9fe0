import { computed } from 'vue'
import { bladeHeightFor } from '#core/dial/bladeHeightFor'
import { whatToDial } from '#core/dial/whatToDial'
import { contactFor } from '#core/setup/setup'
import { useCollections } from '~/stores/collections'
import { useJob } from '~/stores/job'
import { useBench } from './useBench'

/** What to dial for the wanted angle at the place looked at, with this stone and with the others of the box. */
export function useAdvice() {
  const bench = useBench()
  const job = useJob()
  const collections = useCollections()

  const at = computed(() => {
    const [things, evaluation, content] = [bench.setup.value, bench.evaluation.value, job.content]
    if (!things || !evaluation || !content) return null
    return {
      things,
      station: evaluation.station,
      wanted: { A: content.wanted.aDeg, B: content.wanted.bDeg },
      dialled: { A: content.dialled.a, B: content.dialled.b },
    }
  })

  /** For the side that is up. */
  const advice = computed(() =>
    at.value
      ? whatToDial(at.value.things, bench.side.value, at.value.wanted[bench.side.value], at.value.station)
      : null,
  )

  /** The other way to the wanted angle: the rig left as it is, the blade moved. */
  const holdInstead = computed(() => {
    if (!at.value) return null
    const { things, station, wanted, dialled } = at.value
    return bladeHeightFor(things, bench.side.value, dialled[bench.side.value], wanted[bench.side.value], station)
  })

  /** Each stone of the box: what to dial with it, and how far the angle is off when the dial is left alone. */
  const stones = computed(() => {
    if (!at.value) return []
    const { things, station, wanted, dialled } = at.value
    const side = bench.side.value
    return collections.stones
      .filter((stone) => stone.archivedAt === null || stone.id === job.content?.stoneId)
      .map((stone) => {
        const withStone = { ...things, stone }
        const left = contactFor(withStone, side, dialled[side], station)
        return {
          stone,
          onRod: stone.id === job.content?.stoneId,
          advice: whatToDial(withStone, side, wanted[side], station),
          leftOffDeg: left.ok ? left.edgeAngleDeg - wanted[side] : null,
        }
      })
  })
  return { advice, holdInstead, stones }
}

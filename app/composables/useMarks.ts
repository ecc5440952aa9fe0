import { computed } from 'vue'
import { marksOf } from '#core/dial/marks'
import { whatToDial } from '#core/dial/whatToDial'
import { contactFor } from '#core/setup/setup'
import { useCollections } from '~/stores/collections'
import { useJob } from '~/stores/job'
import { useBench } from './useBench'

const MOST_ROWS = 24
const MOST_STONES = 5

/** What each mark of the rig gives for this blade height and each stone, and the mark to set. */
export function useMarks() {
  const bench = useBench()
  const job = useJob()
  const collections = useCollections()
  const rig = bench.rig
  const at = computed(() =>
    bench.setup.value && bench.evaluation.value && job.content
      ? { things: bench.setup.value, station: bench.evaluation.value.station }
      : null,
  )
  /** The stones of the chosen order, or the first of the box; the one on the rod is always among them. */
  const stones = computed(() => {
    const box = collections.stones.filter((stone) => stone.archivedAt === null || stone.id === job.content?.stoneId)
    const order = job.content?.progression ?? []
    const chosen = order.length > 0 ? box.filter((stone) => order.includes(stone.id)) : box
    const onRod = box.find((stone) => stone.id === job.content?.stoneId)
    const few = chosen.slice(0, MOST_STONES)
    if (!onRod || few.includes(onRod)) return few
    const beside = [...few.slice(0, MOST_STONES - 1), onRod]
    return box.filter((stone) => beside.includes(stone))
  })
  const marks = computed(() => (rig.value ? marksOf(rig.value, MOST_ROWS) : []))
  const rows = computed(() => {
    const now = at.value
    if (!now) return []
    return marks.value.map((mark) => ({
      mark,
      angles: stones.value.map((stone) => {
        const contact = contactFor({ ...now.things, stone }, bench.side.value, mark.setting, now.station)
        return contact.ok ? contact.edgeAngleDeg : null
      }),
    }))
  })
  const advice = computed(() =>
    at.value ? whatToDial(at.value.things, bench.side.value, bench.wantedDeg.value, at.value.station) : null,
  )
  return { at, stones, rows, advice }
}

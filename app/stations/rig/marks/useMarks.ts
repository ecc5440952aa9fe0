import { computed } from 'vue'
import { marksOf } from '#core/geometry/dial/marks'
import { adviseDial } from '#core/geometry/dial/advised'
import { contactFor } from '#core/geometry/setup/setup'
import { useJob } from '~/job/useJob'

const MOST_ROWS = 24
const MOST_STONES = 5

/** What each mark of the rig gives for this blade height and each stone, and the mark to set. */
export function useMarks() {
  const job = useJob()
  const edgePoint = computed(() => job.dialFor.value.edgePoint)
  /** The stones of the chosen order, or the first of the box; the one on the rod is always among them. */
  const stones = computed(() => {
    const { stoneId, progression: order } = job.content.value
    const box = job.stones.value.filter((stone) => stone.archivedAt === null || stone.id === stoneId)
    const chosen = order.length > 0 ? box.filter((stone) => order.includes(stone.id)) : box
    const onRod = box.find((stone) => stone.id === stoneId)
    const few = chosen.slice(0, MOST_STONES)
    if (!onRod || few.includes(onRod)) return few
    const beside = [...few.slice(0, MOST_STONES - 1), onRod]
    return box.filter((stone) => beside.includes(stone))
  })
  const rows = computed(() =>
    marksOf(job.rig.value, MOST_ROWS).map((mark) => ({
      mark,
      angles: stones.value.map((stone) => {
        const contact = contactFor({ ...job.setup.value, stone }, job.side.value, mark.setting, edgePoint.value)
        return contact.ok ? contact.edgeAngleDeg : null
      }),
    })),
  )
  const advice = computed(() => adviseDial(job.setup.value, job.side.value, job.toSetDeg.value, edgePoint.value))
  return { stones, rows, advice }
}

import { computed } from 'vue'
import { adviseBladeHeight, adviseDial } from '#core/geometry/dial/advised'
import { contactFor } from '#core/geometry/setup/setup'
import { useJob } from '~/job/useJob'

/** What to dial where the dial is for, with this stone and with the others of the box, each at its angle. */
export function useAdvice() {
  const job = useJob()
  const edgePoint = computed(() => job.dialFor.value.edgePoint)
  const dialled = computed(() => job.content.value.dialled[job.side.value])

  /** For the side that is up. */
  const advice = computed(() => adviseDial(job.setup.value, job.side.value, job.toSetDeg.value, edgePoint.value))

  /** The other way to the wanted angle: the rig left as it is, the blade moved. */
  const holdInstead = computed(() =>
    adviseBladeHeight(job.setup.value, job.side.value, dialled.value, job.toSetDeg.value, edgePoint.value),
  )

  /** Each stone of the box: what to dial with it, and how far the angle is off when the dial is left alone. */
  const stones = computed(() => {
    const [side, onRod] = [job.side.value, job.content.value.stoneId]
    return job.stones.value
      .filter((stone) => stone.archivedAt === null || stone.id === onRod)
      .map((stone) => {
        const withStone = { ...job.setup.value, stone }
        const toSetDeg = stone.id === onRod ? job.toSetOn(side) : job.toSetOn(side, { stone, forMicroBevel: false })
        const left = contactFor(withStone, side, dialled.value, edgePoint.value)
        return {
          stone,
          onRod: stone.id === onRod,
          advice: adviseDial(withStone, side, toSetDeg, edgePoint.value),
          leftOffDeg: left.ok ? left.edgeAngleDeg - toSetDeg : null,
        }
      })
  })
  return { advice, holdInstead, stones }
}

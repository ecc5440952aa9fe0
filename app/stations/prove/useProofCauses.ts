import { computed } from 'vue'
import { foundOnJob } from '#core/observe/calibration/foundOnJob'
import { proofCauses, provedEarlier, RIG_AND_STONE } from '#core/observe/calibration/proofCauses'
import { useAgainst } from '~/composables/useAgainst'
import { useGauge } from '~/composables/useGauge'
import { useRigProofs } from '~/composables/useRigProofs'
import { useJob } from '~/job/useJob'

/** Why what was proved and read differs from what was set, over all places, and with what the rig proved before. */
export function useProofCauses() {
  const job = useJob()
  const against = useAgainst()
  const { use } = useGauge()
  const rigProofs = useRigProofs()

  const found = computed(() => {
    const { sides, content } = job
    const [proved, read] = [sides.value.flatMap(against.provedAlong), sides.value.flatMap(against.readAlong)]
    return foundOnJob({ proved, read }, content.value, use.value)
  })
  /** What was proved on this rig on other jobs tells a measure of the rig from one of this hold. */
  const earlier = computed(() =>
    provedEarlier(
      rigProofs.counting(
        RIG_AND_STONE,
        rigProofs.proofs.value.filter(({ jobId }) => jobId !== job.id),
      ).counted,
      job.content.value.stoneId,
    ),
  )
  const causes = computed(() => proofCauses({ ...found.value, earlier: earlier.value }))
  const unexplained = computed(
    () =>
      causes.value.length === 0 &&
      found.value.proved.some(({ differsDeg, uncertaintyDeg }) => Math.abs(differsDeg) > uncertaintyDeg),
  )
  return { causes, earlier, unexplained }
}

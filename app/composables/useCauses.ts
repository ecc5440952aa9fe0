import { computed } from 'vue'
import { causesOnJob } from '#core/observe/calibration/causesOnJob'
import { foundOnJob } from '#core/observe/calibration/foundOnJob'
import { provedEarlier, RIG_AND_STONE } from '#core/observe/calibration/proofCauses'
import { likelyCauses } from '#core/observe/gauge/likelyCauses'
import { SIDES } from '#core/records/common/side'
import { useAgainst } from '~/composables/useAgainst'
import { useGauge } from '~/composables/useGauge'
import { useRigProofs } from '~/composables/useRigProofs'
import { useJob } from '~/job/useJob'
import type { JobView } from '~/job/view'

/** Why what was read and proved on a job differs from what was set: one list, wherever it is shown. */
export function useCauses() {
  return useJob().share(causesOf)
}

function causesOf(job: JobView) {
  const against = useAgainst()
  const { use } = useGauge()
  const rigProofs = useRigProofs()

  const found = computed(() => {
    const { sides, content } = job
    const [proved, read] = [sides.value.flatMap(against.provedAlong), sides.value.flatMap(against.readAlong)]
    return foundOnJob({ proved, read }, content.value, use.value)
  })
  /** A rig that is set otherwise since has no part in why a reading differs. */
  const ofReadings = computed(() => {
    const readings = Object.fromEntries(
      SIDES.flatMap((side) => {
        const one = against.read.value[side]
        return one?.set ? [[side, { ...one.set, readDeg: one.amount.deg }] as const] : []
      }),
    )
    return likelyCauses(job.setup.value, job.content.value, readings, use.value)
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
  const causes = computed(() => causesOnJob(ofReadings.value, { ...found.value, earlier: earlier.value }))
  const unexplained = computed(
    () =>
      causes.value.length === 0 &&
      found.value.proved.some(({ differsDeg, uncertaintyDeg }) => Math.abs(differsDeg) > uncertaintyDeg),
  )
  return { causes, earlier, unexplained }
}

import { computed } from 'vue'
import { proofCauses, provedEarlier, RIG_AND_STONE, type ReadAgainstSet } from '#core/calibration/proofCauses'
import { doubtBudget, totalDoubtDeg } from '#core/doubt/budget'
import { readingMoves } from '#core/gauge/likelyCauses'
import { useAgainst } from '~/composables/useAgainst'
import { useGauge } from '~/composables/useGauge'
import { useRigProofs } from '~/composables/useRigProofs'
import { useJob } from '~/job/useJob'

/** A gauge at a bench is read to no better than this, degrees. */
const READ_TO_DEG = 0.15

/** Why what was proved and read differs from what was set, over all places, and with what the rig proved before. */
export function useProofCauses() {
  const job = useJob()
  const against = useAgainst()
  const { use } = useGauge()
  const rigProofs = useRigProofs()

  const proved = computed(() =>
    job.sides.value.flatMap((side) =>
      against.provedAlong(side).flatMap(({ amount: { doubtDeg }, set, differsDeg, toApex }) => {
        if (!set || differsDeg === null) return []
        const budget = doubtBudget(set.setup, job.content.value, side, set.pivotHeightMm, set.station)
        return [{ side, differsDeg, doubtDeg, budget, toApex }]
      }),
    ),
  )
  const read = computed(() =>
    job.sides.value.flatMap((side) =>
      against.readAlong(side).flatMap(({ amount: { deg, doubtDeg }, mustDeg, set }): ReadAgainstSet[] => {
        if (!set || mustDeg === null) return []
        const budget = doubtBudget(set.setup, job.content.value, side, set.pivotHeightMm, set.station)
        const moves = readingMoves(set.setup, side, set, use.value)
        const known = { doubtDeg: Math.max(doubtDeg, READ_TO_DEG), setDoubtDeg: totalDoubtDeg(budget) }
        return [{ readDeg: deg, mustDeg, ...known, moves }]
      }),
    ),
  )
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
  const causes = computed(() => proofCauses({ proved: proved.value, read: read.value, earlier: earlier.value }))
  const unexplained = computed(
    () => causes.value.length === 0 && proved.value.some(({ differsDeg, doubtDeg }) => Math.abs(differsDeg) > doubtDeg),
  )
  return { causes, earlier, unexplained }
}

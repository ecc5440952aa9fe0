import { computed } from 'vue'
import { provedOnRig, type ProvedOnRig } from '#core/observe/calibration/provedOnRig'
import type { UnknownId } from '#core/records/rig/unknowns'
import { onRig } from '#core/records/rig/fittedAt'
import { fittedWith } from '#core/records/rig/jaws'
import { useJob } from '~/job/useJob'
import type { JobView } from '~/job/view'
import { useCollections } from '~/stores/collections'
import { useLog } from '~/stores/log'

/** Every angle that was proved on this job's rig, as it is measured now, in whatever job. */
export const useRigProofs = () => useJob().share(rigProofs)

function rigProofs(job: JobView) {
  const collections = useCollections()
  const log = useLog()
  /** The rig as it is measured now, whatever version this job goes on with. */
  const rig = computed(() => collections.rigs.find(({ id }) => id === job.content.value.rigId)!)
  const stones = computed(() => collections.stones.map((one) => onRig(rig.value, one)))
  const jobOf = (jobId: string | null) => collections.jobs.find(({ id }) => id === jobId)
  const proofs = computed(() =>
    log.ofKind('proof').filter(({ setup, jobId }) => (setup?.rigId ?? jobOf(jobId)?.rigId) === rig.value.id),
  )
  /** Those that count and those that do not; `moving`: what of the rig may be off by as much each time. */
  const counting = (
    moving: readonly UnknownId[],
    of = proofs.value,
    fixedStones: readonly string[] = [],
  ): ProvedOnRig =>
    provedOnRig(of, moving, {
      rig: fittedWith(rig.value, job.content.value.jawsName),
      blade: (id) => collections.blades.find((one) => one.id === id),
      stone: (id) => stones.value.find((one) => one.id === id),
      fixedStones,
      known: (jobId) => jobOf(jobId) ?? job.content.value,
    })
  return { rig, proofs, counting }
}

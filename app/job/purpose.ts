import type { useLog } from '~/stores/log'
import { usualPurpose } from '#core/process/purposes'
import type { Blade } from '#core/records/blade/blade'
import type { Job } from '#core/records/job/job'
import type { Purpose } from '#core/records/job/purpose'

/** What a job is for: what its person chose, or what the blade's record makes most likely. */
export const purposeOf = (
  job: Job & { readonly id: string },
  blade: Blade,
  log: Pick<ReturnType<typeof useLog>, 'ofKind'>,
): Purpose =>
  job.purpose ??
  usualPurpose(
    blade,
    job,
    log.ofKind('proof').filter(({ bladeId, jobId }) => bladeId === job.bladeId && jobId !== job.id),
  )

import { z } from 'zod'
import { listedLog } from './lists'

/** Everything that happened to a blade, on whatever job: the log, and what its jobs are called. */
export const bladeRecordLog = z.object({
  log: listedLog,
  jobs: z.array(z.object({ id: z.uuid(), name: z.string() })),
})
export type BladeRecordLog = z.infer<typeof bladeRecordLog>

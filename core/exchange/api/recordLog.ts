import { z } from 'zod'
import { listedLog } from './lists'

/** What has a record of its own: everything that happened with it, on whatever job. */
const RECORDED = ['blade', 'rig', 'stone'] as const
export type Recorded = (typeof RECORDED)[number]
export const askedRecord = z.object({ of: z.enum(RECORDED), id: z.uuid() })

/** Everything that happened with a blade, a rig or a stone: the log, and what its jobs are called. */
export const recordLog = z.object({
  log: listedLog,
  jobs: z.array(z.object({ id: z.uuid(), name: z.string() })),
})
export type RecordLog = z.infer<typeof recordLog>

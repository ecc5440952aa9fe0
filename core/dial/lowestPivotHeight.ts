import { secantRoot } from '../angle/solve'
import type { Side } from '../clamping/centring'
import { reacherAt, type Job } from '../setup/job'

/**
 * The pivot height (mm above the clamp's centre plane, or the table) that must be exceeded for the stone to come down
 * to the edge at all. Source: docs/geometry.md, "Limits".
 */
export const lowestPivotHeightMm = (job: Job, side: Side): number =>
  secantRoot((heightMm) => reacherAt(job, side, heightMm).pivot.w - job.stone.faceOffsetMm, job.stone.faceOffsetMm) ??
  job.stone.faceOffsetMm

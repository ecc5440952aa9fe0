import { setupNow, type JobSetup, type SetupSnapshot } from '../log/setupSnapshot'
import { perSide } from '../records/common/side'
import type { Evaluation } from './evaluate'

/** How a job is set, as an entry of its log has it: with the set angles of an evaluation, at its place. */
export const asSet = (job: JobSetup['job'], rig: JobSetup['rig'], { sides, edgePoint }: Evaluation): SetupSnapshot =>
  setupNow({
    job,
    rig,
    placeMm: edgePoint.fromHeelMm,
    setDeg: perSide((side) => {
      const set = sides[side]
      return set.ok ? set.contact.edgeAngleDeg : null
    }),
  })

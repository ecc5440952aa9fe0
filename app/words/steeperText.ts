import { isForMicroBevel } from '#core/records/job/stoneUses'
import type { Job } from '#core/records/job/job'
import type { Stone } from '#core/records/stone/stone'

/** How much steeper or flatter than the edge: "3° steeper", "1.5° flatter", "at the same angle". */
export const steeperText = (addDeg: number): string =>
  addDeg === 0 ? 'at the same angle' : `${Math.abs(addDeg)}° ${addDeg > 0 ? 'steeper' : 'flatter'}`

/** Why a stone is to be set to another angle than the wanted one; empty where it is not. */
export function otherAngleText(
  job: Pick<Job, 'microBevel' | 'onMicroBevel' | 'stropAddDeg'>,
  stone: Pick<Stone, 'kind'>,
): string {
  const { microBevel, stropAddDeg } = job
  if (stone.kind !== 'strop')
    return isForMicroBevel(job) && microBevel ? `micro-bevel, ${steeperText(microBevel.addDeg)}` : ''
  if (microBevel) return `strop, ${steeperText(stropAddDeg)}${stropAddDeg === 0 ? ' as' : ' than'} the micro-bevel`
  return stropAddDeg === 0 ? '' : `strop, ${steeperText(stropAddDeg)}`
}

/** What the stone on the rod is to be set for, where that is not the bevel's angle: " for the micro-bevel". */
export const otherUseText = (...of: Parameters<typeof otherAngleText>): string => {
  const [, { kind }] = of
  return otherAngleText(...of) === '' ? '' : kind === 'strop' ? ' for the strop' : ' for the micro-bevel'
}

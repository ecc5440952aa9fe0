import { adviseDial } from '../../geometry/dial/advised'
import { contactFor, type Setup } from '../../geometry/setup/setup'
import type { Side } from '../../records/common/side'
import { isForMicroBevel, wantedWith } from '../../records/job/stoneUses'
import type { JobAsked } from './jobNow'

/**
 * How near the rig comes to what is wanted on a side, with a stone on the rod for one of its uses, degrees: with a dial
 * for each side, as its own best; with one dial for two sides that want the same, as the setting that is best for one
 * of them and does least badly on the worse. Infinity where nothing can be dialled.
 */
export function nearestDialDeg(now: JobAsked, side: Side, stone: Setup['stone'], forMicroBevel: boolean): number {
  const { job, sides, dialFor } = now
  const setup = { ...now.setup, stone }
  const isOn = stone === now.setup.stone && forMicroBevel === isForMicroBevel(job)
  const wantedDeg = (of: Side) => wantedWith(job, of, stone, forMicroBevel)
  const best = (of: Side) => (isOn ? now.advice(of) : adviseDial(setup, of, wantedDeg(of), dialFor))
  const { A, B } = job.wanted.deg
  if (!job.dialled.linked || sides.length < 2 || A !== B) {
    const own = best(side)
    return own.ok ? Math.abs(own.offDeg) : Infinity
  }
  const worstOf = (of: Side) => {
    const shared = best(of)
    if (!shared.ok) return Infinity
    const off = sides.map((on) => {
      const contact = contactFor(setup, on, shared.setting, dialFor)
      return contact.ok ? Math.abs(contact.edgeAngleDeg - wantedDeg(on)) : Infinity
    })
    return Math.max(...off)
  }
  return Math.min(...sides.map(worstOf))
}

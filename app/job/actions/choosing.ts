import equal from 'fast-deep-equal'
import { SIDES } from '#core/records/common/side'
import { doneWith } from '#core/process/card/sameAgain'
import { setAsideFor, withSetAside } from '#core/process/card/setAside'
import { startingCard, startingDial, startingHold } from '#core/process/card/starting'
import { gripOf } from '#core/geometry/hold/grip'
import type { Job } from '#core/records/job/job'
import { heightOfSetting } from '#core/records/rig/dial'
import { fittedWith } from '#core/records/rig/jaws'
import type { Rig } from '#core/records/rig/rig'
import type { ActionContext } from './context'

/** Which rig, jaws, blade and stone the job is done with. */
export function choosing({ job, collections }: ActionContext) {
  const otherJobs = () => collections.jobsByTime.filter((one) => one.id !== job.id)

  /**
   * Puts the job on a rig with the measures it has now: held as in an earlier job with this blade on it, else as it is
   * where it can.
   */
  function chooseRig(rigId: string) {
    const [from, now] = [job.setup.value, job.content.value]
    const chosen = collections.rigs.find((one) => one.id === rigId)
    const same = rigId === now.rigId
    if (!chosen || (same && !job.rigMeasuredAnew.value)) return
    const jawsName = same ? now.jawsName : null
    const rig = fittedWith(chosen, jawsName)
    const of: Partial<Job> = { rigId, rigRevision: chosen.revision }
    if (!same) {
      const next = { rigId, bladeId: now.bladeId }
      const patch = { ...of, setAside: withSetAside(now, next) }
      const aside = setAsideFor(now, next)
      const earlier = doneWith(otherJobs(), next)[0] ?? null
      const before = aside ?? earlier
      if (before) {
        const card = startingCard({ ...from, rig: chosen }, before, now)
        // What is wanted of the blade, and in which order, does not come from the rig.
        const { wanted, progression, microBevel, stropAddDeg } = now
        const kept = equal(wanted.deg, card.wanted.deg)
          ? card
          : { ...card, dialled: startingDial({ ...from, rig: chosen, hold: card.hold }, wanted, card.dialForMm) }
        const like = before === earlier ? `held as in ${earlier.name}` : 'held as before'
        return void job.change(`rig: ${chosen.name}, ${like}`, {
          ...patch,
          ...kept,
          wanted,
          progression,
          microBevel,
          stropAddDeg,
        })
      }
      Object.assign(of, patch)
    }
    const sameKindOfHold = (from.rig.jaws === null) === (rig.jaws === null)
    // What other jaws hold as well stays; what was none before is not corrected unasked.
    const holds = (by: Rig) => gripOf(from.blade, by).trouble(now.hold) === null
    const stays = sameKindOfHold && (holds(rig) || !holds(from.rig))
    const hold = stays ? now.hold : startingHold(rig, from.blade)
    const stillDialled = same && SIDES.every((side) => heightOfSetting(rig, now.dialled[side]).ok)
    const dialled = stillDialled ? now.dialled : startingDial({ ...from, rig, hold }, now.wanted, now.dialForMm)
    job.change(`rig: ${rig.name}`, { ...of, jawsName, hold, dialled, positions: null })
  }

  /** Fits a set of the rig's jaws. */
  const fitJaws = (name: string) => job.change(`jaws: ${name}`, { jawsName: name })

  let chosen = 0
  /** Takes a blade, held as it was in this job, or in an earlier one with it on this rig where there is one. */
  async function chooseBlade(bladeId: string) {
    const mine = ++chosen
    const blade = collections.blades.find((one) => one.id === bladeId)
    if (!blade || bladeId === job.content.value.bladeId) return
    await collections.learnAround({ rigId: job.content.value.rigId, bladeId })
    // Another was chosen while this one's past was fetched, or the one that was there.
    if (mine !== chosen) return
    const now = job.content.value
    const next = { rigId: now.rigId, bladeId }
    const aside = setAsideFor(now, next)
    const earlier = doneWith(otherJobs(), next)[0] ?? null
    const like = aside ? ', held as before' : earlier ? `, held as in ${earlier.name}` : ''
    // A job that is called by its blade goes on so.
    const renamed = now.name === job.blade.value.name ? { name: blade.name } : {}
    job.change(`blade: ${blade.name}${like}`, {
      ...renamed,
      bladeId,
      setAside: withSetAside(now, next),
      ...startingCard({ ...job.setup.value, blade }, aside ?? earlier, now),
    })
  }

  /** Puts a stone on the rod, for the bevel or for the micro-bevel. */
  function chooseStone(stoneId: string, forMicroBevel = false) {
    const now = job.content.value
    const stone = collections.stones.find((one) => one.id === stoneId)
    if (!stone || (stoneId === now.stoneId && forMicroBevel === now.onMicroBevel)) return
    const what = forMicroBevel ? `${stone.name}, for the micro-bevel` : stone.name
    job.change(`stone: ${what}`, { stoneId, onMicroBevel: forMicroBevel })
  }

  return { chooseRig, fitJaws, chooseBlade, chooseStone }
}

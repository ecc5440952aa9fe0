import { clampFrame, toClampFrame } from '#core/geometry/clamping/clampFrame'
import { moved } from '#core/geometry/clamping/bladeHeight'
import { SIDES, type Side } from '#core/records/common/side'
import { isWithinLimits, type ClampPosition } from '#core/records/job/clampPosition'
import equal from 'fast-deep-equal'
import { doneWith } from '#core/process/card/sameAgain'
import { setAsideFor, withSetAside } from '#core/process/card/setAside'
import { startingCard, startingDial, startingHold } from '#core/process/card/starting'
import { gripOf } from '#core/geometry/hold/grip'
import { lowestPivotHeightMm } from '#core/geometry/dial/lowestPivotHeight'
import type { Job } from '#core/records/job/job'
import { heightOfSetting, heightRange, settingOfHeight, stepSetting } from '#core/records/rig/dial'
import type { DialSetting } from '#core/records/rig/dials/readings'
import { fittedWith } from '#core/records/rig/jaws'
import type { Rig } from '#core/records/rig/rig'
import { contactFor, type Setup } from '#core/geometry/setup/setup'
import type { JobState, Stores } from './state'
import { lengthText } from '~/words/lengthText'
import { reasonText } from '~/words/reasonText'

const MOST_TURN_DEG = 45
/** A figure is shown to a tenth: the last of the edge can be typed as it is shown. */
const TYPED_BEYOND_MM = 0.06
const MOST_OFF_CENTRE = { mm: 10, deg: 10 } as const

/**
 * What hands do at the bench. Each action changes the job, or changes nothing and says why in words. A gesture (a drag,
 * a held key) is one step of the undo.
 */
export function benchActions(job: JobState, { collections, preferences }: Stores) {
  const text = (mm: number) => lengthText(mm, preferences.unit)

  /** Why there would be no angle, or no blade in the jaws, with this; null when there is. */
  function objection(setup: Setup, setting: DialSetting): string | null {
    if (!isWithinLimits(setup.hold)) return 'The blade cannot be moved or turned any farther.'
    // A blade that lies beside the jaws already may be moved anywhere.
    if (!job.grip.value.touches(setup.hold) && job.grip.value.touches(job.content.value.hold)) return noSteel()
    const contact = contactFor(setup, job.side.value, setting, job.evaluation.value.edgePoint)
    return contact.ok
      ? null
      : reasonText(
          contact,
          preferences.unit,
          lowestPivotHeightMm(setup, job.side.value, job.evaluation.value.edgePoint),
        )
  }

  /** That the jaws would not touch the blade, and how far out they hold it where it is now. */
  function noSteel(): string {
    const heights = job.grip.value.heightsMm(job.content.value.hold, job.dialFor.value.edgePoint)
    if (!heights) return 'The jaws would not touch the blade.'
    return `The jaws would not touch the blade: here they hold it ${text(heights[0])} to ${text(heights[1])} out.`
  }

  const dialledNow = (): DialSetting => job.content.value.dialled[job.side.value]

  function withDial(setting: DialSetting, side: Side = job.side.value): Job['dialled'] {
    const { dialled } = job.content.value
    return dialled.linked ? { ...dialled, A: setting, B: setting } : { ...dialled, [side]: setting }
  }

  /** Dials a setting of the rig. */
  const dial = (setting: DialSetting, gesture: string | null = null): string | null =>
    objection(job.setup.value, setting) ?? job.change('dial the rig', { dialled: withDial(setting) }, gesture)

  /** Notes that a hand has turned the rig to a setting: for the side that is up, or for both on one dial. */
  function noteDialled(setting: DialSetting): string | null {
    const wrong = objection(job.setup.value, setting)
    if (wrong) return wrong
    const { rigId } = job.content.value
    const dialled = withDial(setting)
    const bothAlike = dialled.linked && job.blade.value.bevels === 'both'
    const entries = (bothAlike ? SIDES : [job.side.value]).map((side) => ({
      ...job.session.newEntry(),
      kind: 'dialled' as const,
      rigId,
      side,
      setting,
    }))
    job.session.record('note as dialled', entries, [], { dialled })
    return null
  }

  /** Moves the pivot to a height above the clamp's centre plane (or the table); a plate takes its nearest slot. */
  function setPivotHeight(heightMm: number, gesture: string | null = null): string | null {
    const { lowestMm, highestMm } = heightRange(job.rig.value)
    if (gesture === null && (heightMm < lowestMm || heightMm > highestMm))
      return `This rig’s pivot stands between ${text(lowestMm)} and ${text(highestMm)}.`
    return dial(settingOfHeight(job.rig.value, heightMm), gesture)
  }

  /** One or more marks (or slots) up or down. */
  const stepDial = (marks: number, gesture: string | null = null): string | null =>
    dial(stepSetting(job.rig.value, dialledNow(), marks), gesture)

  const holdAs = (label: string, hold: ClampPosition, gesture: string | null): string | null =>
    objection({ ...job.setup.value, hold }, dialledNow()) ?? job.change(label, { hold }, gesture)

  /** Moves the blade along the jaws (towards the tip) and out of them, mm. */
  const moveBlade = (alongMm: number, outMm: number, gesture: string | null = null): string | null =>
    holdAs('move the blade', moved(job.content.value.hold, alongMm, outMm), gesture)

  const mustStandOut = 'The edge must stand out of the jaws: more than 0.'

  /** Brings the edge at the place that the dial is for to a height out of the jaws. */
  function setBladeHeight(heightMm: number, gesture: string | null = null): string | null {
    const { hold } = job.content.value
    if (heightMm <= 0) return mustStandOut
    const outMm = heightMm - job.dialFor.value.bladeHeightMm
    return holdAs('blade height', moved(hold, 0, outMm), gesture)
  }

  /**
   * Holds the blade in a new way, with what goes with it on the dial and the place of the edge that this is for
   * (`dialForMm`, arc length from the heel).
   */
  const holdAndDial = (hold: ClampPosition, setting: DialSetting, dialForMm: number): string | null =>
    objection({ ...job.setup.value, hold }, setting) ??
    lookingBack(job.change('hold it so', { hold, dialForMm, dialled: withDial(setting) }))

  /** Holds the blade in another way, the dial left alone. */
  const holdSo = (hold: ClampPosition): string | null => holdAs('hold it so', hold, null)

  /** Stands the blade so far out and the pivot so high at once; a plate takes its nearest slot. */
  function setHeights(outMm: number, pivotHeightMm: number, gesture: string | null): string | null {
    if (outMm <= 0) return mustStandOut
    const hold = moved(job.content.value.hold, 0, outMm - job.evaluation.value.bladeHeightMm)
    const setting = settingOfHeight(job.rig.value, pivotHeightMm)
    return (
      objection({ ...job.setup.value, hold }, setting) ??
      job.change('blade height and dial', { hold, dialled: withDial(setting) }, gesture)
    )
  }

  /** How far the jaws' middle stands from the heel, along the jaws. */
  const heelToMiddle = (hold: ClampPosition): number =>
    -toClampFrame(job.edgePoints.value[0]!.point, clampFrame(hold))[0]

  function setHeelToMiddle(mm: number, gesture: string | null = null): string | null {
    const { hold } = job.content.value
    return holdAs('clamp position', moved(hold, heelToMiddle(hold) - mm, 0), gesture)
  }

  /** Turns the blade in the jaws about the middle of their front line. */
  function setTurn(turnDeg: number, gesture: string | null = null): string | null {
    if (Math.abs(turnDeg) > MOST_TURN_DEG) return `More than ${MOST_TURN_DEG}° is no way to hold a blade.`
    return holdAs('turn in the jaws', { ...job.content.value.hold, turnDeg }, gesture)
  }

  /**
   * How far the blade's centre plane stands off the jaws', on side A: above it at their front (mm), and rising outward
   * (°).
   */
  function setCentring(error: { centreOffsetMm?: number; tiltDeg?: number }): string | null {
    if (Math.abs(error.centreOffsetMm ?? 0) > MOST_OFF_CENTRE.mm)
      return `More than ${text(MOST_OFF_CENTRE.mm)} off centre is not a blade in these jaws.`
    if (Math.abs(error.tiltDeg ?? 0) > MOST_OFF_CENTRE.deg)
      return `More than ${MOST_OFF_CENTRE.deg}° of tilt is not a blade in these jaws.`
    return holdAs('centring', { ...job.content.value.hold, ...error }, null)
  }

  /** Has the dial be for a place of the edge: its arc length from the heel, or over the middle of the jaws (null). */
  const dialForPlace = (dialForMm: number | null) =>
    lookingBack(job.change('place that the dial is for', { dialForMm }))

  /** Where a change was taken, the place that the dial is for is looked at again. */
  function lookingBack(objection: string | null): string | null {
    if (objection === null) job.lookAtMm.value = null
    return objection
  }

  /**
   * Looks at another place of the edge: its arc length from the heel, or the place that the dial is for (null). That is
   * no change of the job: it is not kept, and there is nothing to undo.
   */
  const lookAt = (fromHeelMm: number | null): void => void (job.lookAtMm.value = fromHeelMm)

  /** Looks at a place that was typed: its arc length from the heel. */
  function lookAtTyped(fromHeelMm: number): string | null {
    const edgeMm = job.edgePoints.value.at(-1)!.fromHeelMm
    if (fromHeelMm < 0 || fromHeelMm > edgeMm + TYPED_BEYOND_MM)
      return `The edge goes from the heel to ${text(edgeMm)} from it.`
    lookAt(Math.min(fromHeelMm, edgeMm))
    return null
  }

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
      if (aside ?? earlier) {
        const card = startingCard({ ...from, rig: chosen }, aside ?? earlier, now)
        // What is wanted of the blade, and in which order, does not come from the rig.
        const { wanted, progression } = now
        const kept = equal(wanted.deg, card.wanted.deg)
          ? card
          : { ...card, dialled: startingDial({ ...from, rig: chosen, hold: card.hold }, wanted, card.dialForMm) }
        const like = aside ? 'held as before' : `held as in ${earlier!.name}`
        return void job.change(`rig: ${chosen.name}, ${like}`, { ...patch, ...kept, wanted, progression })
      }
      Object.assign(of, patch)
    }
    const sameKindOfHold = (from.rig.jaws === null) === (rig.jaws === null)
    // What other jaws hold as well stays; what was none before is not mended unasked.
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

  function chooseStone(stoneId: string) {
    const stone = collections.stones.find((one) => one.id === stoneId)
    if (stone && stoneId !== job.content.value.stoneId) job.change(`stone: ${stone.name}`, { stoneId })
  }

  /** The pivot's height as dialled on the side that is up; null when what is dialled is not of this rig. */
  const pivotHeightNow = (): number | null => {
    const height = heightOfSetting(job.rig.value, dialledNow())
    return height.ok ? height.heightMm : null
  }

  return {
    dial,
    noteDialled,
    setPivotHeight,
    stepDial,
    moveBlade,
    setBladeHeight,
    setHeights,
    holdAndDial,
    holdSo,
    dialForPlace,
    heelToMiddle,
    setHeelToMiddle,
    setTurn,
    setCentring,
    lookAt,
    lookAtTyped,
    chooseRig,
    fitJaws,
    chooseBlade,
    chooseStone,
    dialledNow,
    pivotHeightNow,
  }
}
export type BenchActions = ReturnType<typeof benchActions>

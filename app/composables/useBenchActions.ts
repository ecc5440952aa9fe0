import { clampFrame, toClampFrame } from '#core/clamping/clampFrame'
import { bladeHeightMm, moved } from '#core/clamping/bladeHeight'
import type { Side } from '#core/clamping/centring'
import type { ClampPosition } from '#core/clamping/clampPosition'
import { contactFor, type Setup } from '#core/setup/setup'
import { lowestPivotHeightMm } from '#core/dial/lowestPivotHeight'
import { heightOfSetting, heightRange, settingOfHeight, stepSetting } from '#core/rig/dial'
import type { DialSetting } from '#core/rig/heightReading'
import { fittedWith } from '#core/rig/jaws'
import { doneWith } from '#core/card/sameAgain'
import { startingCard, startingDial, startingHold } from '#core/card/starting'
import type { Job } from '#core/job/job'
import { useCollections } from '~/stores/collections'
import { useJob } from '~/stores/job'
import { usePreferences } from '~/stores/preferences'
import { lengthText } from '~/words/lengthText'
import { reasonText } from '~/words/reasonText'
import { useBench } from './useBench'

/**
 * What hands do at the bench. Each action changes the job, or changes nothing and says why in words. A gesture (a drag,
 * a held key) is one step of the undo.
 */
export function useBenchActions() {
  const bench = useBench()
  const job = useJob()
  const preferences = usePreferences()
  const collections = useCollections()

  /** Why there would be no angle with this; null when there is one. */
  function objection(things: Setup, setting: DialSetting): string | null {
    const station = bench.evaluation.value?.station
    if (!station) return null
    const contact = contactFor(things, bench.side.value, setting, station)
    return contact.ok ? null : reasonText(contact, preferences.unit, lowestPivotHeightMm(things, bench.side.value))
  }

  const dialledNow = (): DialSetting | null => {
    const dialled = job.content?.dialled
    return dialled ? (bench.side.value === 'A' ? dialled.a : dialled.b) : null
  }

  function withDial(setting: DialSetting, side: Side = bench.side.value): Job['dialled'] {
    const dialled = job.content!.dialled
    if (dialled.linked) return { ...dialled, a: setting, b: setting }
    return side === 'A' ? { ...dialled, a: setting } : { ...dialled, b: setting }
  }

  /** Dials a setting of the rig. */
  function dial(setting: DialSetting, gesture: string | null = null): string | null {
    const things = bench.setup.value
    if (!things || !job.content) return null
    return objection(things, setting) ?? job.change('dial the rig', { dialled: withDial(setting) }, gesture)
  }

  /** Moves the pivot to a height above the clamp's centre plane (or the table); a plate takes its nearest slot. */
  function setPivotHeight(heightMm: number, gesture: string | null = null): string | null {
    const rig = bench.rig.value
    if (!rig) return null
    const { lowestMm, highestMm } = heightRange(rig)
    if (heightMm < lowestMm || heightMm > highestMm) {
      if (gesture === null)
        return `This rig’s pivot stands between ${lengthText(lowestMm, preferences.unit)} and ${lengthText(highestMm, preferences.unit)}.`
    }
    return dial(settingOfHeight(rig, heightMm), gesture)
  }

  /** One or more marks (or slots) up or down. */
  function stepDial(marks: number, gesture: string | null = null): string | null {
    const setting = dialledNow()
    if (!setting || !bench.rig.value) return null
    return dial(stepSetting(bench.rig.value, setting, marks), gesture)
  }

  function hold(label: string, hold: ClampPosition, gesture: string | null): string | null {
    const things = bench.setup.value
    const setting = dialledNow()
    if (!things || !setting) return null
    return objection({ ...things, hold }, setting) ?? job.change(label, { hold }, gesture)
  }

  /** Moves the blade along the jaws (towards the tip) and out of them, mm. */
  function moveBlade(alongMm: number, outMm: number, gesture: string | null = null): string | null {
    const hold = job.content?.hold
    return hold ? hold('move the blade', moved(hold, alongMm, outMm), gesture) : null
  }

  /** Brings the edge at the place looked at to a height out of the jaws. */
  function setBladeHeight(heightMm: number, gesture: string | null = null): string | null {
    const station = bench.evaluation.value?.station
    const hold = job.content?.hold
    if (!station || !hold) return null
    if (heightMm <= 0) return 'The edge must stand out of the jaws: more than 0.'
    return hold('blade height', moved(hold, 0, heightMm - bladeHeightMm(station, hold)), gesture)
  }

  /** Holds the blade in a new way and dials what goes with it, at once. */
  function holdAndDial(hold: ClampPosition, setting: DialSetting): string | null {
    const things = bench.setup.value
    if (!things || !job.content) return null
    return objection({ ...things, hold }, setting) ?? job.change('hold it so', { hold, dialled: withDial(setting) })
  }

  /** Stands the blade so far out and the pivot so high at once; a plate takes its nearest slot. */
  function setHeights(outMm: number, pivotHeightMm: number, gesture: string | null): string | null {
    const [things, evaluation] = [bench.setup.value, bench.evaluation.value]
    if (!things || !evaluation || !job.content) return null
    if (outMm <= 0) return 'The edge must stand out of the jaws: more than 0.'
    const hold = moved(job.content.hold, 0, outMm - evaluation.bladeHeightMm)
    const setting = settingOfHeight(things.rig, pivotHeightMm)
    return (
      objection({ ...things, hold }, setting) ??
      job.change('blade height and dial', { hold, dialled: withDial(setting) }, gesture)
    )
  }

  /** How far the jaws' middle stands from the heel, along the jaws. */
  const heelToMiddle = (hold: ClampPosition): number =>
    -toClampFrame(bench.stations.value[0]?.point ?? [0, 0], clampFrame(hold))[0]

  function setHeelToMiddle(mm: number, gesture: string | null = null): string | null {
    const hold = job.content?.hold
    return hold ? hold('clamp position', moved(hold, heelToMiddle(hold) - mm, 0), gesture) : null
  }

  /** Turns the blade in the jaws about the middle of their front line. */
  function setTurn(turnDeg: number, gesture: string | null = null): string | null {
    const hold = job.content?.hold
    if (!hold) return null
    if (Math.abs(turnDeg) > 45) return 'More than 45° is no way to hold a blade.'
    return hold('turn in the jaws', { ...hold, turnDeg }, gesture)
  }

  /**
   * How far the blade's centre plane stands off the jaws', on side A: above it at their front (mm), and rising outward
   * (°).
   */
  function setCentring(error: { centreOffsetMm?: number; tiltDeg?: number }): string | null {
    const hold = job.content?.hold
    if (!hold) return null
    if (Math.abs(error.centreOffsetMm ?? 0) > 10)
      return `More than ${lengthText(10, preferences.unit)} off centre is not a blade in these jaws.`
    if (Math.abs(error.tiltDeg ?? 0) > 10) return 'More than 10° of tilt is not a blade in these jaws.'
    return hold('centring', { ...hold, ...error }, null)
  }

  /** Looks at another place of the edge: its arc length from the heel, or the middle of the jaws (null). */
  const lookAt = (fromHeelMm: number | null, gesture: string | null = null) =>
    job.change('place along the edge', { lookAtMm: fromHeelMm }, gesture)

  const otherJobs = () => collections.jobsByTime.filter((one) => one.id !== job.id)

  /**
   * Puts the job on a rig with the measures it has now: held as in an earlier job with this blade on it, else as it is
   * where it can.
   */
  function chooseRig(rigId: string) {
    const from = bench.setup.value
    const chosen = collections.rigs.find((one) => one.id === rigId)
    if (!from || !chosen || !job.content) return
    if (rigId === job.content.rigId && !bench.rigMeasuredAnew.value) return
    const jawsName = rigId === job.content.rigId ? job.content.jawsName : null
    const rig = fittedWith(chosen, jawsName)
    const earlier =
      rigId === job.content.rigId ? undefined : doneWith(otherJobs(), { rigId, bladeId: job.content.bladeId })[0]
    if (earlier)
      return void job.change(`rig: ${chosen.name}, held as in ${earlier.name}`, {
        rigId,
        rigRevision: chosen.revision,
        ...startingCard({ ...from, rig: chosen }, earlier, job.content),
      })
    const sameKindOfHold = (from.rig.jaws === null) === (rig.jaws === null)
    const hold = sameKindOfHold ? job.content.hold : startingHold(rig, from.blade)
    const stillDialled =
      rigId === job.content.rigId &&
      [job.content.dialled.a, job.content.dialled.b].every((setting) => heightOfSetting(rig, setting).ok)
    const dialled = stillDialled ? job.content.dialled : startingDial({ ...from, rig, hold }, job.content.wanted)
    job.change(`rig: ${rig.name}`, { rigId, rigRevision: chosen.revision, jawsName, hold, dialled })
  }

  /** Fits a set of the rig's jaws. */
  const fitJaws = (name: string) => job.change(`jaws: ${name}`, { jawsName: name })

  /** Takes a blade, held as in an earlier job with it on this rig where there is one. */
  function chooseBlade(bladeId: string) {
    const from = bench.setup.value
    const blade = collections.blades.find((one) => one.id === bladeId)
    if (!from || !blade || !job.content || bladeId === job.content.bladeId) return
    const earlier = doneWith(otherJobs(), { rigId: job.content.rigId, bladeId })[0] ?? null
    const renamed = /^New job \d+$/.test(job.content.name) ? { name: blade.name } : {}
    job.change(`blade: ${blade.name}${earlier ? `, held as in ${earlier.name}` : ''}`, {
      ...renamed,
      bladeId,
      lookAtMm: null,
      ...startingCard({ ...from, blade }, earlier, job.content),
    })
  }

  function chooseStone(stoneId: string) {
    const stone = collections.stones.find((one) => one.id === stoneId)
    if (stone && stoneId !== job.content?.stoneId) job.change(`stone: ${stone.name}`, { stoneId })
  }

  /** The pivot's height as dialled on the side that is up; null when what is dialled is not of this rig. */
  const pivotHeightNow = (): number | null => {
    const setting = dialledNow()
    const height = setting && bench.rig.value ? heightOfSetting(bench.rig.value, setting) : null
    return height?.ok ? height.heightMm : null
  }

  return {
    dial,
    setPivotHeight,
    stepDial,
    moveBlade,
    setBladeHeight,
    setHeights,
    holdAndDial,
    heelToMiddle,
    setHeelToMiddle,
    setTurn,
    setCentring,
    lookAt,
    chooseRig,
    fitJaws,
    chooseBlade,
    chooseStone,
    dialledNow,
    pivotHeightNow,
  }
}

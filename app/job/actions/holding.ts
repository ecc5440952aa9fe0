import { nth } from '#core/math/list'
import { clampFrame, toClampFrame } from '#core/geometry/clamping/clampFrame'
import { moved } from '#core/geometry/clamping/bladeHeight'
import type { ClampPosition } from '#core/records/job/clampPosition'
import { settingOfHeight } from '#core/records/rig/dial'
import type { Job } from '#core/records/job/job'
import { liesAlike } from '#core/records/job/positions'
import type { DialSetting } from '#core/records/rig/dials/readings'
import type { ActionContext } from './context'

const MOST_TURN_DEG = 45
const MOST_OFF_CENTRE = { mm: 10, deg: 10 } as const

/** How the blade is held. `looksBack`: where a change was taken, the place that the dial is for is looked at again. */
export function holding(
  { job, say, objection, dialledNow, withDial }: ActionContext,
  looksBack: (objection: string | null) => string | null,
) {
  const holdAs = (label: string, hold: ClampPosition, gesture: string | null): string | null =>
    objection({ ...job.setup.value, hold }, dialledNow()) ?? job.change(label, { hold }, gesture)

  /** Moves the blade along the jaws (towards the tip) and out of them, mm. */
  const moveBlade = (alongMm: number, outMm: number, gesture: string | null = null): string | null =>
    holdAs('move the blade', moved(job.content.value.hold, alongMm, outMm), gesture)

  /** Brings the edge to a height out of the jaws at a place where it stands `nowMm` out; else where the dial is for. */
  function setBladeHeight(
    heightMm: number,
    gesture: string | null = null,
    nowMm = job.dialFor.value.bladeHeightMm,
  ): string | null {
    const { hold } = job.content.value
    if (heightMm <= 0) return say('edge-in-jaws')
    const outMm = heightMm - nowMm
    const so = moved(hold, 0, outMm)
    return (
      objection({ ...job.setup.value, hold: so }, dialledNow()) ??
      job.change('blade height', { hold: so, positions: heldSoIn(so) }, gesture)
    )
  }

  /** The kept positions, those that the blade is in as it is really held. */
  function heldSoIn(so: ClampPosition): Job['positions'] {
    const { hold, positions } = job.content.value
    return (
      positions && {
        ...positions,
        each: positions.each.map((one) => (liesAlike(one.hold, hold) ? { ...one, hold: so } : one)),
      }
    )
  }

  /**
   * Holds the blade in a new way, with what goes with it on the dial and the place of the edge that this is for
   * (`dialForMm`, arc length from the heel).
   */
  const holdAndDial = (hold: ClampPosition, setting: DialSetting, dialForMm: number): string | null =>
    objection({ ...job.setup.value, hold }, setting) ??
    looksBack(job.change('hold it so', { hold, dialForMm, dialled: withDial(setting) }))

  /** Holds the blade in another way, the dial left alone. */
  const holdSo = (hold: ClampPosition): string | null => holdAs('hold it so', hold, null)

  /** Stands the blade so far out and the pivot so high at once; a plate takes its nearest slot. */
  function setHeights(outMm: number, pivotHeightMm: number, gesture: string | null): string | null {
    if (outMm <= 0) return say('edge-in-jaws')
    const hold = moved(job.content.value.hold, 0, outMm - job.evaluation.value.bladeHeightMm)
    const setting = settingOfHeight(job.rig.value, pivotHeightMm)
    return (
      objection({ ...job.setup.value, hold }, setting) ??
      job.change('blade height and dial', { hold, dialled: withDial(setting) }, gesture)
    )
  }

  /** How far the jaws' middle stands from the heel, along the jaws. */
  const heelToMiddle = (hold: ClampPosition): number =>
    -toClampFrame(nth(job.edgePoints.value, 0).point, clampFrame(hold))[0]

  function setHeelToMiddle(mm: number, gesture: string | null = null): string | null {
    const { hold } = job.content.value
    return holdAs('clamp position', moved(hold, heelToMiddle(hold) - mm, 0), gesture)
  }

  /** Turns the blade in the jaws about the middle of their front line. */
  function setTurn(turnDeg: number, gesture: string | null = null): string | null {
    if (Math.abs(turnDeg) > MOST_TURN_DEG) return say('turned-too-far', { mostDeg: MOST_TURN_DEG })
    return holdAs('turn in the jaws', { ...job.content.value.hold, turnDeg }, gesture)
  }

  /**
   * How far the blade's centre plane stands off the jaws', on side A: above it at their front (mm), and rising outward
   * (°).
   */
  function setCentring(error: { centreOffsetMm?: number; tiltDeg?: number }): string | null {
    if (Math.abs(error.centreOffsetMm ?? 0) > MOST_OFF_CENTRE.mm)
      return say('too-far-off-centre', { mostMm: MOST_OFF_CENTRE.mm })
    if (Math.abs(error.tiltDeg ?? 0) > MOST_OFF_CENTRE.deg)
      return say('tilted-too-far', { mostDeg: MOST_OFF_CENTRE.deg })
    return holdAs('centring', { ...job.content.value.hold, ...error }, null)
  }

  return {
    moveBlade,
    setBladeHeight,
    setHeights,
    holdAndDial,
    holdSo,
    heelToMiddle,
    setHeelToMiddle,
    setTurn,
    setCentring,
  }
}

import { SIDES } from '#core/records/common/side'
import { asSet } from '#core/uncertainty/asSet'
import { evaluate } from '#core/uncertainty/evaluate'
import { heightOfSetting, heightRange, settingOfHeight, stepSetting } from '#core/records/rig/dial'
import type { DialSetting } from '#core/records/rig/dials/readings'
import type { ActionContext } from './context'

/** Dialling the rig, and noting that a hand has dialled it. */
export function dialling({ job, say, objection, dialledNow, withDial }: ActionContext) {
  /** Dials a setting of the rig. */
  const dial = (setting: DialSetting, gesture: string | null = null): string | null =>
    objection(job.setup.value, setting) ?? job.change('dial the rig', { dialled: withDial(setting) }, gesture)

  /** Notes that a hand has turned the rig to a setting: for the side that is up, or for both on one dial. */
  function noteDialled(setting: DialSetting): string | null {
    const wrong = objection(job.setup.value, setting)
    if (wrong) return wrong
    const dialled = withDial(setting)
    const next = { ...job.content.value, dialled }
    const evaluation = evaluate(job.setup.value, next, job.edgePoints.value, next.dialForMm)
    const setup = asSet(next, job.rig.value, evaluation)
    const bothAlike = dialled.linked && job.blade.value.bevels === 'both'
    const entries = (bothAlike ? SIDES : [job.side.value]).map((side) => ({
      ...job.session.newEntry(),
      kind: 'dialled' as const,
      side,
      setup,
    }))
    job.session.record('note as dialled', entries, [], { dialled })
    return null
  }

  /** Moves the pivot to a height above the clamp's centre plane (or the table); a plate takes its nearest slot. */
  function setPivotHeight(heightMm: number, gesture: string | null = null): string | null {
    const { lowestMm, highestMm } = heightRange(job.rig.value)
    if (gesture === null && (heightMm < lowestMm || heightMm > highestMm))
      return say('pivot-out-of-range', { leastMm: lowestMm, mostMm: highestMm })
    return dial(settingOfHeight(job.rig.value, heightMm), gesture)
  }

  /** One or more marks (or slots) up or down. */
  const stepDial = (marks: number, gesture: string | null = null): string | null =>
    dial(stepSetting(job.rig.value, dialledNow(), marks), gesture)

  /** The pivot's height as dialled on the side that is up; null when what is dialled is not of this rig. */
  const pivotHeightNow = (): number | null => {
    const height = heightOfSetting(job.rig.value, dialledNow())
    return height.ok ? height.heightMm : null
  }

  return { dial, noteDialled, setPivotHeight, stepDial, dialledNow, pivotHeightNow }
}

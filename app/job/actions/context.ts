import type { Finding } from '#core/schema/problem'
import type { Side } from '#core/records/common/side'
import { isWithinLimits } from '#core/records/job/clampPosition'
import { contactFor, type Setup } from '#core/geometry/setup/setup'
import type { Job } from '#core/records/job/job'
import type { DialSetting } from '#core/records/rig/dials/readings'
import { problemText } from '~/words/problemText'
import { noAngleText } from '../noAngleText'
import type { JobState, Stores } from '../state'

/**
 * What the actions of a job share: its state, and what stands against a change. Each action changes the job, or changes
 * nothing and answers why in words.
 */
export function actionContext(job: JobState, { collections, preferences }: Stores) {
  const say = (code: Finding['code'], figures: Finding['figures'] = {}): string =>
    problemText({ code, figures }, preferences.unit)

  /** Why there would be no angle, or no blade in the jaws, with this; null when there is. */
  function objection(setup: Setup, setting: DialSetting): string | null {
    if (!isWithinLimits(setup.hold)) return say('beyond-clamp')
    // A blade that lies beside the jaws already may be moved anywhere.
    if (!job.grip.value.touches(setup.hold) && job.grip.value.touches(job.content.value.hold)) return besideBlade()
    const { edgePoint } = job.evaluation.value
    const contact = contactFor(setup, job.side.value, setting, edgePoint)
    return contact.ok ? null : noAngleText(contact, { setup, side: job.side.value }, preferences.unit)
  }

  /** That the jaws would not touch the blade, and how far out they hold it where it is now. */
  function besideBlade(): string {
    const heights = job.grip.value.heightsMm(job.content.value.hold, job.dialFor.value.edgePoint)
    return heights ? say('jaws-beside-blade', { leastMm: heights[0], mostMm: heights[1] }) : say('jaws-beside-blade')
  }

  const dialledNow = (): DialSetting => job.content.value.dialled[job.side.value]

  function withDial(setting: DialSetting, side: Side = job.side.value): Job['dialled'] {
    const { dialled } = job.content.value
    return dialled.linked ? { ...dialled, A: setting, B: setting } : { ...dialled, [side]: setting }
  }

  return { job, collections, say, objection, dialledNow, withDial }
}
export type ActionContext = ReturnType<typeof actionContext>

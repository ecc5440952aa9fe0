import type { ActionContext } from './context'

/** A figure is shown to a tenth: the last of the edge can be typed as it is shown. */
const TYPED_BEYOND_MM = 0.06

/** The place of the edge that the dial is for, and the one that is looked at. */
export function looking({ job, say }: ActionContext) {
  /** Where a change was taken, the place that the dial is for is looked at again. */
  function looksBack(objection: string | null): string | null {
    if (objection === null) job.lookAtMm.value = null
    return objection
  }

  /** Has the dial be for a place of the edge: its arc length from the heel, or over the middle of the jaws (null). */
  const dialForPlace = (dialForMm: number | null) => looksBack(job.change('place that the dial is for', { dialForMm }))

  /**
   * Looks at another place of the edge: its arc length from the heel, or the place that the dial is for (null). That is
   * no change of the job: it is not kept, and there is nothing to undo.
   */
  const lookAt = (fromHeelMm: number | null): void => void (job.lookAtMm.value = fromHeelMm)

  /** Looks at a place that was typed: its arc length from the heel. */
  function lookAtTyped(fromHeelMm: number): string | null {
    const edgeMm = job.edgeMm.value
    if (fromHeelMm < 0 || fromHeelMm > edgeMm + TYPED_BEYOND_MM) return say('beyond-edge', { edgeMm })
    lookAt(Math.min(fromHeelMm, edgeMm))
    return null
  }

  return { looksBack, dialForPlace, lookAt, lookAtTyped }
}

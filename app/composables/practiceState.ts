import { readContent, renamed, type Migration, type Raw } from '#core/schema/versioned'
import { ENTRIES, type InkLookEntry } from '#core/log/entry'
import type { HiddenBladeAsk } from '#core/simulation/standIn/hiddenBlade'
import { useKeptForm } from '~/forms/useKeptForm'
import type { Job } from '#core/records/job/job'
import type { JobView } from '~/job/view'

/** A practice that was begun. */
export interface PracticeBegun {
  /** Its hidden blade, as it was asked for. */
  readonly blade: HiddenBladeAsk
  /** What was dialled for the blade in the jaws. */
  readonly dialled: Job['dialled']
}

/** A practice that an earlier version began, its blade and its looks in the words of today. */
const migratePractice: Migration = (form) => ({
  ...form,
  begun: (Array.isArray(form.begun) ? (form.begun as Raw[]) : []).map((one) => ({
    ...one,
    blade: renamed({ setDoubtDeg: 'setUncertaintyDeg' })((one.blade ?? {}) as Raw),
  })),
  looks: (Array.isArray(form.looks) ? (form.looks as Raw[]) : []).flatMap((content) => {
    const read = readContent(ENTRIES['ink-look'], 1, content)
    return read.ok ? [read.content] : []
  }),
})

/**
 * A practice that goes on in a job: its looks are no looks at the blade in the jaws and never get into the log. Kept
 * until it is ended; `begun` is empty where none goes on.
 */
export const practiceState = (job: JobView) =>
  useKeptForm(
    `practice:${job.id}`,
    () => ({
      begun: [] as PracticeBegun[],
      looks: [] as InkLookEntry[],
      /** Light passes that were made, and which of them each look tells of, by the look's id. */
      passes: 0,
      passOf: {} as Record<string, number>,
    }),
    undefined,
    [migratePractice],
  )

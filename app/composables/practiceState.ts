import { rawListOf, rawOf, readContent, renamed, type Migration } from '#core/schema/versioned'
import { ENTRIES, type InkLookEntry } from '#core/log/entry'
import type { HiddenBladeAsk } from '#core/simulation/standIn/hiddenBlade'
import { useForm } from '~/forms/useForm'
import type { Job } from '#core/records/job/job'
import type { JobView } from '~/job/view'

/** A practice that was begun. */
export interface PracticeBegun {
  /** Its hidden blade, as it was asked for. */
  readonly blade: HiddenBladeAsk
  /** What was dialled for the blade in the jaws. */
  readonly dialled: Job['dialled']
}

interface PracticeForm {
  begun: PracticeBegun[]
  looks: InkLookEntry[]
  /** Light passes that were made. */
  passes: number
  /** Which of the passes each look tells of, by the look's id. */
  passOf: Record<string, number>
}

/** A practice that an earlier version began: its blade in the words of today. */
const migrateBlade: Migration = (form) => ({
  ...form,
  begun: rawListOf(form.begun).map((one) => ({
    ...one,
    blade: renamed({ setDoubtDeg: 'setUncertaintyDeg' })(rawOf(one.blade)),
  })),
})
/** Its looks, of whichever version before this one, as they are written today: the first migration fits both. */
const migrateLooks: Migration = (form) => ({
  ...form,
  looks: rawListOf(form.looks).flatMap((content) => {
    const read = readContent(ENTRIES['ink-look'], 1, content)
    return read.ok ? [read.content] : []
  }),
})

/**
 * A practice that goes on in a job: its looks are no looks at the blade in the jaws and never get into the log. Kept
 * until it is ended; `begun` is empty where none goes on.
 */
export const practiceState = (job: JobView) =>
  useForm<PracticeForm>(`practice:${job.id}`, () => ({ begun: [], looks: [], passes: 0, passOf: {} }), undefined, [
    migrateBlade,
    migrateLooks,
  ])

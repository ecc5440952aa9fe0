import { computed } from 'vue'
import { byTime } from '#core/log/activeEntries'
import type { EntryKind, LogEntry } from '#core/log/entry'
import { sharpeningsOf } from '#core/use/sharpenings'
import { startingAngle } from '#core/use/startingAngle'
import { useJob } from '~/job/useJob'
import type { JobView } from '~/job/view'
import { useLog } from '~/stores/log'
import { usePreferences } from '~/stores/preferences'

/** What tells how a blade was sharpened, and what became of it. */
const KINDS = ['proof', 'strokes', 'put-to-use', 'outcome', 'sharpness'] as const satisfies EntryKind[]

/** The sharpenings of this job's blade, on whatever job; and the range to begin with, unless tables are distrusted. */
export const useSharpenings = () => useJob().share(sharpenings)

function sharpenings(job: JobView) {
  const log = useLog()
  const preferences = usePreferences()
  const ofBlade = computed(() => {
    const { bladeId } = job.content.value
    const entries = KINDS.flatMap((kind): readonly LogEntry[] => log.ofKind(kind))
    return sharpeningsOf(entries.filter((one) => one.bladeId === bladeId).sort(byTime), job.blade.value)
  })
  const starting = computed(() => (preferences.current.startingRanges ? startingAngle(job.blade.value) : null))
  return { sharpenings: ofBlade, starting }
}

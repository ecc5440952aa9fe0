import { computed } from 'vue'
import { byTime } from '#core/log/activeEntries'
import type { LogEntry } from '#core/log/entry'
import { steelStrokes } from '#core/log/steelStrokes'
import { useJob } from '~/job/useJob'
import { useLog } from '~/stores/log'

/** What tells of the bevel that earlier jobs left on a blade. */
const KINDS = ['proof', 'strokes', 'bevel-width'] as const

/** The active entries of other jobs with this blade from before it was first ground on this one, oldest first. */
export function useEarlierOfBlade() {
  const job = useJob()
  const log = useLog()
  return computed((): LogEntry[] => {
    if (job.practising) return []
    const ground = steelStrokes(job.entriesOfBlade.value)[0]?.at ?? null
    return KINDS.flatMap((kind): readonly LogEntry[] => log.ofKind(kind))
      .filter(({ bladeId, jobId }) => bladeId === job.content.value.bladeId && jobId !== job.id)
      .filter(({ at }) => ground === null || at < ground)
      .sort(byTime)
  })
}

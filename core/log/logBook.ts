import { byTime, isActive } from './activeEntries'
import type { LogEntry } from './entry'

/** The lists that an entry stands in: of its job, and of its kind. */
export const jobList = (jobId: string): string => `job:${jobId}`
export const kindList = (kind: LogEntry['kind']): string => `kind:${kind}`
const listsOf = (entry: LogEntry): string[] => [kindList(entry.kind), ...(entry.jobId ? [jobList(entry.jobId)] : [])]

/**
 * A log that grows. The active entries stand in lists by job and by kind, each oldest first; adding one costs as much
 * with a hundred thousand others as with twenty, as long as it is newer than those in its lists.
 */
export function logBook() {
  const known = new Map<string, LogEntry>()
  const retractions = new Map<string, string[]>()
  const lists = new Map<string, LogEntry[]>()

  /** Adds entries; those that are known already stay as they are. Answers the lists that are others than before. */
  function add(entries: readonly LogEntry[]): ReadonlySet<string> {
    const [changed, unsorted] = [new Set<string>(), new Set<string>()]
    for (const entry of entries) {
      if (known.has(entry.id)) continue
      known.set(entry.id, entry)
      if (entry.kind === 'retraction') {
        retractions.set(entry.entryId, [...(retractions.get(entry.entryId) ?? []), entry.id])
        judge(entry.entryId)
      }
      judge(entry.id)
    }
    for (const name of unsorted) lists.get(name)?.sort(byTime)
    return changed

    /** Puts an entry into its lists or takes it out. Of a retraction: what it retracts, and so on. */
    function judge(id: string, seen: readonly string[] = []) {
      const entry = known.get(id)
      if (!entry || seen.includes(id)) return
      if (entry.kind === 'retraction') return judge(entry.entryId, [...seen, id])
      const holds = isActive(id, retractions)
      for (const name of listsOf(entry)) {
        const list = lists.get(name) ?? []
        lists.set(name, list)
        const last = list.at(-1)
        const isNewest = !unsorted.has(name) && last !== undefined && byTime(entry, last) > 0
        const at = isNewest ? -1 : list.indexOf(entry)
        if (holds === at >= 0) continue
        changed.add(name)
        if (!holds) list.splice(at, 1)
        else {
          if (last && byTime(entry, last) < 0) unsorted.add(name)
          list.push(entry)
        }
      }
    }
  }

  return {
    add,
    /** The active entries of a list, oldest first; a list of its own, which stays as it is. */
    list: (name: string): readonly LogEntry[] => [...(lists.get(name) ?? [])],
  }
}

import { z } from 'zod'
import { rawOf } from '../../schema/versioned'
import type { Backup } from '../backup/backup'
import { RECORD_KINDS } from '../../records/storage/kinds'

/** So many of the newest are kept; beyond them one of each day for so long, and one of each month. */
const SNAPSHOTS = { newest: 10, days: 30 } as const
const DAY_MS = 24 * 3600_000

/**
 * Which of several snapshots are kept by their age (UTC): the last ten, the last of each day for a month before the
 * newest, and the last of each month.
 */
export function keptSnapshots(taken: readonly Date[]): Set<Date> {
  const newestFirst = [...taken].sort((a, b) => b.getTime() - a.getTime())
  const kept = new Set(newestFirst.slice(0, SNAPSHOTS.newest))
  const newest = newestFirst[0]?.getTime() ?? 0
  const [days, months] = [new Set<string>(), new Set<string>()]
  for (const at of newestFirst) {
    const [day, month] = [at.toISOString().slice(0, 10), at.toISOString().slice(0, 7)]
    if (!days.has(day) && newest - at.getTime() <= SNAPSHOTS.days * DAY_MS) kept.add(at)
    if (!months.has(month)) kept.add(at)
    days.add(day)
    months.add(month)
  }
  return kept
}

/** What is shown of a snapshot. */
export const listedSnapshot = z.object({ name: z.string(), at: z.iso.datetime(), bytes: z.number() })
export type ListedSnapshot = z.infer<typeof listedSnapshot>

/** What is in a snapshot: how many of each kind, entries of the log, and the names of its jobs. */
export const lookedInto = z.object({
  counts: z.record(z.string(), z.number()),
  entries: z.number(),
  jobs: z.array(z.string()),
})
export type LookedInto = z.infer<typeof lookedInto>

/** A snapshot as it is looked into. */
export function lookInto({ things, log }: Backup): LookedInto {
  const nameOf = (content: unknown) => rawOf(content).name
  return {
    counts: Object.fromEntries(RECORD_KINDS.map((kind) => [kind, things[kind].length])),
    entries: log.length,
    jobs: things.jobs.flatMap(({ content }) => {
      const name = nameOf(content)
      return typeof name === 'string' ? [name] : []
    }),
  }
}

import { computed, shallowRef } from 'vue'
import { aroundJob, jobPage, LISTED_AT_ONCE, type JobPage } from '#core/exchange/api/lists'
import type { JobRecord } from '#core/records/storage/kinds'
import { ask, type Answer } from '~/saving/api'
import { queryOf, type AskedPart, type Known } from './known'
import type { useLog } from './log'

/** A job opens without what bears on it rather than wait longer. */
const AROUND_WITHIN_MS = 5000

/** The jobs, with what happened on them: thousands of them, fetched in parts as they are asked for. */
interface ListedPart {
  readonly ids: readonly string[]
  readonly shown: number
  readonly total: number
  readonly elsewhere: number
  readonly next: string | null
}

export function jobList(known: Known, log: ReturnType<typeof useLog>) {
  const { all, unreadable, problem } = known
  /** The part of their list that is shown: so many, of so many on the bench, and what comes next. */
  const bench = shallowRef<ListedPart>({ ids: [], shown: LISTED_AT_ONCE, total: 0, elsewhere: 0, next: null })
  const fetchPart = (asked: AskedPart) => ask(jobPage, `/api/jobs?${queryOf(asked)}`)
  /** Jobs that were found in a part of their list, with what happened on them. */
  function learnPage(page: JobPage, replaced = false) {
    log.learn(page.log)
    known.learn('blades', page.blades, replaced)
    known.learn('jobs', page.records, replaced)
    const there = new Set(unreadable.value.map(({ id }) => id))
    unreadable.value = [...unreadable.value, ...page.unreadable.filter(({ id }) => !there.has(id))]
  }
  /** The first part of the list, or the next one, is shown. */
  function show(page: JobPage, first: boolean, replaced = false) {
    learnPage(page, replaced)
    const before = first ? [] : bench.value.ids
    const ids = [...new Set([...before, ...page.records.map(({ id }) => id)])]
    const { total, elsewhere, next } = page
    bench.value = { ids, shown: Math.max(LISTED_AT_ONCE, ids.length), total, elsewhere, next }
  }
  /** Shows more of the jobs on the bench. */
  async function showMore() {
    const page = await fetchPart({ from: bench.value.next })
    if (page.ok) show(page.value, false)
    else problem.value = page.problem
  }
  /** Jobs in which words are found, or that are off the bench. */
  async function find(asked: AskedPart): Promise<Answer<JobPage>> {
    const page = await fetchPart(asked)
    if (page.ok) learnPage(page.value)
    return page
  }
  /** What bears on a job, or on one that is to be, comes to be known. */
  async function learnAround(of: { jobId?: string; rigId: string; bladeId: string }): Promise<void> {
    const path = `/api/around?${new URLSearchParams(of).toString()}`
    const answer = await ask(aroundJob, path, 'GET', undefined, AROUND_WITHIN_MS)
    if (!answer.ok) return
    log.learn(answer.value.log)
    known.learn('blades', answer.value.blades)
    known.learn('jobs', answer.value.jobs)
  }
  /** One was kept, put away or put back: what is begun here is shown whatever part of the list it is in. */
  function noted({ id, archivedAt }: JobRecord, by: number) {
    const { ids, total, ...rest } = bench.value
    const others = ids.filter((other) => other !== id)
    bench.value = { ...rest, ids: archivedAt === null ? [id, ...others] : others, total: total + by }
  }

  /** Those that are known by the time of their last change, newest first. */
  const byTime = computed(() => [...all.value.jobs].sort((a, b) => b.updatedAt.localeCompare(a.updatedAt)))
  /** Those on the bench that are shown. */
  const recent = computed(() => {
    const shown = new Set(bench.value.ids)
    return byTime.value.filter((job) => job.archivedAt === null && shown.has(job.id))
  })
  return { bench, fetchPart, show, showMore, find, learnAround, noted, byTime, recent }
}

import { defineStore } from 'pinia'
import { computed, ref, shallowRef } from 'vue'
import { z } from 'zod'
import { doneWith } from '#core/card/sameAgain'
import { startingCard } from '#core/card/starting'
import {
  aroundJob,
  bladePage,
  jobPage,
  LISTED_AT_ONCE,
  MOST_NAMED_AT_ONCE,
  type BladePage,
  type JobPage,
} from '#core/kept/lists'
import { rigVersion, type RigVersion } from '#core/kept/rigVersion'
import { collectionOf, type Unreadable } from '#core/kept/stored'
import {
  keptSchema,
  THING_KINDS,
  type Kept,
  type KeptBlade,
  type KeptInstrument,
  type KeptJob,
  type KeptRig,
  type KeptStone,
  type ThingKind,
} from '#core/kept/things'
import type { Problem } from '#core/problem/problem'
import { ask, type Answer } from '~/saving/api'
import { useLog } from './log'

/** A box of stones is sorted as it is worked through. */
const coarseToFine = (stones: KeptStone[]): KeptStone[] => [...stones].sort((one, other) => other.grainUm - one.grainUm)

const MOST_NAME = 120
/** A job opens without what bears on it rather than wait longer. */
const AROUND_WITHIN_MS = 5000
/** What a number behind a name takes at most. */
const ROOM_FOR_NUMBER = 6

/** What is described by its measures. */
export type Tool = Exclude<ThingKind, 'jobs'>

/** What there are few of is fetched whole. */
type Few = Exclude<Tool, 'blades'>
const FEW = THING_KINDS.filter((kind): kind is Few => kind !== 'jobs' && kind !== 'blades')

/** A part of the jobs or the blades, on the bench or the shelf unless they are to be those put away. */
export interface AskedPart {
  readonly away?: boolean
  readonly search?: string
  readonly from?: string | null
  readonly limit?: number
}

/** Blades as they were fetched again; `asked`: which were known before. */
interface KnownBlades {
  readonly asked: readonly string[]
  readonly things: KeptBlade[]
  readonly unreadable: Unreadable[]
}

export const isThingKind = (name: string): name is ThingKind => (THING_KINDS as readonly string[]).includes(name)

type All = { [K in ThingKind]: Kept<K>[] }

/** What was asked for as a query, without what was left open. */
const queryOf = (asked: AskedPart): string => {
  const said = Object.entries(asked).filter(([, value]) => value !== null && value !== undefined && value !== '')
  return new URLSearchParams(said.map(([name, value]) => [name, String(value)])).toString()
}
/** What is known with what came; an answer that was on its way while something newer was kept takes nothing back. */
function merged<T extends { id: string; revision: number }>(
  known: readonly T[],
  came: readonly T[],
  replaced: boolean,
) {
  const all = new Map(known.map((one) => [one.id, one]))
  for (const one of came) if (replaced || (all.get(one.id)?.revision ?? 0) <= one.revision) all.set(one.id, one)
  return [...all.values()]
}

/**
 * The rigs, stones and instruments the user owns, those put away too; and of the jobs and the blades those that were
 * asked for: the last ones, and what bears on a job that is open.
 */
export const useCollections = defineStore('collections', () => {
  const log = useLog()
  const all = shallowRef<All>({ rigs: [], blades: [], stones: [], jobs: [], instruments: [] })
  /** What lies on the disk and cannot be read by this version. */
  const unreadable = shallowRef<Unreadable[]>([])
  /** What rigs were before they were measured anew. */
  const rigVersions = shallowRef<RigVersion[]>([])
  const loaded = ref(false)
  const problem = shallowRef<Problem | null>(null)

  const rigs = computed<KeptRig[]>(() => all.value.rigs)
  const blades = computed<KeptBlade[]>(() => all.value.blades)
  const stones = computed<KeptStone[]>(() => coarseToFine(all.value.stones))
  const jobs = computed<KeptJob[]>(() => all.value.jobs)
  const instruments = computed<KeptInstrument[]>(() => all.value.instruments)

  /**
   * Fetches the tools and the jobs that are shown first. Again, behind a page that stands: what cannot be fetched then
   * stays as it was, unsaid. `replaced`: an earlier state may have been put in the place of what is known.
   */
  async function load(again = false, replaced = false) {
    const [listed, blades, page, versions, counted] = await Promise.all([
      Promise.all(FEW.map(fetchTools)),
      fetchKnownBlades(),
      fetchJobs({ limit: again ? bench.value.shown : LISTED_AT_ONCE }),
      ask(z.array(rigVersion), '/api/rig-versions'),
      ask(z.object({ count: z.number() }), '/api/samples'),
    ])
    const failed = [...listed, blades, page, versions, counted].find((answer) => !answer.ok)
    if (again && failed) return
    const next = { ...all.value }
    const harmed: Unreadable[] = []
    listed.forEach((answer, i) => {
      if (!answer.ok) return
      next[FEW[i]!] = answer.value.things as never
      harmed.push(...answer.value.unreadable)
    })
    if (blades.ok) {
      next.blades = bladesWith(blades.value, replaced)
      harmed.push(...blades.value.unreadable)
    }
    // All that was known of the jobs may have changed.
    if (!again) next.jobs = []
    all.value = next
    unreadable.value = harmed
    if (page.ok) takeBench(page.value, true, replaced)
    if (versions.ok) rigVersions.value = versions.value
    if (counted.ok) samples.value = counted.value.count
    problem.value = failed && !failed.ok ? failed.problem : null
    loaded.value = !failed
  }

  // Archived things are fetched too: a job goes on with what it was begun with, and a clamp card comes back.
  const fetchTools = (kind: Few) =>
    ask(collectionOf(kind) as z.ZodType<{ things: unknown[]; unreadable: Unreadable[] }>, `/api/${kind}?archived=true`)
  /** Fetches one collection again, of the jobs the part that is shown; what cannot be fetched stays as it was. */
  async function reload(kind: ThingKind): Promise<void> {
    if (kind === 'jobs') {
      const page = await fetchJobs({ limit: bench.value.shown })
      if (page.ok) takeBench(page.value, true)
      return
    }
    const listed = kind === 'blades' ? await fetchKnownBlades() : await fetchTools(kind)
    if (!listed.ok) return
    if (kind === 'rigs') await loadRigVersions()
    const { things } = listed.value
    all.value = { ...all.value, [kind]: 'asked' in listed.value ? bladesWith(listed.value as KnownBlades) : things }
    unreadable.value = [...unreadable.value.filter((one) => one.kind !== kind), ...listed.value.unreadable]
  }

  /** How many blades there are in use, and how often those that are listed changed. */
  const bladesInUse = ref(0)
  const bladesChanged = ref(0)
  /** The blades that are known, and those that were in hand last, as they are now. */
  async function fetchKnownBlades(): Promise<Answer<KnownBlades>> {
    const ids = all.value.blades.map(({ id }) => id)
    const chunks = Array.from({ length: Math.ceil(ids.length / MOST_NAMED_AT_ONCE) }, (_, i) =>
      ids.slice(i * MOST_NAMED_AT_ONCE, (i + 1) * MOST_NAMED_AT_ONCE),
    )
    const [first, ...known] = await Promise.all([fetchBlades({}), ...chunks.map(fetchNamedBlades)])
    const failed = [first, ...known].find((answer) => !answer.ok)
    if (failed && !failed.ok) return failed
    const listed = [first, ...known].flatMap((answer) => (answer.ok ? answer.value : []))
    bladesChanged.value++
    return {
      ok: true,
      value: {
        asked: ids,
        things: [...new Map(listed.flatMap(({ things }) => things).map((one) => [one.id, one])).values()],
        unreadable: [...new Map(listed.flatMap((of) => of.unreadable).map((one) => [one.id, one])).values()],
      },
    }
  }
  /** What is known of the blades with what was fetched again: those that are no more are forgotten. */
  function bladesWith(fetched: KnownBlades, replaced = false): KeptBlade[] {
    const there = new Set(fetched.things.map(({ id }) => id))
    const gone = new Set(fetched.asked.filter((id) => !there.has(id)))
    const left = all.value.blades.filter(({ id }) => !gone.has(id))
    return merged(left, fetched.things, replaced)
  }
  const fetchNamedBlades = (ids: readonly string[]) =>
    ask(
      collectionOf('blades') as unknown as z.ZodType<{ things: KeptBlade[]; unreadable: Unreadable[] }>,
      `/api/blades?ids=${ids.join(',')}`,
    )
  async function fetchBlades(asked: AskedPart): Promise<Answer<BladePage>> {
    const page = await ask(bladePage, `/api/blades?${queryOf(asked)}`)
    if (page.ok && !asked.away && !asked.search) bladesInUse.value = page.value.total
    return page
  }
  /** A part of the blades: those in hand last, those in which words are found, or those put away. */
  async function findBlades(asked: AskedPart): Promise<Answer<BladePage>> {
    const page = await fetchBlades(asked)
    if (page.ok) noteAll('blades', page.value.things)
    return page
  }
  /** A blade that is named comes to be known; null where there is none that can be read. */
  async function learnBlade(id: string): Promise<Answer<KeptBlade | null>> {
    const known = () => all.value.blades.find((one) => one.id === id) ?? null
    if (known()) return { ok: true, value: known() }
    const named = await fetchNamedBlades([id])
    if (!named.ok) return named
    noteAll('blades', named.value.things)
    return { ok: true, value: known() }
  }

  /** The part of the list of jobs that is shown: so many, of so many on the bench, and what comes next. */
  const bench = shallowRef({
    ids: [] as readonly string[],
    shown: LISTED_AT_ONCE,
    total: 0,
    elsewhere: 0,
    next: null as string | null,
  })
  const fetchJobs = (asked: AskedPart) => ask(jobPage, `/api/jobs?${queryOf(asked)}`)
  /** Jobs that were found in a part of their list, with what happened on them. */
  function learnJobs(page: JobPage, replaced = false) {
    log.learn(page.log)
    noteAll('blades', page.blades, replaced)
    noteAll('jobs', page.things, replaced)
    const known = new Set(unreadable.value.map(({ id }) => id))
    unreadable.value = [...unreadable.value, ...page.unreadable.filter(({ id }) => !known.has(id))]
  }
  function takeBench(page: JobPage, first: boolean, replaced = false) {
    learnJobs(page, replaced)
    const before = first ? [] : bench.value.ids
    const ids = [...new Set([...before, ...page.things.map(({ id }) => id)])]
    const { total, elsewhere, next } = page
    bench.value = { ids, shown: Math.max(LISTED_AT_ONCE, ids.length), total, elsewhere, next }
  }
  /** Shows more of the jobs on the bench. */
  async function showMore() {
    const page = await fetchJobs({ from: bench.value.next })
    if (page.ok) takeBench(page.value, false)
    else problem.value = page.problem
  }
  /** Jobs in which words are found, or that are off the bench. */
  async function findJobs(asked: AskedPart): Promise<Answer<JobPage>> {
    const page = await fetchJobs(asked)
    if (page.ok) learnJobs(page.value)
    return page
  }

  /** What bears on a job, or on one that is to be, comes to be known. */
  async function learnAround(of: { jobId?: string; rigId: string; bladeId: string }): Promise<void> {
    const path = `/api/around?${new URLSearchParams(of).toString()}`
    const answer = await ask(aroundJob, path, 'GET', undefined, AROUND_WITHIN_MS)
    if (!answer.ok) return
    log.learn(answer.value.log)
    noteAll('blades', answer.value.blades)
    noteAll('jobs', answer.value.jobs)
  }

  /** A job that was fetched comes to be known. */
  const learn = (job: KeptJob) => noteAll('jobs', [job])

  /** The jobs that are known by the time of their last change, newest first. */
  const jobsByTime = computed(() => [...jobs.value].sort((a, b) => b.updatedAt.localeCompare(a.updatedAt)))
  /** Those on the bench that are shown. */
  const recentJobs = computed(() => {
    const shown = new Set(bench.value.ids)
    return jobsByTime.value.filter((job) => job.archivedAt === null && shown.has(job.id))
  })
  const usable = <T extends { archivedAt: string | null }>(things: readonly T[]) =>
    things.filter((one) => one.archivedAt === null)
  const canStart = computed(
    () => bladesInUse.value > 0 && [rigs, stones].every((those) => usable<Kept<Tool>>(those.value).length > 0),
  )

  /** The last job with a blade, on a rig that is still in use; undefined for a blade that is new here. */
  const lastWith = (bladeId: string): KeptJob | undefined =>
    jobsByTime.value.find((job) => job.bladeId === bladeId && usable(rigs.value).some((rig) => rig.id === job.rigId))

  /** A name that no other job has: that of the blade, with a number where it is taken. */
  async function freeName(name: string): Promise<string> {
    const beginning = encodeURIComponent(name.slice(0, MOST_NAME - ROOM_FOR_NUMBER))
    const names = await ask(z.array(z.string()), `/api/job-names?beginning=${beginning}`)
    const taken = new Set([...jobs.value.map((job) => job.name), ...(names.ok ? names.value : [])])
    for (let n = 1; ; n++) {
      const behind = n === 1 ? '' : `, ${n}`
      const one = `${name.slice(0, MOST_NAME - behind.length)}${behind}`
      if (!taken.has(one)) return one
    }
  }

  /** A new job with a blade: with rig, stone and hold as in the last one with it, else with those of the last job. */
  async function startJob(bladeId: string): Promise<KeptJob | null> {
    const named = await learnBlade(bladeId)
    if (!named.ok) problem.value = named.problem
    const blade = named.ok ? named.value : null
    if (rigs.value[0]) await learnAround({ rigId: rigs.value[0].id, bladeId })
    const last = lastWith(bladeId) ?? recentJobs.value[0]
    const lastOr = <T extends Kept<Tool>>(things: readonly T[], id: string | undefined): T | undefined =>
      usable(things).find((one) => one.id === id) ?? usable(things)[0]
    const rig = lastOr(rigs.value, last?.rigId)
    const stone = lastOr(stones.value, last?.stoneId)
    if (!rig || !stone || !blade) return null
    const begun = startingCard(
      { rig, blade, stone },
      doneWith(jobsByTime.value, { rigId: rig.id, bladeId })[0] ?? null,
      {
        jawsName: null,
        progression: [],
        wanted: { deg: { A: 20, B: 20 }, linked: true, why: '' },
      },
    )
    const content = {
      name: await freeName(blade.name),
      rigId: rig.id,
      rigRevision: rig.revision,
      bladeId,
      stoneId: stone.id,
      ...begun,
    }
    return noted('jobs', await ask(keptSchema('jobs'), '/api/jobs', 'POST', content))
  }

  /** Takes a job off the bench, or puts it back. */
  const shelve = async (job: KeptJob, away: boolean): Promise<KeptJob | null> =>
    noted('jobs', await putAway('jobs', job, away))

  /** What was answered, with the list brought up to it; or null with the problem told. */
  function noted<K extends ThingKind>(kind: K, answer: Answer<Kept<K>>): Kept<K> | null {
    if (answer.ok) note(kind, answer.value)
    else problem.value = answer.problem
    return answer.ok ? answer.value : null
  }

  /** Keeps what is described: new, or changed from what it was. The answer says what is stored, or why not. */
  async function keep<K extends Tool>(kind: K, content: object, from: Kept<K> | null): Promise<Answer<Kept<K>>> {
    const answer = from
      ? await ask(keptSchema(kind), `/api/${kind}/${from.id}`, 'PUT', { ...content, revision: from.revision })
      : await ask(keptSchema(kind), `/api/${kind}`, 'POST', content)
    if (answer.ok) await noteKept(kind, answer.value)
    return answer
  }

  /** Puts a thing away, or back. */
  async function putAway<K extends ThingKind>(kind: K, thing: Kept<K>, away: boolean): Promise<Answer<Kept<K>>> {
    const path = `/api/${kind}/${thing.id}/${away ? 'archive' : 'restore'}`
    const answer = await ask(keptSchema(kind), path, 'POST', { revision: thing.revision })
    if (answer.ok) await noteKept(kind, answer.value)
    return answer
  }

  async function noteKept<K extends ThingKind>(kind: K, thing: Kept<K>) {
    // What a rig was before first: jobs that were done with it go on with that.
    if (kind === 'rigs') await loadRigVersions()
    note(kind, thing)
  }

  function note<K extends ThingKind>(kind: K, thing: Kept<K>) {
    const before = (all.value[kind] as Kept<K>[]).find((one) => one.id === thing.id)
    noteAll(kind, [thing])
    const [was, is] = [before?.archivedAt === null, thing.archivedAt === null]
    if (kind === 'blades') {
      bladesInUse.value += Number(is) - Number(was)
      bladesChanged.value++
    }
    if (kind !== 'jobs') return
    // What is begun here, or put back, is shown whatever part of the list it is in.
    const { ids, total, ...rest } = bench.value
    const others = ids.filter((id) => id !== thing.id)
    bench.value = { ...rest, ids: is ? [thing.id, ...others] : others, total: total + Number(is) - Number(was) }
  }
  function noteAll<K extends ThingKind>(kind: K, things: readonly Kept<K>[], replaced = false) {
    all.value = { ...all.value, [kind]: merged(all.value[kind] as Kept<K>[], things, replaced) }
  }

  async function loadRigVersions() {
    const answer = await ask(z.array(rigVersion), '/api/rig-versions')
    if (answer.ok) rigVersions.value = answer.value
  }

  /** A rig as it was at a revision; as it is where that is not known. */
  function rigAt(rigId: string, revision: number | null): KeptRig | null {
    const now = rigs.value.find((one) => one.id === rigId)
    if (!now || revision === null || revision === now.revision) return now ?? null
    const then = rigVersions.value.find((one) => one.rigId === rigId && one.revision === revision)
    return then ? { ...now, ...then.content, revision } : now
  }

  /** What a rig, a blade, a stone or an instrument is called. */
  const nameOf = (id: string): string =>
    [...rigs.value, ...blades.value, ...stones.value, ...instruments.value].find((one) => one.id === id)?.name ??
    'one that is not here'

  /** Keeps the list in step with a job that was saved. */
  const noteSaved = (job: KeptJob) => note('jobs', job)

  /** How many of what is here are samples. */
  const samples = ref(0)
  async function plantSamples(): Promise<void> {
    const answer = await ask(z.object({ ok: z.literal(true) }), '/api/samples', 'POST', {})
    await load()
    if (!answer.ok) problem.value = answer.problem
  }
  /** Takes all samples away that no own job goes on with; answers how to bring them back, null where it failed. */
  async function removeSamples(): Promise<(() => Promise<void>) | null> {
    // Seldom asked for: not every page carries what reads it.
    const { backup, broughtBack } = await import('#core/kept/backup')
    const answer = await ask(backup, '/api/samples', 'DELETE')
    await load()
    if (!answer.ok) {
      problem.value = answer.problem
      return null
    }
    return async () => {
      const back = await ask(broughtBack, '/api/backup', 'POST', answer.value)
      await load()
      if (!back.ok) problem.value = back.problem
    }
  }

  /** Whether another thing of the kind has the same name. */
  const isTwin = (kind: ThingKind, { id, name }: { id: string; name: string }): boolean =>
    all.value[kind].some((one) => one.id !== id && one.name === name)

  return {
    rigs,
    blades,
    stones,
    jobs,
    instruments,
    unreadable,
    bench,
    showMore,
    findJobs,
    bladesInUse,
    bladesChanged,
    findBlades,
    learnBlade,
    learn,
    learnAround,
    jobsByTime,
    recentJobs,
    canStart,
    loaded,
    problem,
    load,
    reload,
    startJob,
    shelve,
    noteSaved,
    keep,
    putAway,
    rigAt,
    nameOf,
    samples,
    plantSamples,
    removeSamples,
    lastWith,
    isTwin,
  }
})

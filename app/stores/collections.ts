import { defineStore } from 'pinia'
import { computed, ref, shallowRef } from 'vue'
import { z } from 'zod'
import { nth } from '#core/math/list'
import { LISTED_AT_ONCE } from '#core/exchange/api/lists'
import { rigVersion, type RigVersion } from '#core/records/storage/rigVersion'
import { collectionOf, type Unreadable } from '#core/records/storage/stored'
import {
  recordSchema,
  type RecordOf,
  type BladeRecord,
  type InstrumentRecord,
  type OwnerRecord,
  type JobRecord,
  type RigRecord,
  type StoneRecord,
  type RecordKind,
} from '#core/records/storage/kinds'
import { ask, type Answer } from '~/saving/api'
import { bladeList, type FetchedBlades } from './bladeList'
import { coarseToFine, jobBeginning } from './jobBeginning'
import { jobList } from './jobList'
import { FEW, knownRecords, type Few, type Tool } from './known'
import { useLog } from './log'
import { sampleRoom } from './sampleRoom'

/**
 * The rigs, stones and instruments the user owns, those put away too; and of the jobs and the blades those that were
 * asked for: the last ones, and what bears on a job that is open.
 */
export const useCollections = defineStore('collections', () => {
  const known = knownRecords()
  const { all, unreadable, problem } = known
  const jobParts = jobList(known, useLog())
  const bladeParts = bladeList(known)
  const beginning = jobBeginning(known, jobParts, bladeParts, (answer) => noted('jobs', answer))
  const { samples, plantSamples, removeSamples } = sampleRoom(known, () => load())
  /** What rigs were before they were measured anew. */
  const rigVersions = shallowRef<RigVersion[]>([])
  const loaded = ref(false)

  const rigs = computed<RigRecord[]>(() => all.value.rigs)
  const blades = computed<BladeRecord[]>(() => all.value.blades)
  const stones = computed<StoneRecord[]>(() => coarseToFine(all.value.stones))
  const jobs = computed<JobRecord[]>(() => all.value.jobs)
  const instruments = computed<InstrumentRecord[]>(() => all.value.instruments)
  const owners = computed<OwnerRecord[]>(() =>
    [...all.value.owners].sort((one, other) => one.name.localeCompare(other.name)),
  )

  /**
   * Fetches the tools and the jobs that are shown first. Again, behind a page that stands: what cannot be fetched then
   * stays as it was, unsaid. `replaced`: an earlier state may have been put in the place of what is known.
   */
  async function load(again = false, replaced = false) {
    const [listed, fetched, page, versions, counted] = await Promise.all([
      Promise.all(FEW.map(fetchTools)),
      bladeParts.fetchKnown(),
      jobParts.fetchPart({ limit: again ? jobParts.bench.value.shown : LISTED_AT_ONCE }),
      ask(z.array(rigVersion), '/api/rig-versions'),
      ask(z.object({ count: z.number() }), '/api/samples'),
    ])
    const failed = [...listed, fetched, page, versions, counted].find((answer) => !answer.ok)
    if (again && failed) return
    const next = { ...all.value }
    const harmed: Unreadable[] = []
    listed.forEach((answer, i) => {
      if (!answer.ok) return
      next[nth(FEW, i)] = answer.value.records as never
      harmed.push(...answer.value.unreadable)
    })
    if (fetched.ok) {
      next.blades = bladeParts.knownWith(fetched.value, replaced)
      harmed.push(...fetched.value.unreadable)
    }
    // All that was known of the jobs may have changed.
    if (!again) next.jobs = []
    all.value = next
    unreadable.value = harmed
    if (page.ok) jobParts.show(page.value, true, replaced)
    if (versions.ok) rigVersions.value = versions.value
    if (counted.ok) samples.value = counted.value.count
    problem.value = failed && !failed.ok ? failed.problem : null
    loaded.value = !failed
  }

  // Archived records are fetched too: a job goes on with what it was begun with, and a clamp card comes back.
  const fetchTools = (kind: Few) => ask(collectionOf(kind), `/api/${kind}?archived=true`)
  /** Fetches one collection again, of the jobs the part that is shown; what cannot be fetched stays as it was. */
  async function reload(kind: RecordKind): Promise<void> {
    if (kind === 'jobs') {
      const page = await jobParts.fetchPart({ limit: jobParts.bench.value.shown })
      if (page.ok) jobParts.show(page.value, true)
      return
    }
    const listed = kind === 'blades' ? await bladeParts.fetchKnown() : await fetchTools(kind)
    if (!listed.ok) return
    if (kind === 'rigs') await loadRigVersions()
    const { records } = listed.value
    const now = 'asked' in listed.value ? bladeParts.knownWith(listed.value as FetchedBlades) : records
    all.value = { ...all.value, [kind]: now }
    unreadable.value = [...unreadable.value.filter((one) => one.kind !== kind), ...listed.value.unreadable]
  }

  /** Keeps what is described: new, or changed from what it was. The answer says what is stored, or why not. */
  async function keep<K extends Tool>(
    kind: K,
    content: object,
    from: RecordOf<K> | null,
  ): Promise<Answer<RecordOf<K>>> {
    const answer = from
      ? await ask(recordSchema(kind), `/api/${kind}/${from.id}`, 'PUT', { ...content, revision: from.revision })
      : await ask(recordSchema(kind), `/api/${kind}`, 'POST', content)
    if (answer.ok) await noteKept(kind, answer.value)
    return answer
  }

  /** Puts a record away, or back. */
  async function putAway<K extends RecordKind>(
    kind: K,
    record: RecordOf<K>,
    away: boolean,
  ): Promise<Answer<RecordOf<K>>> {
    const path = `/api/${kind}/${record.id}/${away ? 'archive' : 'restore'}`
    const answer = await ask(recordSchema(kind), path, 'POST', { revision: record.revision })
    if (answer.ok) await noteKept(kind, answer.value)
    return answer
  }
  /** Takes a job off the bench, or puts it back. */
  const shelve = async (job: JobRecord, away: boolean): Promise<JobRecord | null> =>
    noted('jobs', await putAway('jobs', job, away))

  async function noteKept<K extends RecordKind>(kind: K, record: RecordOf<K>) {
    // Its blades name it by the name that it has now.
    if (kind === 'owners') await reload('blades')
    // What a rig was before first: jobs that were done with it go on with that.
    if (kind === 'rigs') await loadRigVersions()
    note(kind, record)
  }
  const listOf = <K extends RecordKind>(kind: K) => all.value[kind] as RecordOf<K>[]
  function note<K extends RecordKind>(kind: K, record: RecordOf<K>) {
    const before = listOf(kind).find((one) => one.id === record.id)
    known.learn(kind, [record])
    const by = Number(record.archivedAt === null) - Number(before?.archivedAt === null)
    if (kind === 'blades') bladeParts.noted(by)
    const job = kind === 'jobs' && all.value.jobs.find(({ id }) => id === record.id)
    if (job) jobParts.noted(job, by)
  }
  /** What was answered, with the list brought up to it; or null with the problem told. */
  function noted<K extends RecordKind>(kind: K, answer: Answer<RecordOf<K>>): RecordOf<K> | null {
    if (answer.ok) note(kind, answer.value)
    else problem.value = answer.problem
    return answer.ok ? answer.value : null
  }

  async function loadRigVersions() {
    const answer = await ask(z.array(rigVersion), '/api/rig-versions')
    if (answer.ok) rigVersions.value = answer.value
  }
  /** A rig as it was at a revision; as it is where that is not known. */
  function rigAt(rigId: string, revision: number | null): RigRecord | null {
    const now = rigs.value.find((one) => one.id === rigId)
    if (!now || revision === null || revision === now.revision) return now ?? null
    const then = rigVersions.value.find((one) => one.rigId === rigId && one.revision === revision)
    return then ? { ...now, ...then.content, revision } : now
  }

  /** What a rig, a blade, a stone or an instrument is called. */
  const nameOf = (id: string): string =>
    [...rigs.value, ...blades.value, ...stones.value, ...instruments.value].find((one) => one.id === id)?.name ??
    'one that is not here'
  /** Whether another thing of the kind has the same name. */
  const isTwin = (kind: RecordKind, { id, name }: { id: string; name: string }): boolean =>
    all.value[kind].some((one) => one.id !== id && one.name === name)

  return {
    rigs,
    blades,
    stones,
    jobs,
    instruments,
    owners,
    /** What rigs were before they were measured anew. */
    rigVersions,
    /** Those of a kind that are known. */
    listOf,
    unreadable,
    problem,
    loaded,
    load,
    reload,
    keep,
    putAway,
    rigAt,
    nameOf,
    isTwin,
    bladesInUse: bladeParts.inUse,
    bladesChanged: bladeParts.changed,
    findBlades: bladeParts.find,
    learnBlade: bladeParts.learnOne,
    bench: jobParts.bench,
    showMore: jobParts.showMore,
    findJobs: jobParts.find,
    learnAround: jobParts.learnAround,
    jobsByTime: jobParts.byTime,
    recentJobs: jobParts.recent,
    /** A job that was fetched comes to be known. */
    learn: (job: JobRecord) => known.learn('jobs', [job]),
    /** Keeps the list in step with a job that was saved. */
    noteSaved: (job: JobRecord) => note('jobs', job),
    shelve,
    canStart: beginning.canStart,
    lastWith: beginning.lastWith,
    startJob: beginning.startJob,
    samples,
    plantSamples,
    removeSamples,
  }
})

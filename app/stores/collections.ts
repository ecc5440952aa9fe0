import { defineStore } from 'pinia'
import { computed, ref, shallowRef } from 'vue'
import { z } from 'zod'
import { doneWith } from '#core/card/sameAgain'
import { startingCard } from '#core/card/starting'
import { rigVersion, type RigVersion } from '#core/kept/rigVersion'
import { isSample } from '#core/kept/samples'
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

/** A box of stones is sorted as it is worked through. */
const coarseToFine = (stones: KeptStone[]): KeptStone[] => [...stones].sort((one, other) => other.grainUm - one.grainUm)

const MOST_NAME = 120

/** What is described by its measures. */
export type Tool = Exclude<ThingKind, 'jobs'>

type All = { [K in ThingKind]: Kept<K>[] }

/** The rigs, blades, stones and instruments the user owns, and the jobs on the bench; those put away too. */
export const useCollections = defineStore('collections', () => {
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

  /** Fetches everything. Again, behind a page that stands: what cannot be fetched then stays as it was, unsaid. */
  async function load(again = false) {
    const listed = await Promise.all(
      // Archived things are loaded too: a job goes on with what it was begun with, and a clamp card comes back.
      THING_KINDS.map((kind) =>
        ask(
          collectionOf(kind) as z.ZodType<{ things: unknown[]; unreadable: Unreadable[] }>,
          `/api/${kind}?archived=true`,
        ),
      ),
    )
    const versions = await ask(z.array(rigVersion), '/api/rig-versions')
    const failed = [...listed, versions].find((answer) => !answer.ok)
    if (again && failed) return
    const next = { ...all.value }
    const harmed: Unreadable[] = []
    listed.forEach((answer, i) => {
      if (!answer.ok) return
      next[THING_KINDS[i]!] = answer.value.things as never
      harmed.push(...answer.value.unreadable)
    })
    all.value = next
    unreadable.value = harmed
    if (versions.ok) rigVersions.value = versions.value
    problem.value = failed && !failed.ok ? failed.problem : null
    loaded.value = !failed
  }

  /** All jobs by the time of their last change, newest first. */
  const jobsByTime = computed(() => [...jobs.value].sort((a, b) => b.updatedAt.localeCompare(a.updatedAt)))
  /** Those on the bench. */
  const recentJobs = computed(() => jobsByTime.value.filter((job) => job.archivedAt === null))
  const usable = <T extends { archivedAt: string | null }>(things: readonly T[]) =>
    things.filter((one) => one.archivedAt === null)
  const canStart = computed(() => [rigs, blades, stones].every((those) => usable<Kept<Tool>>(those.value).length > 0))

  /** The last job with a blade, on a rig that is still in use; undefined for a blade that is new here. */
  const lastWith = (bladeId: string): KeptJob | undefined =>
    jobsByTime.value.find((job) => job.bladeId === bladeId && usable(rigs.value).some((rig) => rig.id === job.rigId))

  /** A name that no other job has: that of the blade, with a number where it is taken. */
  function freeName(name: string): string {
    const taken = new Set(jobs.value.map((job) => job.name))
    for (let n = 1; ; n++) {
      const behind = n === 1 ? '' : `, ${n}`
      const one = `${name.slice(0, MOST_NAME - behind.length)}${behind}`
      if (!taken.has(one)) return one
    }
  }

  /** A new job with a blade: with rig, stone and hold as in the last one with it, else with those of the last job. */
  async function startJob(bladeId: string): Promise<KeptJob | null> {
    const blade = blades.value.find((one) => one.id === bladeId)
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
      name: freeName(blade.name),
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
    const those = all.value[kind] as Kept<K>[]
    const known = those.some((one) => one.id === thing.id)
    const next = known ? those.map((one) => (one.id === thing.id ? thing : one)) : [...those, thing]
    all.value = { ...all.value, [kind]: next }
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
  const samples = computed(
    () => THING_KINDS.flatMap((kind) => all.value[kind].map(({ id }) => id)).filter(isSample).length,
  )
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
    jobsByTime,
    recentJobs,
    canStart,
    loaded,
    problem,
    load,
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

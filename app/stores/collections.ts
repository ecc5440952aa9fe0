import { defineStore } from 'pinia'
import { computed, ref } from 'vue'
import { z } from 'zod'
import {
  KEPT_SCHEMAS,
  keptJob,
  type KeptBlade,
  type KeptByKind,
  type KeptRig,
  type KeptJob,
  type KeptStone,
} from '#core/kept/kept'
import { rigVersion, type RigVersion } from '#core/kept/rigVersion'
import { doneWith } from '#core/card/sameAgain'
import { startingCard } from '#core/card/starting'
import { ask, type Answer } from '~/saving/api'

/** A box of stones is sorted as it is worked through. */
const coarseToFine = (stones: KeptStone[]): KeptStone[] => [...stones].sort((one, other) => other.grainUm - one.grainUm)

/** What is described by its measures. */
export type Tool = 'rigs' | 'blades' | 'stones'

/** The rigs, blades and stones the user owns, and the jobs on the bench. */
export const useCollections = defineStore('collections', () => {
  const rigs = ref<KeptRig[]>([])
  /** What rigs were before they were measured anew. */
  const rigVersions = ref<RigVersion[]>([])
  const blades = ref<KeptBlade[]>([])
  const stones = ref<KeptStone[]>([])
  /** Those put away too: their clamp cards come back. */
  const jobs = ref<KeptJob[]>([])
  const loaded = ref(false)
  const problem = ref('')

  async function load() {
    const [r, b, s, j, v] = await Promise.all([
      // Archived things are loaded too: a job goes on with what it was begun with.
      ask(z.array(KEPT_SCHEMAS.rigs), '/api/rigs?archived=true'),
      ask(z.array(KEPT_SCHEMAS.blades), '/api/blades?archived=true'),
      ask(z.array(KEPT_SCHEMAS.stones), '/api/stones?archived=true'),
      ask(z.array(KEPT_SCHEMAS.jobs), '/api/jobs?archived=true'),
      ask(z.array(rigVersion), '/api/rig-versions'),
    ])
    if (v.ok) rigVersions.value = v.value
    if (r.ok) rigs.value = r.value
    if (b.ok) blades.value = b.value
    if (s.ok) stones.value = coarseToFine(s.value)
    if (j.ok) jobs.value = j.value
    const failed = [r, b, s, j, v].find((answer) => !answer.ok)
    problem.value = failed && !failed.ok ? failed.problem.message : ''
    loaded.value = !failed
  }

  /** All jobs by the time of their last change, newest first. */
  const jobsByTime = computed(() => [...jobs.value].sort((a, b) => b.updatedAt.localeCompare(a.updatedAt)))
  /** Those on the bench. */
  const recentJobs = computed(() => jobsByTime.value.filter((job) => job.archivedAt === null))
  const canStart = computed(() => rigs.value.length > 0 && blades.value.length > 0 && stones.value.length > 0)

  /** A new job with the rig and stone of the last one and a blade to begin with. */
  async function startJob(): Promise<KeptJob | null> {
    const last = recentJobs.value[0]
    const usable = <T extends { id: string; archivedAt: string | null }>(things: T[], lastId: string | undefined) =>
      things.find((one) => one.id === lastId && one.archivedAt === null) ??
      things.find((one) => one.archivedAt === null)
    const rig = usable(rigs.value, last?.rigId)
    const stone = usable(stones.value, last?.stoneId)
    const blade = blades.value.find((one) => one.archivedAt === null)
    if (!rig || !stone || !blade) return null
    const begun = startingCard(
      { rig, blade, stone },
      doneWith(jobsByTime.value, { rigId: rig.id, bladeId: blade.id })[0] ?? null,
      { jawsName: null, progression: [], wanted: { deg: { A: 20, B: 20 }, linked: true, why: '' } },
    )
    const content = {
      name: `New job ${jobs.value.length + 1}`,
      rigId: rig.id,
      rigRevision: rig.revision,
      bladeId: blade.id,
      stoneId: stone.id,
      ...begun,
    }
    const answer = await ask(keptJob, '/api/jobs', 'POST', content)
    if (!answer.ok) {
      problem.value = answer.problem.message
      return null
    }
    jobs.value = [...jobs.value, answer.value]
    return answer.value
  }

  /** Takes a job off the bench, or puts it back. */
  async function shelve(job: KeptJob, away: boolean): Promise<KeptJob | null> {
    const answer = await ask(keptJob, `/api/jobs/${job.id}/${away ? 'archive' : 'restore'}`, 'POST', {
      revision: job.revision,
    })
    if (!answer.ok) {
      problem.value = answer.problem.message
      return null
    }
    jobs.value = withThing(jobs.value, answer.value)
    return answer.value
  }

  /** Keeps a rig, a blade or a stone: new, or changed from what it was. The answer says what is stored, or why not. */
  async function keep<K extends Tool>(
    kind: K,
    content: object,
    from: KeptByKind[K] | null,
  ): Promise<Answer<KeptByKind[K]>> {
    const schema = KEPT_SCHEMAS[kind] as unknown as z.ZodType<KeptByKind[K]>
    const answer = from
      ? await ask(schema, `/api/${kind}/${from.id}`, 'PUT', { ...content, revision: from.revision })
      : await ask(schema, `/api/${kind}`, 'POST', content)
    if (answer.ok) await note(kind, answer.value)
    return answer
  }

  /** Puts a rig, a blade or a stone away, or back. */
  async function putAway<K extends Tool>(kind: K, thing: KeptByKind[K], away: boolean): Promise<Answer<KeptByKind[K]>> {
    const schema = KEPT_SCHEMAS[kind] as unknown as z.ZodType<KeptByKind[K]>
    const answer = await ask(schema, `/api/${kind}/${thing.id}/${away ? 'archive' : 'restore'}`, 'POST', {
      revision: thing.revision,
    })
    if (answer.ok) await note(kind, answer.value)
    return answer
  }

  async function note<K extends Tool>(kind: K, thing: KeptByKind[K]) {
    if (kind === 'stones')
      stones.value = coarseToFine([...stones.value.filter((one) => one.id !== thing.id), thing as KeptStone])
    else if (kind === 'blades') blades.value = withThing(blades.value, thing as KeptBlade)
    else {
      // What it was before first: jobs that were done with it go on with that.
      await loadRigVersions()
      rigs.value = withThing(rigs.value, thing as KeptRig)
    }
  }

  const withThing = <T extends { id: string }>(all: T[], thing: T): T[] =>
    all.some((one) => one.id === thing.id) ? all.map((one) => (one.id === thing.id ? thing : one)) : [...all, thing]

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

  /** Keeps the list in step with a job that was saved. */
  function noteSaved(job: KeptJob) {
    jobs.value = jobs.value.map((one) => (one.id === job.id ? job : one))
  }

  async function plantSamples(): Promise<void> {
    const answer = await ask(z.object({ ok: z.literal(true) }), '/api/samples', 'POST', {})
    if (!answer.ok) problem.value = answer.problem.message
    await load()
  }

  return {
    rigs,
    blades,
    stones,
    jobs,
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
    plantSamples,
  }
})

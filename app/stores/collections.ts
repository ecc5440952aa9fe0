import { defineStore } from 'pinia'
import { computed, ref } from 'vue'
import { z } from 'zod'
import { KEPT_SCHEMAS, keptSetup, type KeptBlade, type KeptRig, type KeptSetup, type KeptStone } from '#core/kept/kept'
import { startingDial, startingHold } from '#core/setup/starting'
import type { Stone } from '#core/stone/stone'
import { ask, type Answer } from '~/saving/api'

/** A box of stones is sorted as it is worked through. */
const coarseToFine = (stones: KeptStone[]): KeptStone[] => [...stones].sort((one, other) => other.grainUm - one.grainUm)

/** The rigs, blades and stones the user owns, and the jobs on the bench. */
export const useCollections = defineStore('collections', () => {
  const rigs = ref<KeptRig[]>([])
  const blades = ref<KeptBlade[]>([])
  const stones = ref<KeptStone[]>([])
  const jobs = ref<KeptSetup[]>([])
  const loaded = ref(false)
  const problem = ref('')

  async function load() {
    const [r, b, s, j] = await Promise.all([
      // Archived things are loaded too: a job goes on with what it was begun with.
      ask(z.array(KEPT_SCHEMAS.rigs), '/api/rigs?archived=true'),
      ask(z.array(KEPT_SCHEMAS.blades), '/api/blades?archived=true'),
      ask(z.array(KEPT_SCHEMAS.stones), '/api/stones?archived=true'),
      ask(z.array(KEPT_SCHEMAS.setups), '/api/setups'),
    ])
    if (r.ok) rigs.value = r.value
    if (b.ok) blades.value = b.value
    if (s.ok) stones.value = coarseToFine(s.value)
    if (j.ok) jobs.value = j.value
    const failed = [r, b, s, j].find((answer) => !answer.ok)
    problem.value = failed && !failed.ok ? failed.problem.message : ''
    loaded.value = !failed
  }

  /** Jobs by the time of their last change, newest first. */
  const recentJobs = computed(() => [...jobs.value].sort((a, b) => b.updatedAt.localeCompare(a.updatedAt)))
  const canStart = computed(() => rigs.value.length > 0 && blades.value.length > 0 && stones.value.length > 0)

  /** A new job with the rig and stone of the last one and a blade to begin with. */
  async function startJob(): Promise<KeptSetup | null> {
    const last = recentJobs.value[0]
    const rig = rigs.value.find((one) => one.id === last?.rigId) ?? rigs.value[0]
    const stone = stones.value.find((one) => one.id === last?.stoneId) ?? stones.value[0]
    const blade = blades.value[0]
    if (!rig || !stone || !blade) return null
    const wanted = { aDeg: 20, bDeg: 20, linked: true, why: '' }
    const held = startingHold(rig, blade)
    const content = {
      name: `New job ${jobs.value.length + 1}`,
      rigId: rig.id,
      bladeId: blade.id,
      stoneId: stone.id,
      held,
      wanted,
      dialled: startingDial({ rig, blade, stone, held }, wanted),
    }
    const answer = await ask(keptSetup, '/api/setups', 'POST', content)
    if (!answer.ok) {
      problem.value = answer.problem.message
      return null
    }
    jobs.value = [...jobs.value, answer.value]
    return answer.value
  }

  /** Takes a job off the bench, or puts it back. */
  async function shelve(job: KeptSetup, away: boolean): Promise<KeptSetup | null> {
    const answer = await ask(keptSetup, `/api/setups/${job.id}/${away ? 'archive' : 'restore'}`, 'POST', { revision: job.revision })
    if (!answer.ok) {
      problem.value = answer.problem.message
      return null
    }
    jobs.value = away ? jobs.value.filter((one) => one.id !== job.id) : [...jobs.value, answer.value]
    return answer.value
  }

  /** Keeps a stone: new, or changed from what it was. The answer says what is stored, or why not. */
  async function keepStone(content: Stone, from: KeptStone | null): Promise<Answer<KeptStone>> {
    const answer = from
      ? await ask(KEPT_SCHEMAS.stones, `/api/stones/${from.id}`, 'PUT', { ...content, revision: from.revision })
      : await ask(KEPT_SCHEMAS.stones, '/api/stones', 'POST', content)
    if (answer.ok) noteStone(answer.value)
    return answer
  }

  /** Puts a stone out of the box, or back. */
  async function shelveStone(stone: KeptStone, away: boolean): Promise<Answer<KeptStone>> {
    const answer = await ask(KEPT_SCHEMAS.stones, `/api/stones/${stone.id}/${away ? 'archive' : 'restore'}`, 'POST', { revision: stone.revision })
    if (answer.ok) noteStone(answer.value)
    return answer
  }

  function noteStone(stone: KeptStone) {
    stones.value = coarseToFine([...stones.value.filter((one) => one.id !== stone.id), stone])
  }

  /** Keeps the list in step with a job that was saved. */
  function noteSaved(job: KeptSetup) {
    jobs.value = jobs.value.map((one) => (one.id === job.id ? job : one))
  }

  async function plantSamples(): Promise<void> {
    const answer = await ask(z.object({ ok: z.literal(true) }), '/api/samples', 'POST', {})
    if (!answer.ok) problem.value = answer.problem.message
    await load()
  }

  return { rigs, blades, stones, jobs, recentJobs, canStart, loaded, problem, load, startJob, shelve, noteSaved, keepStone, shelveStone, plantSamples }
})

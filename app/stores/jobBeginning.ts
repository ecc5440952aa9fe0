import { computed } from 'vue'
import { z } from 'zod'
import { doneWith } from '#core/process/card/sameAgain'
import { startingCard, startingDial } from '#core/process/card/starting'
import { recordSchema, type RecordOf, type JobRecord } from '#core/records/storage/kinds'
import { ask, type Answer } from '~/saving/api'
import type { bladeList } from './bladeList'
import type { jobList } from './jobList'
import { usable, type Known, type Tool } from './known'
import { usePreferences } from './preferences'

const MOST_NAME = 120
/** What a number behind a name takes at most. */
const ROOM_FOR_NUMBER = 6

/** What a new job is asked to have: an angle, a micro-bevel, a day that it is wanted back. */
export type AskedJob = Partial<Pick<JobRecord, 'wanted' | 'microBevel' | 'dueOn'>>

/** How a job is begun: with rig, stone, hold and angle as far as they are known from before. */
export function jobBeginning(
  known: Known,
  jobs: ReturnType<typeof jobList>,
  blades: ReturnType<typeof bladeList>,
  noted: (answer: Answer<JobRecord>) => JobRecord | null,
) {
  const { all, problem } = known
  const canStart = computed(
    () =>
      blades.inUse.value > 0 &&
      (['rigs', 'stones'] as const).every((kind) => usable<RecordOf<Tool>>(all.value[kind])[0]),
  )

  /** The last job with a blade, on a rig that is still in use; undefined for a blade that is new here. */
  const lastWith = (bladeId: string): JobRecord | undefined =>
    jobs.byTime.value.find(
      (job) => job.bladeId === bladeId && usable(all.value.rigs).some((rig) => rig.id === job.rigId),
    )

  /** A name that no other job has: that of the blade, with a number where it is taken. */
  async function freeName(name: string): Promise<string> {
    const beginning = encodeURIComponent(name.slice(0, MOST_NAME - ROOM_FOR_NUMBER))
    const names = await ask(z.array(z.string()), `/api/job-names?beginning=${beginning}`)
    const taken = new Set([...all.value.jobs.map((job) => job.name), ...(names.ok ? names.value : [])])
    for (let n = 1; ; n++) {
      const behind = n === 1 ? '' : `, ${n}`
      const one = `${name.slice(0, MOST_NAME - behind.length)}${behind}`
      if (!taken.has(one)) return one
    }
  }

  /**
   * A new job with a blade: with rig, stone and hold as in the last one with it, else with those of the last job. With
   * an angle that it is to have, it is dialled for that one.
   */
  async function startJob(bladeId: string, asked: AskedJob = {}): Promise<JobRecord | null> {
    const named = await blades.learnOne(bladeId)
    if (!named.ok) problem.value = named.problem
    const blade = named.ok ? named.value : null
    const [anyRig] = all.value.rigs
    if (anyRig) await jobs.learnAround({ rigId: anyRig.id, bladeId })
    const last = lastWith(bladeId) ?? jobs.recent.value[0]
    const lastOr = <T extends RecordOf<Tool>>(records: readonly T[], id: string | undefined): T | undefined =>
      usable(records).find((one) => one.id === id) ?? usable(records)[0]
    const rig = lastOr(all.value.rigs, last?.rigId)
    const stone = lastOr(coarseToFine(all.value.stones), last?.stoneId)
    if (!rig || !stone || !blade) return null
    const { usual, ofBlade } = usePreferences().current.habits
    const habits = ofBlade[bladeId] ?? usual
    const begun = startingCard(
      { rig, blade, stone },
      doneWith(jobs.byTime.value, { rigId: rig.id, bladeId })[0] ?? null,
      {
        jawsName: null,
        progression: [],
        microBevel: habits.microBevelAddDeg > 0 ? { addDeg: habits.microBevelAddDeg, stoneId: null } : null,
        stropAddDeg: habits.stropAddDeg,
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
      ...asked,
      ...(asked.wanted && {
        dialled: startingDial({ rig, blade, stone, hold: begun.hold }, asked.wanted, begun.dialForMm),
      }),
    }
    return noted(await ask(recordSchema('jobs'), '/api/jobs', 'POST', content))
  }
  return { canStart, lastWith, startJob }
}

/** A box of stones is sorted as it is worked through. */
export const coarseToFine = <S extends { readonly grainUm: number }>(stones: readonly S[]): S[] =>
  [...stones].sort((one, other) => other.grainUm - one.grainUm)

import { afterEach, describe, expect, it, vi } from 'vitest'
import { nextTick } from 'vue'
import type { InkLookEntry, LogEntry } from '#core/log/entry'
import { useInk } from '~/composables/useInk'
import { bothSides, setupSaying } from '#core/log/setupSnapshot.fixture'
import { AT, closeTestJob, id, openTestJob } from '~/job/openJob.fixture'
import { useDecision } from './decide/useDecision'
import { usePractice } from './practice/usePractice'

afterEach(closeTestJob)
/** Weighing marker tests takes a second, and far longer on a busy machine. */
const WEIGHED = { timeout: 30_000 }

/** Marker tests of all zones of a side, which leave the bevel at 21° and known to a few tenths. */
async function testsOf(sides: readonly ('A' | 'B')[]): Promise<LogEntry[]> {
  const { use } = await openTestJob()
  const { zones, names } = use(useInk)
  const test = (n: number, side: 'A' | 'B', setDeg: number, seen: 'shoulder' | 'apex' | 'all'): InkLookEntry => ({
    id: id(n),
    at: AT,
    jobId: id(9),
    bladeId: id(3),
    stoneId: id(5),
    instrumentId: null,
    kind: 'ink-look',
    side,
    setup: setupSaying({ setting: bothSides({ by: 'millimetres', mm: 43 }) }),
    setUncertaintyDeg: 0.1,
    zones: names.value.map((_, i) => {
      const { kind, fromMm, toMm } = zones.value[i]!
      const fraction = seen === 'all' ? 1 : 0.4
      return { kind, fromMm, toMm, setDeg, widthMm: 0.7, primaryDeg: 3, seen, fraction }
    }),
  })
  return sides.flatMap((side, i) => [
    test(50 + 10 * i, side, 20.5, 'shoulder'),
    test(51 + 10 * i, side, 21.5, 'apex'),
    test(52 + 10 * i, side, 21, 'all'),
  ])
}

describe('the decision', () => {
  it('waits until each zone of each side is known, and says which are not', async () => {
    const { use, job } = await openTestJob({}, await testsOf(['A']))
    const { open, plans } = use(useDecision)
    const { names, foundOn } = use(useInk)
    await vi.waitFor(() => expect(foundOn('A').length).toBe(names.value.length), WEIGHED)
    expect(open.value).toEqual(names.value.map((zone) => `B ${zone}`))
    expect([plans.value, job.content.value.wanted.why]).toEqual([[], ''])
  })

  it('taken over is what is wanted on both sides, with its reason, in one step', async () => {
    const { use, job } = await openTestJob({}, await testsOf(['A', 'B']))
    const { plans, advised, take } = use(useDecision)
    await vi.waitFor(() => expect(plans.value.length).toBeGreaterThan(1), WEIGHED)
    expect(plans.value.map(({ choice }) => choice)).toContain(advised.value?.choice)
    const follow = plans.value.find(({ choice }) => choice === 'follow')!
    expect(take(follow)).toBeNull()
    const { wanted } = job.content.value
    for (const { side, deg } of follow.sides) {
      expect(wanted.deg[side]).toBe(deg)
      expect(Math.abs(deg - 21)).toBeLessThan(0.5)
    }
    expect(wanted.why).not.toBe('')
    job.session.goBack()
    expect(job.content.value.wanted).toMatchObject({ deg: { A: 20, B: 20 }, why: '' })
  })
})

describe('a practice', () => {
  it('that is left leaves the job as it was: what was dialled for it too, and nothing in the log', async () => {
    const { use, job, log } = await openTestJob()
    const { dialled } = job.content.value
    const { on, begin, leave, makePass, shown, passes } = use(usePractice)
    await begin('easy')
    job.actions.stepDial(4)
    makePass()
    expect([on.value, passes.value, shown.value?.length]).toEqual([true, 1, use(useInk).names.value.length])
    job.turnOver()
    await nextTick()
    expect(shown.value).toBeNull()
    await leave()
    expect([on.value, job.content.value.dialled, log()]).toEqual([false, dialled, []])
  })

  it('without a marker test has no end; with one it has a score, of no job and no blade', async () => {
    const { use, log, stores } = await openTestJob()
    const { begin, makePass, finish, cameTo, best } = use(usePractice)
    await begin('easy')
    expect(await finish()).toMatch(/\S/)
    makePass()
    const ink = use(useInk)
    ink.names.value.forEach((_, i) => ink.tell(i, { seen: 'all', fraction: 1 }))
    ink.note()
    expect(await finish()).toBeNull()
    expect([cameTo.value?.passes, cameTo.value?.advised.length]).toEqual([1, 1])
    expect(log()).toEqual([])
    expect(stores.log.ofKind('practice')).toMatchObject([{ jobId: null, bladeId: null, level: 'easy', looks: 1 }])
    expect(best('easy')).toMatchObject({ points: cameTo.value?.points })
  })
})

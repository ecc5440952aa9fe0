import { afterEach, describe, expect, it, vi } from 'vitest'
import { nextTick } from 'vue'
import { ANGLE_ALONE, type InkLookEntry, type LogEntry } from '#core/log/entry'
import { useInk } from '~/composables/useInk'
import { bothSides, setupSaying } from '#core/log/setupSnapshot.fixture'
import { jobPractice } from '~/job/practice'
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

describe('what the ink says', () => {
  it('stands as what it said before while a further test is weighed, and is nothing that it says now', async () => {
    const { use } = await openTestJob({}, await testsOf(['A']))
    const ink = use(useInk)
    await vi.waitFor(() => expect(ink.foundOn('A').length).toBe(ink.names.value.length), WEIGHED)
    expect(ink.formerOn('A')).toEqual([])
    const before = ink.foundOn('A')
    ink.tell(0, { seen: 'shoulder', fraction: 0.9 })
    expect(ink.note()).toBeNull()
    await nextTick()
    expect([ink.weighing.value, ink.foundOn('A'), ink.formerOn('A')]).toEqual([true, [], before])
    await vi.waitFor(() => expect(ink.foundOn('A')).not.toEqual([]), WEIGHED)
    expect(ink.formerOn('A')).toEqual([])
    expect(ink.foundOn('A')).not.toEqual(before)
  })

  it('is of the bevel as it is now: what was tested before its side was ground is listed, and counts no more', async () => {
    const tests = await testsOf(['A', 'B'])
    const [any] = tests as [InkLookEntry]
    const { bladeId, jobId, stoneId, setup } = any
    const ground: LogEntry = {
      ...{ id: id(90), at: '2026-05-01T10:00:00.000Z', jobId, bladeId, stoneId, instrumentId: null },
      ...{ kind: 'strokes', side: 'A', count: 40, zone: null, strop: false, setup },
    }
    const { use } = await openTestJob({}, [...tests, ground])
    const ink = use(useInk)
    const isKnown = (side: 'A' | 'B') => ink.foundOn(side).map((face) => face !== null)
    const each = ink.names.value
    await vi.waitFor(() => expect(isKnown('B')).toEqual(each.map(() => true)), WEIGHED)
    expect(isKnown('A')).toEqual(each.map(() => false))
    expect([ink.looks.value.length, ink.counted.value.map(({ side }) => side)]).toEqual([6, ['B', 'B', 'B']])
  })

  it('plans the first test where its sheet is open: with what an earlier job proved, one is likely enough', async () => {
    const proof = (n: number, jobId: string): LogEntry => ({
      ...ANGLE_ALONE,
      id: id(n),
      at: AT,
      jobId,
      bladeId: id(3),
      stoneId: id(5),
      instrumentId: null,
      kind: 'proof',
      side: 'A',
      deg: 20,
      uncertaintyDeg: 0.2,
      placeMm: null,
      zone: null,
      by: 'goniometer',
    })
    const first = async (log: LogEntry[]) => {
      const { use } = await openTestJob({ purpose: 'sharpen' }, log)
      const ink = use(useInk)
      expect(ink.next.value).toBeNull()
      ink.plansFirst.value = true
      await vi.waitFor(() => expect(ink.next.value?.setting).toBeTruthy(), WEIGHED)
      return ink.next.value!.looksLeft
    }
    const unknown = await first([])
    expect(unknown).toBeGreaterThan(1)
    expect(await first([proof(70, id(8))])).toBeLessThan(unknown)
    // What was proved on this job is no earlier job's word.
    expect(await first([proof(70, id(9))])).toBe(unknown)
  })
})

describe('a practice', () => {
  it('is on a copy: whatever is done in it leaves the job, its log and its forms as they were', async () => {
    const { use, job, log, practising } = await openTestJob()
    const before = job.content.value
    await use(usePractice).begin('easy')
    const copy = practising()
    const { leave, makePass, shown, passes } = copy.use(usePractice)
    copy.job.actions.stepDial(4)
    copy.job.change('wanted angle', { wanted: { deg: { A: 25, B: 25 }, linked: true, why: 'To try.' } })
    makePass()
    const ink = copy.use(useInk)
    expect([passes.value, shown.value?.length]).toEqual([1, ink.names.value.length])
    ink.tell(0, { seen: 'all', fraction: 1 })
    expect(use(useInk).observed.value[0]).toBeNull()
    expect(ink.note()).toBeNull()
    expect([ink.looks.value.length, use(useInk).looks.value]).toEqual([1, []])
    copy.job.turnOver()
    await nextTick()
    expect(shown.value).toBeNull()
    ink.retract(ink.looks.value[0]!)
    expect(ink.looks.value).toEqual([])
    await leave()
    expect([job.practice.session.value, job.content.value, log()]).toEqual([null, before, []])
  })

  it('goes on after the page was loaded anew, as it was dialled', async () => {
    const { use, job, practising } = await openTestJob()
    await use(usePractice).begin('easy')
    const copy = practising()
    copy.job.actions.stepDial(4)
    await copy.job.session.close()
    await nextTick()
    const again = use(() => jobPractice(job.session))
    expect(again.session.value?.content.value.dialled).toEqual(copy.job.content.value.dialled)
    expect(again.session.value?.content.value.dialled).not.toEqual(job.content.value.dialled)
  })

  it('that an earlier version began is over, and what was dialled before it is dialled', async () => {
    const { use, job } = await openTestJob()
    const before = job.content.value.dialled
    job.actions.stepDial(4)
    const kept = {
      version: 3,
      unit: 'mm',
      draft: { begun: [{ blade: { seed: 0.5 }, dialled: before }], looks: [] },
      step: 0,
    }
    localStorage.setItem(`jaw-tilt-draft:practice:${job.id}`, JSON.stringify(kept))
    const again = use(() => jobPractice(job.session))
    expect([again.session.value, job.content.value.dialled]).toEqual([null, before])
  })

  it('whose copy cannot be read any more is over, and the job is opened all the same', async () => {
    const { use, job } = await openTestJob()
    const draft = { begun: [{ blade: { seed: 0.5 }, content: { hold: 'elsewhere' } }], entries: [] }
    const kept = { version: 4, unit: 'mm', draft, step: 0 }
    localStorage.setItem(`jaw-tilt-draft:practice:${job.id}`, JSON.stringify(kept))
    const again = use(() => jobPractice(job.session))
    await nextTick()
    expect([again.session.value, again.blade.value]).toEqual([null, null])
  })

  it('without a marker test has no end; with one it has a score, of no job and no blade', async () => {
    const { use, log, stores, practising } = await openTestJob()
    await use(usePractice).begin('easy')
    const copy = practising()
    const { makePass, finish } = copy.use(usePractice)
    expect(await finish()).toMatch(/\S/)
    makePass()
    const ink = copy.use(useInk)
    ink.names.value.forEach((_, i) => ink.tell(i, { seen: 'all', fraction: 1 }))
    ink.note()
    expect(await finish()).toBeNull()
    const { result } = copy.job.practice
    expect([result.value?.passes, result.value?.advised.length]).toEqual([1, 1])
    expect(log()).toEqual([])
    expect(stores.log.ofKind('practice')).toMatchObject([{ jobId: null, bladeId: null, level: 'easy', looks: 1 }])
    expect(use(usePractice).best('easy')).toMatchObject({ points: result.value?.points })
  })
})

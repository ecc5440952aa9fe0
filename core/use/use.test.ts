import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { beforeAndAfter } from '../log/beforeAndAfter'
import { ANGLE_ALONE, OUTCOME_ALONE, type LogEntry, type OutcomeEntry, type Sharpness } from '../log/entry'
import { setupSaying } from '../log/setupSnapshot.fixture'
import { bellyBlade } from '../geometry/setup/sampleSetup.fixture'
import type { Blade } from '../records/blade/blade'
import { dullBy, edgeLives, lastEdgeOf, livesDiffer } from './edgeLife'
import { keptOff } from './keepOff'
import { nextAngle } from './nextAngle'
import { sharpeningsOf } from './sharpenings'
import { standingOf } from './standing'
import { startingAngle } from './startingAngle'
import { threshold } from './threshold'

const day = (n: number) => new Date(Date.UTC(2026, 0, 1 + n)).toISOString()
const about = (n: number, job: number) => ({
  ...{ id: `${n}-${job}`, at: day(n), jobId: `job ${job}`, bladeId: 'b', stoneId: null, instrumentId: null },
})
const sides = ['A', 'B'] as const
const ground = (n: number, job: number, deg: number): LogEntry[] =>
  sides.map((side) => ({
    ...about(n, job),
    ...{ kind: 'strokes', side, count: 20, zone: null, strop: false },
    setup: setupSaying({ setDeg: { A: deg, B: deg } }),
  }))
const proof = (n: number, job: number, side: 'A' | 'B', deg: number): LogEntry => ({
  ...about(n, job),
  ...{ kind: 'proof', side, placeMm: null, zone: null, deg, uncertaintyDeg: 0.2, by: 'goniometer', ...ANGLE_ALONE },
})
const put = (n: number, job: number): LogEntry => ({ ...about(n, job), kind: 'put-to-use' })
const became = (n: number, job: number, outcome: OutcomeEntry['outcome'], more: Partial<OutcomeEntry> = {}) => ({
  ...{ ...about(n, job), kind: 'outcome' as const, outcome, ...OUTCOME_ALONE, ...more },
})
const of = (log: readonly LogEntry[]) => sharpeningsOf(log, bellyBlade)
/** A sharpening at an angle on a day, with what became of it so many days later. */
const used = (job: number, deg: number, outcome: OutcomeEntry['outcome'], n = 100 * job, days = 30) => [
  ...[...ground(n, job, deg), put(n + 1, job)],
  became(n + 1 + days, job, outcome),
]
const usual = [17, 22] as const
const fresh = { sharpenedBefore: null }

describe('the sharpenings of a blade', () => {
  it('have the angle that was proved since they were ground, else the one that was set; wanted never counts', () => {
    const [one] = of([...ground(1, 1, 20), proof(2, 1, 'A', 20.6), proof(2, 1, 'B', 19.8), put(3, 1)])
    expect(one).toMatchObject({ jobId: 'job 1', isProved: true, became: null })
    expect(one!.deg).toBeCloseTo(20.2, 9)
    const stale = of([proof(0, 1, 'A', 25), proof(0, 1, 'B', 25), ...ground(1, 1, 20), put(3, 1)])
    expect(stale[0]).toMatchObject({ deg: 20, isProved: false })
    const half = of([...ground(1, 1, 20), proof(2, 1, 'A', 21), put(3, 1)])
    expect(half[0]).toMatchObject({ deg: 20.5, isProved: false })
    expect(of([put(3, 1)])[0]).toMatchObject({ deg: null })
    expect(of(ground(1, 1, 20))).toEqual([])
    // Where one side alone is bevelled, the other one says nothing.
    const single = sharpeningsOf([...ground(1, 1, 20), proof(2, 1, 'A', 21), put(3, 1)], { bevels: 'A' })
    expect(single[0]).toMatchObject({ deg: 21, isProved: true })
  })
  it('failed where they failed once, whatever was said later; what was said before they were used counts for none', () => {
    const log = [...ground(1, 1, 20), put(2, 1), became(5, 1, 'chipped'), became(9, 1, 'cuts-well')]
    expect(of(log)[0]!.became).toBe('chipped')
    expect(of([...ground(3, 1, 20), became(1, 1, 'rolled'), put(4, 1)])[0]!.became).toBeNull()
  })
  it('are one for each time an edge was put to use: ground again on the same job, it is another edge', () => {
    const log = [
      ...[...ground(1, 1, 17), put(2, 1), became(5, 1, 'rolled')],
      ...[...ground(6, 1, 19), proof(7, 1, 'A', 19.2), proof(7, 1, 'B', 19.4), put(8, 1), became(20, 1, 'cuts-well')],
    ]
    expect(of(log).map(({ deg, isProved, became: what }) => [deg, isProved, what])).toEqual([
      [17, false, 'rolled'],
      [expect.closeTo(19.3, 9), true, 'held'],
    ])
    // Ground again, and not put to use yet: what is proved then is not the edge that was used.
    const [used, ...others] = of([...ground(1, 1, 17), put(2, 1), ...ground(6, 1, 19), proof(7, 1, 'A', 19.2)])
    expect([used!.deg, used!.isProved, others]).toEqual([17, false, []])
    // Proved in use, before it was ground again.
    const late = of([
      ...ground(1, 1, 17),
      put(2, 1),
      proof(3, 1, 'A', 17.4),
      proof(3, 1, 'B', 17.2),
      ...ground(6, 1, 19),
    ])
    expect(late[0]).toMatchObject({ deg: expect.closeTo(17.3, 9), isProved: true })
  })
  it('that dulled soon with nothing to see are chipped where the burr was removed with care, else a burr', () => {
    const burrNone: LogEntry = {
      ...about(2, 1),
      ...{ kind: 'sharpness', test: 'burr', zones: [], forcesG: [], burr: 'none', burrZones: [] },
    }
    const soon = (...between: LogEntry[]) =>
      of([...ground(1, 1, 20), ...between, put(3, 1), became(9, 1, 'dulled-soon')])
    expect(soon()[0]!.became).toBe('burr')
    expect(soon(burrNone)[0]!.became).toBe('chipped')
    expect(soon({ ...burrNone, burr: 'A' })[0]!.became).toBe('burr')
    expect(
      of([...ground(3, 1, 20), { ...burrNone, at: day(2) }, put(4, 1), became(9, 1, 'dulled-soon')])[0]!.became,
    ).toBe('burr')
    const said = (burrRemoved: boolean) =>
      of([...ground(1, 1, 20), put(3, 1), became(9, 1, 'dulled-soon', { burrRemoved })])[0]!.became
    expect([said(true), said(false)]).toEqual(['chipped', 'burr'])
  })
})

describe('the next angle', () => {
  const next = (log: readonly LogEntry[], blade: { sharpenedBefore: number | null } = fresh) =>
    nextAngle(of(log), blade, usual)
  it('is a degree lower after an edge that held, a degree higher after one that failed', () => {
    expect(next(used(1, 22, 'cuts-well'))).toMatchObject({
      ok: true,
      does: 'lower',
      deg: 21,
      isProved: false,
      known: 1,
    })
    expect(next(used(1, 22, 'dulled'))).toMatchObject({ does: 'lower', deg: 21 })
    expect(next(used(1, 16, 'rolled'))).toMatchObject({ does: 'higher', deg: 17, why: 'rolled' })
    expect(next(used(1, 16, 'chipped'))).toMatchObject({ does: 'higher', deg: 17, why: 'chipped' })
    expect(next(used(1, 20, 'dulled-soon'))).toMatchObject({ does: 'same', deg: 20, why: 'burr' })
  })
  it('turns: after it failed a degree below, an edge that holds stays where it is', () => {
    const down = [...used(1, 19, 'cuts-well'), ...used(2, 18, 'cuts-well'), ...used(3, 17, 'rolled')]
    expect(next(down)).toMatchObject({ does: 'higher', deg: 18 })
    const found = next([...down, ...used(4, 18, 'cuts-well')])
    expect(found).toMatchObject({ does: 'same', deg: 18, why: 'near-its-limit', known: 4 })
    expect(next([...down, ...used(4, 18, 'cuts-well'), ...used(5, 18, 'dulled')])).toMatchObject({ does: 'same' })
  })
  it('leaves out the first sharpenings of a blade that was new, and says so', () => {
    const isNew = { sharpenedBefore: 0 }
    expect(next(used(1, 17, 'chipped'), isNew)).toMatchObject({
      does: 'same',
      why: 'factory-edge',
      leftOut: 1,
      known: 0,
    })
    expect(next(used(1, 17, 'cuts-well'), isNew)).toMatchObject({ does: 'same', why: 'factory-edge' })
    const four = [1, 2, 3, 4].flatMap((job) => used(job, 17, 'chipped'))
    expect(next(four, isNew)).toMatchObject({ does: 'higher', leftOut: 3, known: 1 })
    expect(next(four, { sharpenedBefore: 2 })).toMatchObject({ leftOut: 1, known: 3 })
  })
  it('is not known without an edge in use, an outcome or an angle, and says which', () => {
    expect(next([])).toMatchObject({ ok: false, code: 'nothing-put-to-use' })
    expect(next([...ground(1, 1, 20), put(2, 1)])).toMatchObject({ ok: false, code: 'no-outcome' })
    expect(next([put(2, 1), became(3, 1, 'rolled')])).toMatchObject({ ok: false, code: 'no-angle' })
  })
  it('by experience alone rests on the uses, not on a range', () => {
    const flat = threshold(null, [{ deg: 30, failed: true }])
    expect(flat.mostDeg).toBeGreaterThan(45)
    expect(threshold(usual, [{ deg: 30, failed: true }]).middleDeg).toBeLessThan(35)
    const alone = nextAngle(of(used(1, 12, 'cuts-well')), fresh, null)
    expect(alone).toMatchObject({ does: 'lower' })
  })
})

describe('where an edge fails', () => {
  it('is lower the more uses held and higher the more failed, and sharper with each', () => {
    const angle = fc.double({ min: 10, max: 30, noNaN: true })
    fc.assert(
      fc.property(angle, angle, (deg, at) => {
        const before = threshold(usual, [{ deg: at, failed: at < 19 }])
        const held = threshold(usual, [
          { deg: at, failed: at < 19 },
          { deg, failed: false },
        ])
        const failed = threshold(usual, [
          { deg: at, failed: at < 19 },
          { deg, failed: true },
        ])
        expect(held.middleDeg).toBeLessThanOrEqual(before.middleDeg)
        expect(failed.middleDeg).toBeGreaterThanOrEqual(before.middleDeg)
        expect(held.failsAt(deg)).toBeLessThanOrEqual(failed.failsAt(deg))
      }),
    )
    const known = threshold(usual, [])
    expect(known.middleDeg).toBeCloseTo(17.5, 1)
    expect(known.mostDeg - known.leastDeg).toBeCloseTo(2 * 1.645 * 3, 1)
    expect(known.failsAt(10)).toBeGreaterThan(0.95)
    expect(known.failsAt(25)).toBeLessThan(0.05)
  })
})

describe('how long an edge lasts', () => {
  it('is counted in days or in what was cut, per angle; one that still cuts counts up to when it was asked of', () => {
    const counted = (job: number, deg: number, outcome: OutcomeEntry['outcome'], meals: number): LogEntry[] => [
      ...[...ground(100 * job, job, deg), put(100 * job + 1, job)],
      became(100 * job + 21, job, outcome, { amount: { count: meals, unit: 'meals' } }),
    ]
    const all = of([
      ...counted(1, 15, 'dulled', 40),
      ...counted(2, 15.3, 'cuts-well', 60),
      ...counted(3, 18, 'rolled', 10),
    ])
    const [at15, at18] = edgeLives(all, 'meals')
    expect(at15).toMatchObject({ deg: 15, edges: 2, ended: 1, median: { middle: 40 } })
    expect(at15!.curve).toMatchObject([{ time: 40, survival: 0.5 }])
    expect(at18).toMatchObject({ deg: 18, edges: 1, ended: 1 })
    expect(edgeLives(all, 'metres')).toEqual([])
    expect(edgeLives(all, 'days').map(({ edges }) => edges)).toEqual([2, 1])
    expect(edgeLives(all, 'days')[0]!.curve[0]!.time).toBe(20)
  })
  it('differs between angles only where the ranges of two medians do not meet', () => {
    const lives = (...of: [deg: number, days: number][]) =>
      edgeLives(
        sharpeningsOf(
          of.flatMap(([deg, days], i) => used(i + 1, deg, 'dulled', 1000 * i, days)),
          bellyBlade,
        ),
        'days',
      )
    const many = (deg: number, about: number) => Array.from({ length: 8 }, (_, i): [number, number] => [deg, about + i])
    expect(livesDiffer(lives(...many(15, 10), ...many(18, 60)))).toBe(true)
    expect(livesDiffer(lives(...many(15, 10), ...many(18, 12)))).toBe(false)
    expect(livesDiffer(lives([15, 10], [18, 60]))).toBeNull()
    expect(livesDiffer(lives(...many(15, 10)))).toBeNull()
  })
  it('says that the edge in use is dull: as somebody said, or after the usual time of this blade', () => {
    const past = [...used(1, 20, 'dulled', 0, 20), ...used(2, 20, 'dulled', 50, 30)]
    const now = [...past, ...ground(100, 3, 20), put(101, 3)]
    const dull = (entries: LogEntry[], now: string) => {
      const edge = lastEdgeOf(of(entries))
      return edge && dullBy(edge, now)
    }
    expect(dull(past, day(99))).toEqual({ is: 'said', outcome: 'dulled' })
    expect(dull(now, day(110))).toBeNull()
    expect(dull(now, day(140))).toEqual({ is: 'likely', days: 39, usualDays: 20 })
    expect(dull([...now, became(120, 3, 'cuts-well')], day(140))).toMatchObject({ is: 'likely' })
    expect(dull([...used(1, 20, 'dulled', 0, 20), ...ground(100, 3, 20), put(101, 3)], day(900))).toBeNull()
    expect(lastEdgeOf([])).toBeNull()
  })
})

describe('sharpness tests', () => {
  const tested = (n: number, job: number, test: Sharpness['test'], zones: Sharpness['zones'], forcesG: number[] = []) =>
    ({ ...about(n, job), kind: 'sharpness', test, zones, forcesG, burr: null, burrZones: [] }) satisfies LogEntry
  it('tell how long an edge lasts: until one finds it dull, on its own job or before the next is ground', () => {
    const edge = [...ground(0, 1, 20), put(1, 1)]
    const lives = (log: readonly LogEntry[]) => edgeLives(of(log), 'days')
    expect(lives([...edge, tested(11, 1, 'paper', [])])).toMatchObject([{ edges: 1, ended: 0 }])
    expect(lives([...edge, tested(11, 1, 'paper', []), tested(31, 1, 'light', ['belly'])])).toMatchObject([
      { edges: 1, ended: 1, curve: [{ time: 30, survival: 0 }] },
    ])
    expect(lives([...edge, tested(41, 2, 'paper', ['tip']), ...ground(42, 2, 20)])).toMatchObject([{ ended: 1 }])
    // What was found after it was ground again is another edge's.
    expect(lives([...edge, ...ground(42, 2, 20), tested(43, 2, 'paper', ['tip'])])).toEqual([])
    // A strop and a magnifier find something on edges that cut.
    expect(lives([...edge, tested(11, 1, 'strop', ['tip']), tested(12, 1, 'magnifier', ['tip'])])).toEqual([])
  })
  it('with a thread are against the force before use: half as much again is dull', () => {
    const edge = [...ground(0, 1, 20), tested(1, 1, 'thread', [], [80, 120]), put(2, 1)]
    const after = (grams: number) => of([...edge, tested(9, 1, 'thread', [], [grams])])[0]!.tests
    expect(after(149)).toEqual([{ at: day(9), cuts: true }])
    expect(after(150)).toEqual([{ at: day(9), cuts: false }])
    expect(of([...ground(0, 1, 20), put(2, 1), tested(9, 1, 'thread', [], [500])])[0]!.tests).toEqual([])
    // The force that the dull edge took before it was ground is none to go by.
    const dull = [tested(0, 1, 'thread', [], [400]), ...ground(1, 1, 20), put(2, 1), tested(9, 1, 'thread', [], [450])]
    expect(of(dull)[0]!.tests).toEqual([])
  })
  it('count as said where they came last', () => {
    const log = [...used(1, 20, 'cuts-well', 0, 10), tested(20, 1, 'paper', ['heel'])]
    expect(lastEdgeOf(of(log))).toMatchObject({ said: 'dulled' })
    expect(lastEdgeOf(of([...log, became(30, 1, 'cuts-well')]))).toMatchObject({ said: 'cuts-well' })
  })
  it('are compared before and after grinding, the same one', () => {
    const log = [tested(0, 1, 'paper', ['tip']), tested(1, 1, 'light', ['tip']), ...ground(2, 1, 20)]
    expect(beforeAndAfter(log)).toMatchObject({ before: { test: 'light' }, after: null })
    const after = tested(4, 1, 'light', [])
    expect(beforeAndAfter([...log, tested(3, 1, 'paper', []), after])).toMatchObject({ after: { id: after.id } })
    expect(beforeAndAfter([...log, after, ...ground(5, 1, 20)])).toMatchObject({ after: null })
    expect(beforeAndAfter(log.slice(0, 2))).toBeNull()
    expect(beforeAndAfter([...ground(2, 1, 20), after])).toBeNull()
  })
})

describe('what an edge is kept off', () => {
  const off = (work: Blade['work'], hardnessHrc: number | null, deg: number | null) =>
    keptOff({ work, hardnessHrc }, deg)
  it('follows from its work, its steel and its angle', () => {
    expect(off('kitchen', 58, 15)).toEqual(['pull-through', 'hard-plates', 'dishwasher', 'bones', 'left-wet'])
    expect(off('kitchen', 58, 22)).toEqual(['pull-through', 'hard-plates', 'dishwasher', 'left-wet'])
    expect(off('kitchen', 62, 22)).toContain('prying')
    expect(off('kitchen', 62, 22)).toContain('bones')
    expect(off('chopping', 64, 15)).toEqual(['pull-through', 'prying', 'left-wet'])
    expect(off('outdoor', null, null)).toEqual(['pull-through', 'prying', 'left-wet'])
    expect(off(null, null, null)).toContain('dishwasher')
  })
})

describe('the angle to begin with', () => {
  const begin = (of: Partial<Parameters<typeof startingAngle>[0]>) =>
    startingAngle({
      work: 'kitchen',
      hand: 'usual',
      hardnessHrc: null,
      grind: 'flat',
      thicknessBehindEdgeMm: 0.3,
      ...of,
    })
  it('is the middle of the usual range, and says why', () => {
    expect(begin({ hardnessHrc: 61 })).toEqual({ usual: [10, 15], deg: 13, why: ['kitchen-hard'] })
    expect(begin({ hardnessHrc: 57 })).toMatchObject({ usual: [15, 20], deg: 18, why: ['kitchen-soft'] })
    expect(begin({})).toMatchObject({ usual: [15, 20], why: ['kitchen-unknown'] })
    expect(begin({ work: 'chopping' })).toMatchObject({ usual: [25, 30], deg: 28 })
    expect(begin({ work: null })).toBeNull()
    expect(begin({ work: 'general', grind: 'hollow' })).toMatchObject({ deg: 21, why: ['general', 'hollow-bends'] })
    expect(begin({ grind: 'hollow' })).toMatchObject({ deg: 18, why: ['kitchen-unknown'] })
  })
  it('is shifted within the range by hand and steel', () => {
    expect(begin({ work: 'general', hand: 'careful' })).toMatchObject({ deg: 18, why: ['general', 'careful-hand'] })
    expect(begin({ work: 'general', hand: 'rough' })).toMatchObject({ deg: 21 })
    expect(begin({ work: 'general', hand: 'rough', hardnessHrc: 54 })).toMatchObject({ deg: 22 })
    expect(begin({ work: 'general', hardnessHrc: 64 })).toMatchObject({ deg: 21, why: ['general', 'hard-chips'] })
    expect(begin({ thicknessBehindEdgeMm: 0.8 })!.why).toContain('thick-behind')
  })
})

it('where a blade stands in a job is what happened last: ground again after it was put to use, it is on the bench', () => {
  const strop = { ...(ground(3, 1, 20)[0] as Extract<LogEntry, { kind: 'strokes' }>), strop: true }
  const handedBack: LogEntry = { ...about(4, 1), kind: 'handed-back' }
  expect(standingOf([])).toBe('received')
  expect(standingOf([proof(1, 1, 'A', 20)])).toBe('on-the-bench')
  expect(standingOf([...ground(1, 1, 20), put(2, 1), strop])).toBe('ready')
  expect(standingOf([...ground(1, 1, 20), put(2, 1), strop, handedBack])).toBe('handed-back')
  expect(standingOf([put(2, 1), handedBack, ...ground(5, 1, 20)])).toBe('on-the-bench')
})

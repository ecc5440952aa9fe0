import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { meanProof, provedAtPlaces, meanReading, readAtPlaces } from './meanReading'
import { dialledState } from './dialledState'
import { ANGLE_ALONE, type LogEntry, type Proof, type Reading, type Strokes } from './entry'
import { activeEntries, onBlade } from './activeEntries'
import { cutWith as lastCutWith } from './cutWith'
import { groundAt } from './groundAt'
import { setAlike } from './setAlike'
import type { SetupSnapshot } from './setupSnapshot'
import { bothSides, setupSaying } from './setupSnapshot.fixture'
import { readEntry } from './stored'
import { strokesBefore, strokesMade } from './strokesMade'

const id = (n: number) => `0197a000-0000-7000-8000-${String(n).padStart(12, '0')}`
const about = { jobId: id(900), bladeId: null, stoneId: id(901), instrumentId: null }
const minute = (n: number) => new Date(Date.UTC(2026, 4, 1, 9, n)).toISOString()
const reading = (n: number, more: Partial<Reading> = {}): Reading => ({
  ...about,
  id: id(n),
  at: minute(n),
  kind: 'reading',
  side: 'A',
  placeMm: 30,
  deg: 20,
  uncertaintyDeg: 0.1,
  zero: 'centre-plane',
  expectedDeg: 20,
  setup: null,
  ...more,
})
const proof = (n: number, more: Partial<Proof> = {}): Proof => ({
  ...about,
  id: id(n),
  at: minute(n),
  kind: 'proof',
  side: 'A',
  placeMm: null,
  zone: null,
  deg: 20,
  uncertaintyDeg: 0.1,
  by: 'goniometer',
  ...ANGLE_ALONE,
  ...more,
})
const HOLD = { bladeXMm: 40, bladeYMm: 8, turnDeg: 0, centreOffsetMm: 0, tiltDeg: 0 }
const cutWith = (mm: number, more: Partial<SetupSnapshot> = {}) =>
  setupSaying({ rigId: id(902), stoneId: id(901), setting: bothSides({ by: 'millimetres', mm }), hold: HOLD, ...more })
const retraction = (n: number, entryId: string): LogEntry => ({
  ...about,
  id: id(n),
  at: minute(n),
  kind: 'retraction',
  entryId,
})
const ids = (log: readonly LogEntry[]) => log.map((entry) => entry.id)

describe('what holds of the log', () => {
  it('leaves out what is retracted, and brings back what that retraction was retracted of', () => {
    const log = [reading(1), reading(2), retraction(3, id(1))]
    expect(ids(activeEntries(log))).toEqual([id(2)])
    expect(ids(activeEntries([...log, retraction(4, id(3))]))).toEqual([id(1), id(2)])
    expect(ids(activeEntries([...log, retraction(4, id(3)), retraction(5, id(4))]))).toEqual([id(2)])
  })

  it('is the same in whatever order two devices sent it', () => {
    const log = [reading(1), reading(2), retraction(3, id(1)), retraction(4, id(3)), proof(5), retraction(6, id(5))]
    fc.assert(
      fc.property(fc.shuffledSubarray(log, { minLength: log.length }), (shuffled) => {
        expect(ids(activeEntries(shuffled))).toEqual(ids(activeEntries(log)))
      }),
    )
  })

  it('of another blade that the job had before is no part of what was found on this one', () => {
    const log = [reading(1), proof(2, { bladeId: id(7) }), proof(3, { bladeId: id(8) })]
    expect(ids(onBlade(log, id(8)))).toEqual([id(1), id(3)])
  })

  it('two retractions that retraction each other out end, and hold nobody', () => {
    expect(ids(activeEntries([reading(1), retraction(2, id(3)), retraction(3, id(2))]))).toEqual([id(1)])
  })
})

describe('what is dialled', () => {
  const slot = (label: string) => ({ by: 'slot' as const, label })
  const note = (n: number, side: 'A' | 'B', label: string, more: Partial<SetupSnapshot> = {}): LogEntry => ({
    ...about,
    id: id(n),
    at: minute(n),
    kind: 'dialled',
    side,
    setup: setupSaying({ rigId: id(902), stoneId: id(901), hold: HOLD, setting: bothSides(slot(label)), ...more }),
  })
  const now = setupSaying({
    rigId: id(902),
    rigRevision: 2,
    stoneId: id(901),
    hold: HOLD,
    setting: { A: slot('3'), B: slot('4') },
  })
  const stateOf = (log: LogEntry[], side: 'A' | 'B' = 'A') => dialledState(log, now, side)
  const isOf = (log: LogEntry[], side: 'A' | 'B' = 'A') => stateOf(log, side).is

  it('is what a hand noted last on that side and rig, with that stone, and nothing else', () => {
    expect(isOf([])).toBe('not-noted')
    expect(isOf([note(1, 'A', '3')])).toBe('noted')
    expect(isOf([note(1, 'A', '3')], 'B')).toBe('not-noted')
    expect(isOf([note(1, 'A', '3'), note(2, 'A', '5')])).toBe('changed')
    expect(isOf([note(1, 'A', '5'), note(2, 'A', '3'), note(3, 'B', '5')])).toBe('noted')
    expect(isOf([note(1, 'A', '3', { stoneId: id(7) })])).toBe('changed')
    expect(isOf([note(1, 'A', '3', { rigId: id(7) })])).toBe('not-noted')
  })

  it('says what was changed since; what an older entry did not say, or a centring known better, is no change', () => {
    const changed = note(1, 'A', '5', { stoneId: id(7), rigRevision: 1, hold: { ...HOLD, bladeYMm: 9 } })
    expect(stateOf([changed])).toMatchObject({ by: ['rig-measures', 'hold', 'stone', 'dial'] })
    expect(isOf([note(1, 'A', '3', { stoneId: null, hold: null })])).toBe('noted')
    expect(isOf([note(1, 'A', '3', { hold: { ...HOLD, tiltDeg: 1 } })])).toBe('noted')
    // Measured anew a rig is set alike all the same: no screw was turned.
    expect(setAlike(now, { ...now, rigRevision: 9 }, 'A')).toBe(true)
    expect(setAlike(now, { ...now, rigId: id(7), rigRevision: 9 }, 'A')).toBe(false)
  })
})

describe('what readings come to', () => {
  it('nothing while there are none on that side', () => {
    expect(meanReading([reading(1, { side: 'B' })], 'A')).toBeNull()
    expect(meanProof([], 'B')).toBeNull()
  })

  it('their mean, the better known one counting more, and better known than each', () => {
    const amount = meanReading([reading(1, { deg: 20 }), reading(2, { deg: 20.5, uncertaintyDeg: 0.2 })], 'A')!
    expect(amount.deg).toBeCloseTo(20.1, 9)
    // Half a degree apart, they are 4.4 times as far from each other as they are sure.
    expect(amount.uncertaintyDeg).toBeCloseTo(
      1.96 * Math.sqrt(0.1 ** 2 / 0.1 ** 2 + 0.4 ** 2 / 0.2 ** 2) * Math.sqrt(1 / 125),
      9,
    )
    const near = meanReading([reading(1, { deg: 20 }), reading(2, { deg: 20.1, uncertaintyDeg: 0.2 })], 'A')!
    expect(near.uncertaintyDeg).toBeCloseTo(Math.sqrt(1 / 125), 9)
    expect(near.spreadDeg).toBeCloseTo(0.1 / Math.SQRT2, 9)
  })

  it.each<[string, Partial<Reading>]>([
    ['at another place', { placeMm: 32 }],
    ['at no place', { placeMm: null }],
    ['with another stone', { stoneId: id(902) }],
    ['zeroed otherwise', { zero: 'clamp' }],
    ['with the rig set otherwise', { expectedDeg: 20.2 }],
  ])('a reading %s is not of the same', (_, more) => {
    expect(meanReading([reading(1, { deg: 25, ...more }), reading(2)], 'A')?.deg).toBe(20)
    expect(meanReading([reading(1, { deg: 25, placeMm: 30.9, expectedDeg: 20.04 }), reading(2)], 'A')?.of).toHaveLength(
      2,
    )
  })

  it('proofs of one sitting at one place are taken together, older ones are the past', () => {
    expect(meanProof([proof(1, { deg: 21 }), proof(59)], 'A')?.deg).toBeCloseTo(20.5, 9)
    expect(meanProof([proof(1, { deg: 21 }), proof(122)], 'A')?.deg).toBe(20)
    expect(meanProof([proof(1, { deg: 21, zone: 'tip' }), proof(59)], 'A')?.deg).toBe(20)
  })

  it.each<[string, Partial<Proof>]>([
    ['setting', { setup: cutWith(50) }],
    ['hold', { setup: cutWith(45, { hold: { ...HOLD, bladeYMm: 9 } }) }],
    ['stone', { setup: cutWith(45, { stoneId: id(7) }) }],
    ['bevel, as it was found,', { setup: null }],
    ['word of the apex', { toApex: true }],
  ])('a proof with another %s is of another cut', (_, more) => {
    const [before, now] = [proof(1, { deg: 21, setup: cutWith(45), ...more }), proof(9, { setup: cutWith(45) })]
    expect(meanProof([before, now], 'A')!.deg).toBe(20)
    expect(meanProof([now, { ...before, at: minute(12) }], 'A')!.deg).toBe(21)
  })

  it('place by place, the newest last: what goes with the newest proof or has the newest reading there', () => {
    const at = (n: number, placeMm: number, deg: number, more: Partial<Proof> = {}) =>
      proof(n, { placeMm, deg, ...more })
    const proofs = [at(1, 10, 19), at(2, 50, 20), at(3, 10.5, 21), at(4, 50, 18, { side: 'B' })]
    expect(provedAtPlaces(proofs, 'A').map(({ deg }) => deg)).toEqual([20, 20])
    expect(provedAtPlaces(proofs, 'A').map(({ of }) => of.length)).toEqual([1, 2])
    expect(provedAtPlaces([at(1, 10, 19, { zone: 'tip' }), at(2, 10, 20)], 'A')).toHaveLength(2)
    const readings = [
      reading(1, { placeMm: 10, deg: 17 }),
      reading(2, { placeMm: 50, deg: 18 }),
      reading(3, { placeMm: 10, deg: 19 }),
      reading(4, { placeMm: 10, deg: 25, side: 'B' }),
    ]
    expect(readAtPlaces(readings, 'A').map(({ deg }) => deg)).toEqual([18, 18])
  })
})

describe('strokes', () => {
  const made = (n: number, more: Partial<Strokes>): Strokes => ({
    ...about,
    id: id(n),
    at: minute(n),
    kind: 'strokes',
    side: 'A',
    count: 10,
    zone: null,
    strop: false,
    setup: null,
    ...more,
  })

  it('add up stone by stone, full ones apart from those of a zone, in the order the stones were taken up', () => {
    const all = [
      made(1, { count: 60 }),
      made(2, { side: 'B', count: 55 }),
      made(3, { stoneId: id(7), count: 20 }),
      made(4, { count: 5 }),
      made(5, { zone: 'tip', side: 'B', count: 12 }),
    ]
    expect(strokesMade(all)).toEqual([
      { stoneId: about.stoneId, full: { A: 65, B: 55 }, local: [{ zone: 'tip', A: 0, B: 12 }] },
      { stoneId: id(7), full: { A: 20, B: 0 }, local: [] },
    ])
  })

  it('on a strop take no steel off: the bevel is the one that the last stone cut', () => {
    const log = [made(1, { setup: cutWith(45) }), made(2, { setup: cutWith(50), strop: true })]
    expect(lastCutWith(log, 'A', null)).toEqual(cutWith(45))
    expect(groundAt(log, 'A')).toBe(minute(1))
    expect(lastCutWith(log.slice(1), 'A', null)).toBeNull()
  })

  it('of one sitting grow into one entry; another stone, zone or setup, and what came between, begin anew', () => {
    const setup = cutWith(45)
    const first = made(1, { count: 30, setup })
    const next = made(9, { count: 20, setup })
    expect(strokesBefore([first], next)).toBe(first)
    expect(strokesBefore([first, made(2, { side: 'B', setup })], next)).toBe(first)
    expect(strokesBefore([first, proof(5)], next)).toBeNull()
    expect(strokesBefore([{ ...first, zone: 'tip' }], next)).toBeNull()
    expect(strokesBefore([{ ...first, stoneId: id(7) }], next)).toBeNull()
    expect(strokesBefore([{ ...first, setup: cutWith(46) }], next)).toBeNull()
    expect(strokesBefore([{ ...first, setup: null }], next)).toBeNull()
    expect(strokesBefore([first], made(122, { setup }))).toBeNull()
    expect(strokesBefore([{ ...first, count: 9_990 }], next)).toBeNull()
  })
})

describe('an entry as it is stored', () => {
  const stored = (kind: string, version: number, content: object) =>
    readEntry({
      id: id(1),
      kind,
      at: minute(1),
      version,
      content: { ...about, id: id(1), at: minute(1), kind, ...content },
    })
  const slot = { by: 'slot', label: '3' }

  it('of an earlier version says of its setup what it knew, for its side, and null for the rest', () => {
    const dialled = stored('dialled', 1, { rigId: id(902), side: 'B', setting: slot })
    const said = { rigId: id(902), stoneId: id(901), setting: { A: null, B: slot } }
    expect(dialled).toMatchObject({ entry: { side: 'B', setup: setupSaying(said as Partial<SetupSnapshot>) } })
    const zones = [{ kind: 'tip', fromMm: 0, toMm: 9, setDeg: 20, widthMm: 1, primaryDeg: 3, seen: 'all', share: 1 }]
    const look = stored('ink-look', 1, { side: 'A', setting: slot, setDoubtDeg: 0.3, zones })
    expect(look).toMatchObject({ entry: { setup: { rigId: null, setting: { A: slot, B: null }, hold: null } } })
    const cut = { rigId: id(902), rigRevision: 3, setting: slot, hold: HOLD, setDeg: 19 }
    const proved = stored('proof', 2, { side: 'A', placeMm: 30, deg: 20, uncertaintyDeg: 0.2, by: 'goniometer', cut })
    const then = { rigRevision: 3, hold: HOLD, placeMm: 30, setDeg: { A: 19, B: null } }
    expect(proved).toMatchObject({ entry: { setup: { ...said, ...then, setting: { A: slot, B: null } } } })
    const found = stored('proof', 2, { side: 'A', deg: 20, uncertaintyDeg: 0.2, by: 'ink', cut: null })
    expect(found).toMatchObject({ entry: { setup: null } })
  })

  it('that says it is another than its row is not read', () => {
    const good = { side: 'A', count: 5 }
    expect(stored('strokes', 1, good)).toMatchObject({ ok: true })
    expect(stored('strokes', 1, { ...good, id: id(2) })).toMatchObject({
      ok: false,
      problems: [{ field: 'id', code: 'not-its-row' }],
    })
    expect(stored('strokes', 1, { ...good, kind: 'reading' })).toMatchObject({ ok: false })
  })
})

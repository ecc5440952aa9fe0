import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { finisher, ordersFor, stoneOrder, type OrderAsk } from './orders'
import { stoneRate, type Range90 } from './rate'

const stone = (grainUm: number, kind: 'diamond' | 'strop' = 'diamond') => ({ grainUm, kind })
type TestStone = ReturnType<typeof stone>
const [coarse, medium, fine, finest, strop] = [stone(115), stone(45), stone(15), stone(5), stone(1, 'strop')] as const
const box = [strop, fine, coarse, finest, medium]
const ask = (removedMm3: number, faceMm2 = 60): OrderAsk<TestStone> => ({
  box,
  pace: 1.5,
  rateOf: ({ grainUm }) => stoneRate(grainUm, []),
  sides: (['A', 'B'] as const).map((side) => ({ side, removedMm3, faceMm2 })),
})

describe('what an order of stones comes to', () => {
  it('the first shapes, each other one takes the scratches before it off the whole face', () => {
    const { works, scratchUm, removedMm3 } = stoneOrder([coarse, fine, strop], ask(2))
    expect(works.map(({ task }) => task)).toEqual(['shape', 'replace-scratches', 'strop'])
    // 2 mm³ at 115 · 2·10⁻⁴ a stroke; 60 mm² · 34.5 µm at 15 · 2·10⁻⁴.
    expect(works[0]!.sides[0]!.strokes.middle).toBeCloseTo(2 / 0.023, 6)
    expect(works[1]!.sides[1]!.strokes.middle).toBeCloseTo((60 * 0.0345) / 0.003, 6)
    expect(removedMm3).toBeCloseTo(2 * (2 + 60 * 0.0345), 9)
    expect(scratchUm).toBeCloseTo(4.5, 9)
    expect(works[1]!.minutes.middle).toBeCloseTo(2 + (2 * 690 * 1.5) / 60, 6)
  })
  it('a gap that is too wide names the stone between that saves most', () => {
    const [, second] = stoneOrder([coarse, finest], ask(2)).works
    const through = stoneOrder([coarse, fine, finest], ask(2))
    expect(second!.between!.stone).toBe(fine)
    expect(second!.between!.saves).toBeCloseTo(stoneOrder([coarse, finest], ask(2)).strokes - through.strokes, 6)
    expect(through.works.every(({ between }) => between === null || between.stone === medium)).toBe(true)
  })
  it('a stone between is no strop, is not in the order, and lies between in grain', () => {
    const order = [coarse, finest]
    const between = (box: readonly TestStone[]) => stoneOrder(order, { ...ask(2), box }).works[1]!.between
    expect(between([strop, coarse, finest, stone(115), stone(300), stone(5), stone(2)])).toBeNull()
    expect(between([stone(30, 'strop'), medium])!.stone).toBe(medium)
    // Two of them: the one that saves more, whichever comes first.
    expect(between([medium, fine])!.stone).toBe(fine)
    expect(between([fine, medium])!.stone).toBe(fine)
  })
  it('what saves less than a tenth of the strokes, or than twenty, is not worth a word', () => {
    // Alike in grain: without the second, its own strokes are saved.
    const twin = { ...medium }
    const saved = (mm3: number, faceMm2: number) =>
      stoneOrder([medium, twin, finest], ask(mm3, faceMm2)).works[1]!.savedWithout
    // 2 · 60 mm² · 13.5 µm at 45 · 2·10⁻⁴ a stroke: 180 of about 2000, then 18 of about 180.
    expect(saved(0.05, 60)).toBeNull()
    expect(saved(0.005, 6)).toBeNull()
    const fewer = stoneOrder([medium, twin], ask(0.05, 60)).works[0]!
    expect(fewer.savedWithout).toBeCloseTo(180, 0)
  })
  it('how flat the bevel may be counts for the stone that shapes it, and for no other', () => {
    const sides = [{ side: 'A', removedMm3: 2, faceMm2: 60 }] as const
    const strokes = (rangeMm3?: readonly [number, number]) =>
      stoneOrder([coarse, fine], { ...ask(2), sides: sides.map((one) => ({ ...one, rangeMm3 })) }).works.map(
        (work) => work.sides[0]!.strokes,
      )
    const [known, flat] = [strokes(), strokes([1, 4])]
    const spread = ({ middle, most }: { middle: number; most: number }) => Math.log(most / middle) / 1.6449
    expect(flat[0]!.middle).toBeCloseTo(known[0]!.middle, 9)
    expect(Math.hypot(spread(known[0]!), Math.log(4) / (2 * 1.96))).toBeCloseTo(spread(flat[0]!), 3)
    expect(flat[1]).toEqual(known[1])
    // A side that takes nothing at its least says nothing of how much it may take.
    expect(strokes([0, 4])[0]).toEqual(known[0])
  })
  it('ranges add up over sides and stones', () => {
    const { works, minutes } = stoneOrder([coarse, fine], ask(2))
    const [a, b]: Range90[] = works[0]!.sides.map(({ strokes }) => strokes)
    expect(works[0]!.minutes.least).toBeCloseTo(2 + ((a!.least + b!.least) * 1.5) / 60, 9)
    expect(works[0]!.minutes.most).toBeCloseTo(2 + ((a!.most + b!.most) * 1.5) / 60, 9)
    expect(minutes.least).toBeCloseTo(works[0]!.minutes.least + works[1]!.minutes.least, 9)
    expect(minutes.most).toBeCloseTo(works[0]!.minutes.most + works[1]!.minutes.most, 9)
  })
  it('a needless stone says what leaving it out saves; the last is there for its finish', () => {
    const [first, second] = stoneOrder([coarse, finest], ask(0.05)).works
    expect(first!.savedWithout).toBeGreaterThan(100)
    expect(second!.savedWithout).toBeNull()
  })
})

describe('a micro-bevel', () => {
  const sides = [{ side: 'A', removedMm3: 0.012 }] as const
  const tasks = (order: readonly TestStone[], stone: TestStone | null) =>
    stoneOrder(order, { ...ask(2), microBevel: { stone, sides } }).works.map((work) => [work.stone, work.task])
  it('comes after the last stone that grinds, before the strop, with that stone or one of its own', () => {
    const before = [
      [coarse, 'shape'],
      [fine, 'replace-scratches'],
    ]
    expect(tasks([coarse, fine, strop], null)).toEqual([...before, [fine, 'micro-bevel'], [strop, 'strop']])
    expect(tasks([coarse, fine], finest)).toEqual([...before, [finest, 'micro-bevel']])
    expect(tasks([strop], null)).toEqual([[strop, 'strop']])
  })
  it('takes the strokes of its own steel, and its stone leaves the scratches at the edge', () => {
    const order = stoneOrder([coarse, strop], { ...ask(2), microBevel: { stone: finest, sides } })
    // 0.012 mm³ at 5 · 2·10⁻⁴ a stroke.
    expect(order.works[1]!.sides[0]!.strokes.middle).toBeCloseTo(12, 6)
    expect(order.scratchUm).toBeCloseTo(1.5, 9)
    expect(order.strokes - stoneOrder([coarse, strop], ask(2)).strokes).toBeCloseTo(12, 6)
  })
})

describe('orders that are offered', () => {
  const orders = (removedMm3: number, finish: Parameters<typeof finisher>[1]) => ordersFor(ask(removedMm3), finish)
  it('end with the coarsest stone that is fine enough, then a strop', () => {
    for (const { order } of orders(3, 'kitchen')) expect(order.slice(-2)).toEqual([finest, strop])
    expect(finisher(box, 'toothy')).toBe(fine)
    // Where none is fine enough, the finest there is.
    expect(finisher(box, 'mirror')).toBe(finest)
    expect(ordersFor({ ...ask(3), box: [strop] }, 'kitchen')).toEqual([])
  })
  it('are there once where two come out alike', () => {
    expect(ordersFor({ ...ask(3), box: [fine, strop] }, 'toothy').map(({ kind }) => kind)).toEqual(['quickest'])
    for (const mm3 of [0.01, 0.5, 3, 20]) {
      const grains = orders(mm3, 'kitchen').map(({ order }) => order.map(({ grainUm }) => grainUm).join(' '))
      expect(new Set(grains).size).toBe(grains.length)
    }
    expect(orders(3, 'kitchen').map(({ kind }) => kind)).toEqual(['quickest', 'two-stones'])
  })
  it('leave out what is finer than the finish asks for', () => {
    for (const { order } of orders(3, 'toothy')) expect(order).not.toContain(finest)
    expect(orders(3, 'toothy')[0]!.order).toEqual([medium, fine, strop])
  })
  it('an edge that needs a touch gets the fine end alone', () => {
    expect(orders(0.01, 'kitchen')[0]!.order).toEqual([finest, strop])
  })
  it('the quickest is no slower than any other choice of stones', () => {
    const minutes = (order: readonly TestStone[], mm3: number) => stoneOrder(order, ask(mm3)).minutes.middle
    fc.assert(
      fc.property(fc.double({ min: 0.01, max: 40, noNaN: true }), fc.subarray([coarse, medium, fine]), (mm3, some) => {
        const [quickest] = orders(mm3, 'kitchen')
        expect(quickest!.kind).toBe('quickest')
        expect(minutes(quickest!.order, mm3)).toBeLessThanOrEqual(minutes([...some, finest, strop], mm3) + 1e-9)
      }),
    )
  })
})

import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { merged } from './merge'

const base = {
  name: 'a',
  wanted: { A: 20, B: 20 },
  hold: { x: 1, y: 1 },
  dial: { by: 'slot', label: '3' },
  order: [1, 2],
}

describe('two changes of one content', () => {
  it('of different parts are both in it, whoever is asked', () => {
    const both = merged(base, { ...base, wanted: { A: 17, B: 20 } }, { ...base, name: 'b', wanted: { A: 20, B: 18 } })
    expect(both.clashes).toEqual([])
    expect(both.mine).toEqual({ ...base, name: 'b', wanted: { A: 17, B: 18 } })
    expect(both.theirs).toEqual(both.mine)
  })

  it('of the same figure clash there, and all else is in both', () => {
    const here = { ...base, wanted: { A: 17, B: 21 } }
    const { clashes, mine, theirs } = merged(base, here, { ...base, name: 'b', wanted: { A: 16, B: 20 } })
    expect(clashes).toEqual(['wanted.A'])
    expect(mine).toEqual({ ...base, name: 'b', wanted: { A: 17, B: 21 } })
    expect(theirs).toEqual({ ...base, name: 'b', wanted: { A: 16, B: 21 } })
  })

  it.each([
    ['a part that is one figure', { hold: { x: 2, y: 1 } }, { hold: { x: 1, y: 2 } }, 'hold'],
    ['a list', { order: [2, 1] }, { order: [1, 2, 3] }, 'order'],
    ['a setting of another kind', { dial: { by: 'mm', mm: 60 } }, { dial: { by: 'slot', label: '4' } }, 'dial'],
  ])('%s is not put together from two', (_, here, there, at) => {
    const { clashes, mine, theirs } = merged<object>(
      base,
      { ...base, ...here },
      { ...base, ...there },
      { whole: ['hold'], follow: [] },
    )
    expect(clashes).toEqual([at])
    expect([mine, theirs]).toEqual([
      { ...base, ...here },
      { ...base, ...there },
    ])
  })

  it('fields that go with each other stay with their own side where one of them clashes', () => {
    const together = { whole: ['hold'], follow: ['name', 'hold'] }
    const here = { ...base, hold: { x: 2, y: 1 }, order: [1] }
    const there = { ...base, name: 'b', hold: { x: 3, y: 1 } }
    const { clashes, mine, theirs } = merged(base, here, there, together)
    expect(clashes).toEqual(['hold'])
    expect(mine).toEqual(here)
    expect(theirs).toEqual({ ...there, order: [1] })
    // Where none does, they are put together as all else.
    expect(merged(base, here, { ...base, name: 'b' }, together).mine).toEqual({ ...here, name: 'b' })
  })

  it('changed by one hand alone is what that hand made of it', () => {
    const content = fc.dictionary(fc.constantFrom('a', 'b', 'c'), fc.oneof(fc.nat(3), fc.array(fc.nat(2))), {
      noNullPrototype: true,
    })
    fc.assert(
      fc.property(content, content, (was, now) => {
        expect(merged(was, now, was)).toEqual({ clashes: [], mine: now, theirs: now })
        expect(merged(was, was, now)).toEqual({ clashes: [], mine: now, theirs: now })
      }),
    )
  })
})

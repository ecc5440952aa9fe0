import { describe, expect, it } from 'vitest'
import type { Proof } from '../../log/entry'
import { bellyBlade, plainStone, postRig } from '../../geometry/setup/sampleSetup.fixture'
import type { Blade } from '../../records/blade/blade'
import { bench, pressAll, type Bench } from './robot.fixture'
import { stepsOf } from './steps'

const sabre: Blade = { ...bellyBlade, primaryGrindHeightMm: 14, widthMm: 28 }

/** A job that is done, its tip set so far from the rest that it is proved by itself. */
function finishedJob(): Bench {
  const of = bench(postRig, sabre, plainStone, 'new-angle')
  of.change({
    wanted: { deg: { A: 21, B: 21 }, linked: true, why: 'Kitchen.' },
    hold: { ...of.job().hold, bladeXMm: 55 },
  })
  pressAll(of)
  return of
}
const proofsOf = (of: Bench) =>
  stepsOf(of.now()).flatMap(({ id, side, zone, state, toDo }) =>
    id === 'prove' && side === 'A' ? [{ zone, state, toDo }] : [],
  )
const states = (of: Bench) => proofsOf(of).map(({ zone, state }) => `${zone ?? 'side'} ${state.is}`)
/** Puts another proof in the place of those of side A. */
function provedInstead(of: Bench, change: Partial<Proof>) {
  const last = of.log.findLast((one): one is Proof => one.kind === 'proof' && one.side === 'A')!
  const others = of.log.filter((one) => one.kind !== 'proof' || one.side !== 'A')
  of.log.splice(0, of.log.length, ...others, { ...last, ...change })
}

describe('what is proved of a side', () => {
  it('is asked once for the zones that are set alike, and for one that differs by itself', () => {
    expect(states(finishedJob())).toEqual(['side done', 'tip done'])
  })

  it('is that of the place it was read at: beside it nothing is proved', () => {
    const of = finishedJob()
    provedInstead(of, { placeMm: 92, zone: 'tip' })
    expect(states(of)).toEqual(['side missing', 'tip done'])
    provedInstead(of, { placeMm: 40, zone: null, deg: 21 })
    expect(states(of)).toEqual(['side done', 'tip missing'])
  })

  it('is that of its zone where an older entry names no place, and of all where it names none', () => {
    const of = finishedJob()
    provedInstead(of, { placeMm: null, zone: 'tip' })
    expect(states(of)).toEqual(['side missing', 'tip done'])
    provedInstead(of, { placeMm: null, zone: 'belly' })
    expect(states(of).map((one) => one.replace(/ .*/, ''))).toEqual(['side', 'tip'])
    expect(states(of)[1]).toBe('tip missing')
    expect(states(of)[0]).not.toBe('side missing')
    provedInstead(of, { placeMm: null, zone: null })
    expect(states(of)).not.toContain('tip missing')
    expect(states(of)).not.toContain('side missing')
  })

  it('that is farther off what was set than both are sure of is explained first', () => {
    const of = finishedJob()
    const { deg } = of.log.find((one): one is Proof => one.kind === 'proof' && one.side === 'A')!
    provedInstead(of, { placeMm: 40, zone: null, deg: deg + 2 })
    const [side] = proofsOf(of)
    expect(side).toMatchObject({ state: { is: 'out-of-date', because: ['differs'] }, toDo: { does: 'explain-proof' } })
    expect(side!.toDo).toMatchObject({ offDeg: expect.closeTo(2, 0) })
  })

  it('is out of date once that side is ground again, and not by the other', () => {
    const of = finishedJob()
    of.grind('B')
    expect(states(of)).toEqual(['side done', 'tip done'])
    of.grind('A')
    expect(proofsOf(of).map(({ state }) => state)).toMatchObject([
      { is: 'out-of-date', because: ['ground-since'] },
      { is: 'out-of-date', because: ['ground-since'] },
    ])
  })
})

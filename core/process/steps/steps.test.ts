import { describe, expect, it } from 'vitest'
import type { Purpose } from '../../records/job/purpose'
import type { Blade } from '../../records/blade/blade'
import type { Rig } from '../../records/rig/rig'
import { bellyBlade, plainStone, postRig } from '../../geometry/setup/sampleSetup.fixture'
import { usualPurpose } from '../purposes'
import { bench, pressAll, STONES, type Bench } from './robot.fixture'
import type { NextStep } from './nextStep'
import { stationStates } from './stationStates'
import { stepsOf } from './steps'

const sabre: Blade = { ...bellyBlade, primaryGrindHeightMm: 14, widthMm: 28 }
const start = (purpose: Purpose = 'new-angle', rig: Rig = postRig, blade = sabre) =>
  bench(rig, blade, plainStone, purpose)

/** Presses until a step of a kind is next. */
function pressUpTo(of: Bench, does: NextStep['toDo']['does']): NextStep {
  for (let i = 0; i < 60; i++) {
    const next = of.next()
    if (!next) break
    if (next.toDo.does === does) return next
    of.press(next)
  }
  throw new Error(`never came to ${does}`)
}
const doesNext = (of: Bench) => of.next()?.toDo.does ?? null
const stateOf = (of: Bench, id: string, side: 'A' | 'B' | null = null) =>
  stepsOf(of.now()).find((one) => one.id === id && (side === null || one.side === side))!.state

describe('the next step', () => {
  it('of an edge that nobody ground is never to put it to use, whatever was proved of the old bevel', () => {
    const of = start()
    pressUpTo(of, 'grind')
    of.prove('A')
    of.prove('B')
    expect(doesNext(of)).toBe('grind')
    expect(stateOf(of, 'prove', 'A')).toEqual({ is: 'missing' })
  })

  it('goes stone by stone and side by side, and each stone is put on and dialled', () => {
    const of = start('new-angle')
    const pressed = pressAll(of).filter((key) => /put-on|grind/.test(key))
    expect(pressed).toEqual([
      `grind A  ${STONES[0]} grind`,
      `grind B  ${STONES[0]} grind`,
      `put-on   ${STONES[1]} put-on`,
      `grind A  ${STONES[1]} grind`,
      `grind B  ${STONES[1]} grind`,
    ])
  })

  it('wants the blade height measured again once the blade was moved, and what was ground ground again', () => {
    const of = start()
    pressUpTo(of, 'put-to-use')
    of.change({ hold: { ...of.job().hold, bladeYMm: of.job().hold.bladeYMm - 1 } })
    // How the angle runs along the edge was accepted for another hold.
    of.press(of.next()!)
    expect(of.next()).toMatchObject({ id: 'height', state: { is: 'out-of-date', because: ['hold'] } })
    expect(stateOf(of, 'grind', 'A')).toMatchObject({ is: 'out-of-date', because: ['hold'] })
  })

  it('after more strokes wants the burr removed and the angle proved anew', () => {
    const of = start()
    pressUpTo(of, 'put-to-use')
    of.grind('A')
    expect(of.next()).toMatchObject({ id: 'burr', state: { because: ['ground-since'] } })
    of.press(of.next()!)
    expect(of.next()).toMatchObject({ id: 'prove', side: 'A', state: { because: ['ground-since'] } })
  })

  it('a test at a setting says that it is dialled; another setting is dialled anew', () => {
    const of = start('find-angle')
    pressUpTo(of, 'dial')
    of.test('A')
    expect(stateOf(of, 'mark', 'A')).toMatchObject({ is: 'under-way' })
    expect(of.next()).toMatchObject({ id: 'mark', side: 'A' })
  })

  it('a proof far off what was set is to be explained, or taken as it is', () => {
    const of = start()
    pressUpTo(of, 'prove')
    of.prove('A', 3)
    expect(of.next()).toMatchObject({ side: 'A', toDo: { does: 'explain-proof' } })
    of.leaveOut(of.next()!)
    expect(stateOf(of, 'prove', 'A')).toMatchObject({ is: 'left-out' })
    expect(doesNext(of)).toBe('prove')
  })

  it('what is left out is so by a person’s word, with its date, and is asked again once it was done and is out of date', () => {
    const of = start()
    const read = pressUpTo(of, 'read')
    of.leaveOut(read)
    expect(stateOf(of, 'read', 'A')).toMatchObject({ is: 'left-out' })
    expect(doesNext(of)).not.toBe('read')
  })
})

describe('the purpose that a job most likely has', () => {
  const wanted = { deg: { A: 20, B: 20 }, linked: true, why: 'Kitchen.' }
  const blade = { bevels: 'both', bevelDeg: null } as const
  const proved = (deg: number) => {
    const of = start()
    pressUpTo(of, 'prove')
    of.prove('A')
    of.prove('B')
    return of.log.map((entry) => (entry.kind === 'proof' ? { ...entry, deg } : entry))
  }

  it('is to touch up what was proved near the wanted angle, to follow what is not known, else a new angle', () => {
    expect(usualPurpose(blade, { wanted, microBevel: null }, [])).toBe('sharpen')
    expect(usualPurpose(blade, { wanted, microBevel: null }, proved(20.9))).toBe('touch-up')
    expect(usualPurpose(blade, { wanted, microBevel: null }, proved(21.1))).toBe('sharpen')
    // What was found before anything was ground was not set by anyone.
    const found = proved(20).map((entry) => (entry.kind === 'proof' ? { ...entry, setup: null } : entry))
    expect(usualPurpose(blade, { wanted, microBevel: null }, found)).toBe('sharpen')
    // A micro-bevel that was proved is near what is wanted of the apex.
    const micro = proved(23.4).map((entry) =>
      entry.kind === 'proof' && entry.setup ? { ...entry, setup: { ...entry.setup, forMicroBevel: true } } : entry,
    )
    expect(usualPurpose(blade, { wanted, microBevel: { addDeg: 3, stoneId: null } }, micro)).toBe('touch-up')
    expect(usualPurpose(blade, { wanted, microBevel: null }, micro)).toBe('sharpen')
    const known = { ...blade, bevelDeg: { A: 20, B: 22 } }
    expect(usualPurpose(known, { wanted, microBevel: null }, [])).toBe('new-angle')
    expect(usualPurpose({ ...known, bevels: 'A' }, { wanted, microBevel: null }, [])).toBe('sharpen')
    expect(usualPurpose(known, { wanted: { ...wanted, why: '' }, microBevel: null }, [])).toBe('sharpen')
  })
})

describe('how the stations stand', () => {
  it('is told by facts alone: nothing is done because it was passed', () => {
    const of = start()
    const states = () => stationStates(stepsOf(of.now()))
    expect(states()).toMatchObject({
      rig: { is: 'done' },
      clamp: { is: 'not-begun' },
      mark: { is: 'not-needed' },
      grind: { is: 'not-begun' },
      prove: { is: 'not-begun' },
    })
    of.read('A')
    of.read('B')
    expect([states().mark.is, states().grind.is]).toEqual(['not-needed', 'not-begun'])
    pressAll(of)
    expect(Object.values(states()).every(({ is }) => is === 'done' || is === 'not-needed' || is === 'left-out')).toBe(
      true,
    )
    of.grind('A')
    expect(states().prove).toEqual({ is: 'out-of-date', because: ['ground-since'] })
  })
})

import { describe, expect, it } from 'vitest'
import { positionAt, type KeptPositions } from '../../records/job/positions'
import type { Blade } from '../../records/blade/blade'
import { bellyBlade, plainStone, postRig } from '../../geometry/setup/sampleSetup.fixture'
import { bench, longBlade, pressAll, STONES, type Bench } from './robot.fixture'
import { stepsOf } from './steps'

const heldAt = (bladeXMm: number, bladeYMm = 4.1, turnDeg = 0) => ({
  bladeXMm,
  bladeYMm,
  turnDeg,
  centreOffsetMm: 0,
  tiltDeg: 0,
})
const positions: KeptPositions = {
  side: 'A',
  wantedDeg: 21,
  toleranceDeg: 0.5,
  each: [
    { hold: heldAt(168), dialForMm: 244, fromMm: 0, toMm: 269, blendAtMm: null },
    { hold: heldAt(265), dialForMm: 326, fromMm: 269, toMm: 333, blendAtMm: 238 },
    { hold: heldAt(300, 5.5, -5.7), dialForMm: 364, fromMm: 333, toMm: 364.7, blendAtMm: 317 },
  ],
}
const ALL = [1, 2, 3]
/** A long blade with three positions, held in none of them. */
function longJob(progression: readonly string[] = []): Bench {
  const of = bench({ ...postRig, rodLengthMm: 600 }, longBlade, plainStone, 'touch-up')
  const wanted = { deg: { A: 21, B: 21 }, linked: true, why: 'As it was.' }
  of.change({ wanted, positions, progression: [...progression] })
  return of
}
/** What it pressed of some steps, with its position. */
const pressed = (of: Bench, ids: RegExp) => pressAll(of).filter((key) => ids.test(key))
const holdIn = (of: Bench, n: number) => {
  const { hold, dialForMm } = positions.each[n - 1]!
  of.change({ hold, dialForMm })
}
/** Presses up to a step for a position. */
function pressTo(of: Bench, does: string, position: number) {
  for (let n = 0; n < 60; n++) {
    const next = of.next()
    if (next && next.toDo.does === does && next.position === position) return
    if (!next || !of.press(next)) break
  }
  throw new Error(`never came to ${does}`)
}
const stateOf = (of: Bench, id: string, position: number, side = 'A') =>
  stepsOf(of.now()).find((step) => step.id === id && step.position === position && step.side === side)?.state

describe('the positions of a long blade', () => {
  it('are held, measured and ground one after the other, and each side is proved where each is worked', () => {
    const of = longJob()
    const done = pressed(of, /^(hold|height|grind|prove)/)
    const ground = (n: number) => [`grind A  ${STONES[0]} grind ${n}`, `grind B  ${STONES[0]} grind ${n}`]
    const inTurn = ALL.flatMap((n) => [`hold    hold-position ${n}`, 'height    measure-height', ...ground(n)])
    const proofs = ['A', 'B'].flatMap((side) => ALL.map((n) => `prove ${side}   prove ${n}`))
    expect(done).toEqual([...inTurn, ...proofs])
    // Each proof is of what was cut in its own position.
    const proved = of.log.flatMap((entry) => (entry.kind === 'proof' ? [entry] : []))
    expect(proved.map(({ setup }) => setup?.position)).toEqual([...ALL, ...ALL])
    for (const { placeMm, setup } of proved) expect(positionAt(placeMm!, positions)).toBe(setup?.position)
  })

  it('are proved where they are dialled for, also where two of them meet', () => {
    const each = positions.each.map((one, i) => (i === 1 ? { ...one, dialForMm: one.fromMm } : one))
    const of = longJob()
    of.change({ positions: { ...positions, each } })
    expect(pressed(of, /^prove A/)).toEqual(ALL.map((n) => `prove A   prove ${n}`))
  })

  it('are each ground with every stone before the blade is moved', () => {
    const done = pressed(longJob(STONES), /^(hold|put-on|grind A)/).map((key) => key.split(' ').slice(-2).join(' '))
    expect(done).toEqual([
      'hold-position 1',
      'grind 1',
      'put-on 1',
      'grind 1',
      'hold-position 2',
      'put-on 2',
      'grind 2',
      'put-on 2',
      'grind 2',
      'hold-position 3',
      'put-on 3',
      'grind 3',
      'put-on 3',
      'grind 3',
    ])
  })

  it('the first that is not ground is next, wherever the blade is held', () => {
    const of = longJob()
    expect(of.next()?.toDo).toEqual({ does: 'hold-position', position: 1, of: 3 })
    pressTo(of, 'hold-position', 2)
    of.change({ hold: heldAt(200) })
    expect(of.next()?.toDo).toEqual({ does: 'hold-position', position: 2, of: 3 })
    // Begun at the other end: the first is still to be ground, once the second is.
    const from2 = longJob()
    holdIn(from2, 2)
    expect(pressed(from2, /^(hold|grind A)/).map((key) => key.split(' ').slice(-2).join(' '))).toEqual([
      'hold-position 1',
      'grind 1',
      'hold-position 2',
      'grind 2',
      'hold-position 3',
      'grind 3',
    ])
  })

  it('what was ground in one is out of date when it is held otherwise there, and says nothing of the other', () => {
    const of = longJob()
    pressAll(of)
    expect([stateOf(of, 'grind', 1)?.is, stateOf(of, 'prove', 1)?.is]).toEqual(['done', 'done'])
    const moved = positions.each.map((one, i) => (i === 0 ? { ...one, hold: heldAt(160) } : one))
    of.change({ positions: { ...positions, each: moved } })
    expect(stateOf(of, 'grind', 1)).toMatchObject({ is: 'out-of-date', because: ['hold'] })
    expect(stateOf(of, 'prove', 1)).toMatchObject({ is: 'out-of-date', because: ['hold'] })
    expect([stateOf(of, 'grind', 2)?.is, stateOf(of, 'prove', 2)?.is]).toEqual(['done', 'done'])
  })

  it('more strokes in one ask for its proof alone; let go, what was ground in them stays ground', () => {
    const of = longJob()
    pressAll(of)
    of.grind('A')
    expect(stateOf(of, 'prove', 3)).toMatchObject({ is: 'out-of-date', because: ['ground-since'] })
    expect(stateOf(of, 'prove', 1)?.is).toBe('done')
    of.change({ positions: null })
    const grind = stepsOf(of.now()).find(({ id, side }) => id === 'grind' && side === 'A')
    expect([grind?.position, grind?.state.is]).toEqual([null, 'done'])
  })

  it('a proof that was left out for one is asked for in the other', () => {
    const of = longJob()
    pressTo(of, 'prove', 1)
    const { id, side, zone, position, placeMm } = of.next()!
    expect(position).toBe(1)
    of.leaveOut({ id, side, zone, position, placeMm })
    expect([stateOf(of, 'prove', 1)?.is, stateOf(of, 'prove', 2)?.is]).toEqual(['left-out', 'missing'])
    expect(of.next()).toMatchObject({ id: 'prove', position: 2, side: 'A' })
  })

  it('were found for the angle that was wanted: for another they are found anew', () => {
    const of = longJob()
    holdIn(of, 1)
    const wanted = (deg: number) => of.change({ wanted: { deg: { A: deg, B: deg }, linked: true, why: 'So.' } })
    wanted(21.09)
    expect(of.next()?.toDo.does).toBe('measure-height')
    wanted(21.2)
    expect(of.next()?.toDo).toEqual({ does: 'find-positions', foundForDeg: 21 })
  })
})

describe('the facets of an angular tip', () => {
  const edge: Blade['edge'] = [
    { type: 'line', from: [0, 26], to: [60, 26] },
    { type: 'line', from: [60, 26], to: [84, 4] },
  ]
  const angular = { ...bellyBlade, edge, widthMm: 28, primaryGrindHeightMm: 14 }
  function facetJob(): Bench {
    const of = bench(postRig, angular, plainStone, 'touch-up')
    of.change({ wanted: { deg: { A: 30, B: 30 }, linked: true, why: 'As it was.' } })
    return of
  }

  it('are each dialled, ground and proved in one hold that is measured once, the longer first', () => {
    const of = facetJob()
    const done = pressed(of, /^(hold|height|dial A|grind A|prove A)/)
    expect(done.map((key) => key.replace(/^.* (?=[a-z])/, ''))).toEqual([
      'keep-facets',
      'set-for-facet 1',
      'measure-height',
      ...['dial', 'grind 1', 'set-for-facet 2', 'dial', 'grind 2'],
      ...['prove 1', 'prove 2'],
    ])
    const { each, toleranceDeg } = of.job().positions!
    expect(each.map(({ fromMm, toMm }) => [fromMm, toMm])).toEqual([
      [0, expect.closeTo(60, 6)],
      [expect.closeTo(60, 6), expect.closeTo(60 + Math.hypot(24, 22), 6)],
    ])
    // What was ground on each is near what is wanted there, with a dial of its own.
    const ground = of.log.flatMap((entry) => (entry.kind === 'strokes' && entry.side === 'A' ? [entry.setup!] : []))
    expect(ground.map(({ position }) => position)).toEqual([1, 2])
    expect(ground[0]!.setting.A).not.toEqual(ground[1]!.setting.A)
    for (const { setDeg } of ground) expect(Math.abs(setDeg.A! - 30)).toBeLessThanOrEqual(toleranceDeg)
    // The facets are the same, whatever is wanted of them; the first is ground for it first.
    of.change({ wanted: { deg: { A: 32, B: 32 }, linked: true, why: 'Chipped.' } })
    expect(of.next()?.toDo).toMatchObject({ does: 'set-for-facet', position: 1, of: 2, placeMm: expect.closeTo(30, 6) })
    // Held otherwise, it is to be held as it was again.
    of.change({ hold: { ...of.job().hold, turnDeg: 4 } })
    expect(of.next()?.toDo).toEqual({ does: 'hold-position', position: 1, of: 2 })
  })

  it('one setting for both may be accepted as it is', () => {
    const of = facetJob()
    of.leaveOut(of.next()!)
    expect(of.next()?.toDo.does).toBe('measure-height')
  })
})

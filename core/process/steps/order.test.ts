import { describe, expect, it } from 'vitest'
import { bellyBlade, plainStone, postRig } from '../../geometry/setup/sampleSetup.fixture'
import { setupSaying } from '../../log/setupSnapshot.fixture'
import type { Purpose } from '../../records/job/purpose'
import { bench, pressAll, robotId, STONES, type Bench } from './robot.fixture'
import { stepsOf } from './steps'

const sabre = { ...bellyBlade, primaryGrindHeightMm: 14, widthMm: 28 }
const start = (purpose: Purpose) => bench(postRig, sabre, plainStone, purpose)
const stone = (id: string | null) => (id === null ? '' : ` stone ${STONES.indexOf(id as (typeof STONES)[number]) + 1}`)
/** The steps in short: "grind A stone 1: missing". */
const listOf = (of: Bench) =>
  stepsOf(of.now()).map(
    ({ id, side, zone, stoneId, state }) =>
      `${id}${side ? ` ${side}` : ''}${zone ? ` ${zone}` : ''}${stone(stoneId)}: ${state.is}`,
  )
const stateOf = (of: Bench, id: string, side: 'A' | 'B' | null = null) =>
  stepsOf(of.now()).find((one) => one.id === id && (side === null || one.side === side))!.state

describe('the steps in their order', () => {
  it('of a sharpening that was just begun', () => {
    expect(listOf(start('sharpen'))).toMatchInlineSnapshot(`
      [
        "wanted: missing",
        "hold: missing",
        "height: missing",
        "dial A stone 1: missing",
        "read A: missing",
        "mark A: missing",
        "dial B stone 1: missing",
        "read B: missing",
        "mark B: missing",
        "decide: missing",
        "stones: missing",
        "dial A stone 1: missing",
        "read A: missing",
        "grind A stone 1: missing",
        "dial B stone 1: missing",
        "read B: missing",
        "grind B stone 1: missing",
        "burr: missing",
        "prove A: missing",
        "prove A tip: missing",
        "prove B: missing",
        "prove B tip: missing",
        "put-to-use: missing",
        "outcome: missing",
      ]
    `)
  })

  it('of one whose bevel is known and decided on: the stones are next, at the setting of the last test', () => {
    const of = start('sharpen')
    const begun = listOf(of)
    for (let next = of.next()!; next.id !== 'stones'; next = of.next()!) of.press(next)
    const now = listOf(of)
    expect(now.slice(0, now.indexOf('stones: missing'))).toEqual([
      'wanted: done',
      'hold: left-out',
      'height: done',
      'mark A: done',
      'mark B: done',
      'decide: done',
    ])
    // From the stones on all is as it was, but for what was dialled and read.
    const doneNow = (step: string) => step.replace(/^((?:dial|read) .*): missing$/, '$1: done')
    expect(now.slice(now.indexOf('stones: missing'))).toEqual(
      begun.slice(begun.indexOf('stones: missing')).map(doneNow),
    )
  })

  it('of one that is done, with the figures of its facts', () => {
    const of = start('sharpen')
    pressAll(of)
    expect(listOf(of)).toMatchInlineSnapshot(`
      [
        "wanted: done",
        "hold: left-out",
        "height: done",
        "mark A: done",
        "mark B: done",
        "decide: done",
        "stones: done",
        "grind A stone 1: done",
        "grind B stone 1: done",
        "grind A stone 2: done",
        "grind B stone 2: done",
        "burr: done",
        "prove A: done",
        "prove A tip: done",
        "prove B: done",
        "prove B tip: done",
        "put-to-use: done",
        "outcome: done",
      ]
    `)
    expect(stateOf(of, 'grind', 'A')).toMatchObject({ fact: { count: 40 } })
    expect(stateOf(of, 'height')).toMatchObject({ fact: { heightMm: of.now().evaluation.bladeHeightMm } })
    expect(stateOf(of, 'decide')).toMatchObject({ fact: { deg: 21 } })
    expect(stateOf(of, 'stones')).toMatchObject({ fact: { count: 2 } })
    const mark = stateOf(of, 'mark', 'A')
    expect(mark.is === 'done' && [mark.fact.deg! > 15, mark.fact.uncertaintyDeg]).toEqual([true, 0.3])
  })

  it('of one that only finds the angle', () => {
    const of = start('find-angle')
    pressAll(of)
    expect(listOf(of)).toMatchInlineSnapshot(`
      [
        "hold: left-out",
        "height: done",
        "mark A: done",
        "mark B: done",
      ]
    `)
  })
})

describe('what is no longer so', () => {
  it('a bevel that was tested again, and a decision from before the bevel was found anew', () => {
    const of = start('sharpen')
    for (let next = of.next(); next && next.id !== 'stones'; next = of.next()) of.press(next)
    of.test('A')
    expect(stateOf(of, 'mark', 'A')).toMatchObject({ is: 'out-of-date', because: ['tested-since'] })
    expect(of.next()).toMatchObject({ id: 'mark', side: 'A' })
    of.press(of.next()!)
    expect(of.next()).toMatchObject({ id: 'decide', state: { because: ['found-since'] } })
    // What is tested once the side was ground is what was ground: it asks for nothing that was found before.
    pressAll(of)
    of.test('A')
    expect([stateOf(of, 'mark', 'A')?.is, of.next()]).toEqual(['done', null])
  })

  it('a stone is under way until somebody says that it has done its work, or puts the edge to use', () => {
    const of = start('touch-up')
    for (let next = of.next(); next && next.id !== 'grind'; next = of.next()) of.press(next)
    expect(of.next()).toMatchObject({ side: 'A', toDo: { does: 'grind', strokes: 0 } })
    of.strokes('A')
    of.strokes('A')
    expect(of.next()).toMatchObject({ side: 'A', state: { is: 'under-way', done: 80 }, toDo: { strokes: 80 } })
    expect(stateOf(of, 'grind', 'B')).toEqual({ is: 'missing' })
    of.grind('A')
    expect(stateOf(of, 'grind', 'A')).toMatchObject({ is: 'done', fact: { count: 120 } })
    of.strokes('B')
    expect(stateOf(of, 'grind', 'B')).toMatchObject({ is: 'under-way', done: 40 })
    // Said for another angle, it says nothing of this one.
    const { deg } = of.job().wanted
    of.change({ wanted: { deg: { A: deg.A + 4, B: deg.B + 4 }, linked: true, why: 'Rolled.' } })
    expect(stateOf(of, 'grind', 'A')).toMatchObject({ is: 'out-of-date', because: ['wanted'] })
    of.change({ wanted: { deg, linked: true, why: '' } })
    const used = { ...of.log[0]!, id: robotId(900), at: '2026-06-01T09:00:00.000Z', stoneId: null }
    of.log.push({ ...used, kind: 'put-to-use' })
    expect(stateOf(of, 'grind', 'B')).toMatchObject({ is: 'done', fact: { count: 40 } })
  })

  it('strokes for another angle; strokes added up; a burr that is still there', () => {
    const of = start('new-angle')
    pressAll(of)
    of.grind('A')
    expect(stateOf(of, 'put-to-use')).toMatchObject({ is: 'out-of-date', because: ['ground-since'] })
    const strokes = stepsOf(of.now()).filter(({ id, side }) => id === 'grind' && side === 'A')
    expect(strokes.at(-1)!.state).toMatchObject({ fact: { count: 80 } })
    const burr = of.log.findLast((entry) => entry.kind === 'sharpness')!
    of.log.push({ ...burr, id: burr.id.replace(/.$/, 'f'), at: '2026-06-01T09:00:00.000Z', burr: 'A' })
    expect(stateOf(of, 'burr')).toEqual({ is: 'missing' })
    of.change({ wanted: { deg: { A: 26, B: 26 }, linked: true, why: 'Chipped.' } })
    expect(stateOf(of, 'grind', 'A')).toMatchObject({ is: 'out-of-date', because: ['wanted'] })
  })

  it('not what was ground in another position of a long blade; and a proof of before says that its bevel was cut', () => {
    const of = start('touch-up')
    pressAll(of)
    const at = of.log.findIndex((entry) => entry.kind === 'strokes' && entry.side === 'A')
    const strokes = of.log[at]!
    if (strokes.kind === 'strokes') of.log[at] = { ...strokes, setup: { ...strokes.setup!, position: 2 } }
    of.change({ hold: { ...of.job().hold, bladeYMm: of.job().hold.bladeYMm - 1 } })
    expect(stateOf(of, 'grind', 'A')).toMatchObject({ is: 'done' })
    expect(stateOf(of, 'grind', 'B')).toMatchObject({ is: 'out-of-date', because: ['hold'] })
    const old = start('touch-up')
    old.prove('A')
    const proof = old.log.at(-1)!
    expect(stateOf(old, 'grind', 'A')).toEqual({ is: 'missing' })
    if (proof.kind === 'proof') old.log.splice(-1, 1, { ...proof, setup: setupSaying({}) })
    expect(stateOf(old, 'grind', 'A')).toEqual({ is: 'done', fact: { at: proof.at } })
    expect(stateOf(old, 'grind', 'B')).toEqual({ is: 'missing' })
  })
})

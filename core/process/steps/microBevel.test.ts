import { describe, expect, it } from 'vitest'
import { bellyBlade, plainStone, postRig, scaleRig } from '../../geometry/setup/sampleSetup.fixture'
import { lastOf } from '../../math/list'
import { bench, pressAll, STONES, type Bench } from './robot.fixture'
import { anglesAsGround } from './asGround'
import { stepsOf } from './steps'

const MICRO = { addDeg: 3, stoneId: null } as const
const start = (rig = postRig, stone = plainStone) => bench(rig, bellyBlade, stone, 'touch-up')
/** What a press came to, with how the rig was set: "grind A 24.0". */
const ground = (of: Bench) =>
  of.log.flatMap((entry) =>
    entry.kind === 'strokes'
      ? [
          `${STONES.findIndex((id) => id === entry.stoneId) + 1} ${entry.side} ${entry.setup!.setDeg[entry.side]!.toFixed(0)}`,
        ]
      : [],
  )

describe('a job with a micro-bevel', () => {
  it.each([postRig, scaleRig])(
    'has it ground after the last stone, with that stone again, set so much steeper',
    (rig) => {
      const of = start(rig)
      of.change({ microBevel: MICRO, progression: [...STONES] })
      const pressed = pressAll(of)
      expect(ground(of)).toEqual(['1 A 21', '1 B 21', '2 A 21', '2 B 21', '2 A 24', '2 B 24'])
      expect(pressed.filter((key, i) => pressed.indexOf(key) !== i && !/^(dial|read)/.test(key))).toEqual([])
      // Against what is wanted of it, the edge runs as it would without.
      const plain = start(rig)
      plain.change({ progression: [...STONES] })
      pressAll(plain)
      const worst = (one: Bench) => anglesAsGround(one.now()).map(({ worstDeg }) => worstDeg)
      worst(of).forEach((deg, i) => expect(Math.abs(deg - worst(plain)[i]!)).toBeLessThan(0.5))
      expect(lastOf(of.log).kind).toBe('outcome')
    },
  )

  it('wants it with a stone of its own; without it, the edge is proved and used as its bevel was ground', () => {
    const of = start()
    of.change({ microBevel: { addDeg: 4, stoneId: STONES[1] }, progression: [STONES[0]] })
    pressAll(of)
    expect(ground(of)).toEqual(['1 A 21', '1 B 21', '2 A 25', '2 B 25'])
    const put = stepsOf(of.now()).find(({ id }) => id === 'put-to-use')!
    expect(put.state.is).toBe('done')
    of.change({ microBevel: null, onMicroBevel: true })
    expect(stepsOf(of.now()).filter(({ forMicroBevel }) => forMicroBevel)).toEqual([])
  })

  it('is dialled for it anew: what was dialled for the bevel is not out of date, it is for something else', () => {
    const of = start()
    of.change({ microBevel: MICRO, progression: [STONES[0]] })
    let next = of.next()!
    while (!(next.toDo.does === 'put-on' && next.forMicroBevel)) {
      of.press(next)
      next = of.next()!
    }
    of.press(next)
    expect(of.next()!).toMatchObject({ id: 'dial', side: 'A', state: { is: 'missing' } })
  })

  it('asks for it again once it is to be steeper by more than half a degree', () => {
    const of = start()
    of.change({ microBevel: MICRO, progression: [STONES[0]] })
    pressAll(of)
    const states = () =>
      stepsOf(of.now()).flatMap(({ id, forMicroBevel, state }) => (id === 'grind' ? [[forMicroBevel, state.is]] : []))
    of.change({ microBevel: { ...MICRO, addDeg: 3.3 } })
    expect(states()).toEqual([
      [false, 'done'],
      [false, 'done'],
      [true, 'done'],
      [true, 'done'],
    ])
    of.change({ microBevel: { ...MICRO, addDeg: 5 } })
    expect(states()).toEqual([
      [false, 'done'],
      [false, 'done'],
      [true, 'out-of-date'],
      [true, 'out-of-date'],
    ])
  })
})

describe('a strop', () => {
  const strop = { ...plainStone, kind: 'strop' } as const
  it.each([
    [-1.5, null, 19.5],
    [0, MICRO, 24],
    [2, MICRO, 26],
  ])('that lies %s° steeper is dialled for that over the apex', (stropAddDeg, microBevel, deg) => {
    const of = start(postRig, strop)
    of.change({ stropAddDeg, microBevel, progression: [STONES[0]] })
    let next = of.next()!
    while (next.toDo.does !== 'dial') {
      of.press(next)
      next = of.next()!
    }
    expect(next.toDo.givesDeg).toBeCloseTo(deg, 0)
    of.press(next)
    expect(of.now().setNow.setDeg.A).toBeCloseTo(deg, 0)
    expect(of.next()!.toDo.does).not.toBe('dial')
  })
})

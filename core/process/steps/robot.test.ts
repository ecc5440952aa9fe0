import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { PURPOSES, type Purpose } from '../../records/job/purpose'
import type { Blade } from '../../records/blade/blade'
import type { Rig } from '../../records/rig/rig'
import {
  armsRig,
  bellyBlade,
  plainStone,
  postRig,
  scaleRig,
  screwRig,
  slotRig,
  tableRig,
} from '../../geometry/setup/sampleSetup.fixture'
import { bench, pressAll, STONES, type Bench } from './robot.fixture'
import { stepsOf } from './steps'

const sabre: Blade = { ...bellyBlade, primaryGrindHeightMm: 14, widthMm: 28 }
const oneBevel: Blade = { ...sabre, bevels: 'A' }
const RIGS = { post: postRig, slot: slotRig, screw: screwRig, scale: scaleRig, arms: armsRig, table: tableRig }
const start = (purpose: Purpose, rig: Rig = postRig, blade = sabre) => bench(rig, blade, plainStone, purpose)

describe('a robot that presses what the line offers', () => {
  it.each(Object.keys(RIGS).flatMap((rig) => PURPOSES.map((purpose) => [rig, purpose] as const)))(
    'on the %s comes to the end of “%s”, with no step twice',
    (rig, purpose) => {
      for (const blade of purpose === 'sharpen' ? [sabre, oneBevel] : [sabre]) {
        const of = start(purpose, RIGS[rig as keyof typeof RIGS], blade)
        const pressed = pressAll(of)
        // A look is made and then recorded: twice the same step, by its own two parts. Two stones are put on in turn.
        const twice = pressed.filter((key, i) => pressed.indexOf(key) !== i && !key.startsWith('mark'))
        expect(twice.filter((key) => !/^(dial|read)/.test(key))).toEqual([])
        expect(stepsOf(of.now()).filter(({ state }) => state.is === 'out-of-date')).toEqual([])
      }
    },
  )

  it('whatever was done before in whatever order, comes to an end all the same', () => {
    const acts: Record<string, (of: Bench) => void> = {
      grindA: (of) => of.grind('A'),
      grindB: (of) => of.grind('B'),
      proveA: (of) => of.prove('A'),
      proveFarOff: (of) => of.prove('B', 3),
      test: (of) => of.test('A'),
      read: (of) => of.read('B'),
      otherStone: (of) => of.change({ stoneId: STONES[1] }),
      deeper: (of) => of.change({ hold: { ...of.job().hold, bladeYMm: of.job().hold.bladeYMm - 1 } }),
      wanted: (of) => of.change({ wanted: { deg: { A: 23, B: 23 }, linked: true, why: 'Chipped.' } }),
      press: (of) => {
        const next = of.next()
        if (next) of.press(next)
      },
    }
    const orders = fc.array(fc.constantFrom(...Object.keys(acts)), { maxLength: 12 })
    fc.assert(
      fc.property(fc.constantFrom(...PURPOSES), orders, (purpose, order) => {
        const of = start(purpose)
        for (const act of order) acts[act]!(of)
        pressAll(of)
        expect(of.next()).toBeNull()
      }),
      { numRuns: 20 },
    )
  })
})

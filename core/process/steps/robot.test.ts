import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import type { Job } from '../../records/job/job'
import { PURPOSES, type Purpose } from '../../records/job/purpose'
import { contactsAlong } from '../../geometry/contact/contact'
import { gripOf } from '../../geometry/hold/grip'
import { clearances, reachAlong } from '../../geometry/hold/holdChecks'
import { CLEARANCE_TOLERANCE_DEG } from '../../geometry/hold/jawClearance'
import { rodPoseAt } from '../../geometry/setup/setup'
import { evenEdgePoints } from '../../math/curve/edgePoints'
import type { Side } from '../../records/common/side'
import { heightOfSetting } from '../../records/rig/dial'
import type { DialSetting } from '../../records/rig/dials/readings'
import { SHAPES } from '../../records/blade/shapes'
import { SHAPE_IDS } from '../../records/blade/shapeMeasures'
import { blade as bladeSchema, type Blade } from '../../records/blade/blade'
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
import { bench, longBlade, pressAll, STONES, type Bench } from './robot.fixture'
import { stepsOf } from './steps'

const sabre: Blade = { ...bellyBlade, primaryGrindHeightMm: 14, widthMm: 28 }
const oneBevel: Blade = { ...sabre, bevels: 'A' }
const RIGS = { post: postRig, slot: slotRig, screw: screwRig, scale: scaleRig, arms: armsRig, table: tableRig }
const start = (purpose: Purpose, rig: Rig = postRig, blade = sabre) => bench(rig, blade, plainStone, purpose)

/** What the checks of the Hold sheet say against a setting. */
function objections(of: Bench, side: Side, setting: DialSetting): string[] {
  const { setup } = of.now()
  const height = heightOfSetting(setup.rig, setting)
  if (!height.ok) return [height.code]
  const places = evenEdgePoints(setup.blade.edge, 40)
  const along = contactsAlong(places, setup.hold, rodPoseAt(setup, side, height.heightMm))
  const { heel, between, tip } = reachAlong(setup, places, along)
  const reaches = [heel, between, tip].flatMap((one) => (one && !one.contact.ok ? [one.contact.code] : []))
  const fitted = clearances(setup, side, along).find(({ jaws }) => jaws.name === setup.rig.jaws?.name)?.nearest
  const meets = fitted && fitted.setDeg < fitted.lowestDeg - CLEARANCE_TOLERANCE_DEG ? ['stone-meets-jaws'] : []
  const grip = gripOf(setup.blade, setup.rig).trouble(setup.hold)
  return [...(grip ? [grip] : []), ...reaches, ...meets]
}

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

  it.each(['slot', 'screw', 'scale'] as const)(
    'one dial for two sides that differ, on the %s, comes to its end',
    (rig) => {
      for (const centreOffsetMm of [0.4, 1.2]) {
        const of = start('new-angle', RIGS[rig])
        of.change({ hold: { ...of.job().hold, centreOffsetMm } })
        pressAll(of)
        expect(stepsOf(of.now()).filter(({ state }) => state.is === 'out-of-date')).toEqual([])
      }
    },
  )

  it('finds the positions of a long blade anew for another wanted angle', () => {
    const of = bench({ ...postRig, rodLengthMm: 600 }, longBlade, plainStone, 'touch-up')
    of.change({ wanted: { deg: { A: 21, B: 21 }, linked: true, why: 'As it was.' } })
    expect(of.keepPositions(0.4)).toBe(true)
    of.change({ wanted: { deg: { A: 24, B: 24 }, linked: true, why: 'Chipped.' } })
    expect(of.next()?.toDo).toEqual({ does: 'find-positions', foundForDeg: 21 })
    expect(pressAll(of).slice(0, 2)).toEqual(['hold    find-positions', 'hold    hold-position 1'])
    expect(of.job().positions?.wantedDeg).toBe(24)
  })

  it('looks for a better hold where the angle runs off, the stone meets the jaws, or the rod is too short', () => {
    const firstTwo = (rig: Rig, hold: Partial<Job['hold']>) => {
      const of = bench(rig, sabre, plainStone, 'touch-up', true)
      of.change({
        wanted: { deg: { A: 21, B: 21 }, linked: true, why: 'As it was.' },
        hold: { ...of.job().hold, ...hold },
      })
      return pressAll(of)
        .slice(0, 2)
        .map((key) => key.split(' ').at(-1))
    }
    expect(firstTwo(postRig, { bladeXMm: 70 })).toEqual(['even-angle', 'measure-height'])
    const thick = { ...postRig, jaws: { ...postRig.jaws!, halfThicknessMm: 7 } }
    expect(firstTwo(thick, { bladeXMm: 18, bladeYMm: 12 })).toEqual(['clear-jaws', 'measure-height'])
    expect(firstTwo({ ...postRig, rodLengthMm: 140 }, { bladeXMm: 20 })).toEqual(['mend-hold', 'measure-height'])
  })

  it('any blade of the library, on any kind of rig, for any purpose: to the end, or to where no hold is to be had', () => {
    const cases = fc.record({
      shape: fc.constantFrom(...SHAPE_IDS),
      rig: fc.constantFrom(...Object.values(RIGS)),
      purpose: fc.constantFrom(...PURPOSES),
      deg: fc.integer({ min: 16, max: 26 }),
    })
    fc.assert(
      fc.property(cases, ({ shape, rig, purpose, deg }) => {
        const { usual, build } = SHAPES[shape]
        const widthMm = Math.max(usual.widthMm, usual.heelWidthMm)
        const measures = { ...build(usual), widthMm, primaryGrindHeightMm: widthMm / 2 }
        const of = bench(rig, bladeSchema.parse({ ...sabre, ...measures }), plainStone, purpose, true)
        of.change({ wanted: { deg: { A: deg, B: deg }, linked: true, why: 'As it was.' } })
        for (let n = 0; n < 60; n++) {
          const next = of.next()
          if (!next) return
          // Where the search finds no hold the line says so; whatever is dialled passes every check.
          if (next.toDo.does === 'dial') expect(objections(of, next.side!, next.toDo.setting)).toEqual([])
          if (!of.press(next)) {
            expect(next.toDo.does).toMatch(/^(mend-grip|mend-hold|clear-jaws|hold-otherwise)$/)
            return
          }
        }
        throw new Error('no end')
      }),
      { numRuns: 12 },
    )
  })

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

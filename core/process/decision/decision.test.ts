import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { bevelWidthMm } from '../../steel/bevel/bevelWidth'
import { reprofile } from '../../steel/bevel/reprofile'
import { curveLength } from '../../math/curve/arcLength'
import { edgePointAt } from '../../math/curve/edgePoints'
import type { Setup } from '../../geometry/setup/setup'
import type { Blade } from '../../records/blade/blade'
import type { FoundFace } from '../../observe/marker/findBevel'
import { neededToDecide } from '../../observe/marker/neededToDecide'
import { heldSetup, plainStone, slotRig } from '../../geometry/setup/sampleSetup.fixture'
import type { Stone } from '../../records/stone/stone'
import { decide, sharpeningsTo } from './decide'
import {
  APEX_WORN_MM,
  planSide,
  sharpeningsLeft,
  thickEnoughMm,
  thinningMm3,
  type PlannedPlace,
} from '../../steel/removal/plan'
import { plansFor, type Plans } from './plans'
import { toGrind, type SideBefore } from './toGrind'
import { coarsestSensible } from '../../steel/stones/coarsestSensible'
import { stoneRate, strokesToRemove } from '../../steel/stones/rate'
import { unevenRig } from './unevenRig'

const place = (of: Partial<PlannedPlace> & { thereDeg?: PlannedPlace['thereDeg'] }): PlannedPlace => ({
  zone: 0,
  lengthMm: 1,
  shoulderMm: 0.2,
  primaryDeg: 3,
  heightMm: 25,
  thereDeg: { apex: 22, shoulder: 22 },
  newDeg: 20,
  ...of,
})
const flat = (deg: number) => ({ apex: deg, shoulder: deg })
const along = (of: Partial<PlannedPlace>, count = 80) => Array.from({ length: count }, () => place(of))
const removed = (places: readonly PlannedPlace[]): number => {
  const plan = planSide(places)
  if (!plan.ok) throw new Error(plan.code)
  return plan.removedMm3
}

describe('what a plan comes to', () => {
  const angle = fc.double({ min: 12, max: 32, noNaN: true })
  const thickness = fc.double({ min: 0.1, max: 0.6, noNaN: true })
  const chip = fc.double({ min: 0.01, max: 1, noNaN: true })
  it('takes the area between old and new face, worn back so far, times the length', () => {
    fc.assert(
      fc.property(angle, angle, thickness, chip, (thereDeg, newDeg, shoulderMm, lostMm) => {
        const section = reprofile({ edgeAngleDeg: thereDeg, shoulderMm, primaryHalfAngleDeg: 3 }, newDeg, lostMm)
        const plan = planSide(along({ thereDeg: flat(thereDeg), newDeg, shoulderMm }, 50), lostMm)
        if (!plan.ok || !section.ok) throw new Error('both end on the blade')
        expect(plan.removedMm3).toBeCloseTo(50 * section.removedMm2, 6)
        expect(plan.zones[0]!.afterMm).toBeCloseTo(section.faceWidthMm, 6)
        expect(plan.zones[0]!.beforeMm).toBeCloseTo(bevelWidthMm(shoulderMm, thereDeg), 9)
        expect(plan.zones[0]!.atEdge).toBe(section.outcome === 'micro')
      }),
    )
  })
  it('ends on a hollow or a convex grind where its curve is', () => {
    fc.assert(
      fc.property(angle, angle, fc.double({ min: -0.25, max: 0.25, noNaN: true }), (thereDeg, newDeg, bowMm) => {
        const face = { lengthMm: 18, bowMm }
        const bevel = { edgeAngleDeg: thereDeg, shoulderMm: 0.3, primaryHalfAngleDeg: 3, face }
        const section = reprofile(bevel, newDeg, APEX_WORN_MM)
        const plan = planSide(along({ thereDeg: flat(thereDeg), newDeg, shoulderMm: 0.3, face }, 50))
        if (!plan.ok || !section.ok) throw new Error('both end on the blade')
        expect(Math.abs(plan.removedMm3 / (50 * section.removedMm2) - 1)).toBeLessThan(0.005)
        expect(Math.abs(plan.zones[0]!.afterMm / section.faceWidthMm - 1)).toBeLessThan(0.005)
      }),
    )
  })
  it('takes the bulge off a convex face too, w²Δ/12 over its chord', () => {
    const bulged = removed(along({ thereDeg: { apex: 22, shoulder: 18 } })) - removed(along({ thereDeg: flat(20) }))
    const width = 0.2 / Math.sin((20 * Math.PI) / 180)
    const bulge = (80 * width ** 2 * ((4 * Math.PI) / 180)) / 12
    expect(bulged).toBeGreaterThan(0.9 * bulge)
    expect(bulged).toBeLessThan(1.1 * bulge)
  })
  it('tells zones apart, and refuses an angle flatter than the flat of the blade', () => {
    const plan = planSide([place({ zone: 0 }), place({ zone: 0 }), place({ zone: 1, newDeg: 25 })])
    expect(plan.ok && plan.zones.map(({ zone, atEdge }) => [zone, atEdge])).toEqual([
      [0, false],
      [1, true],
    ])
    expect(planSide(along({ newDeg: 3 }))).toEqual({
      ok: false,
      code: 'flatter-than-primary',
      figures: { limitDeg: 3 },
    })
  })
  it('leaves fewer sharpenings the thicker the blade is, and none where it is too thick already', () => {
    const most = thickEnoughMm(20) / 2
    const left = [0.1, 0.2, 0.3, 0.39].map((shoulderMm) => sharpeningsLeft(place({ shoulderMm }), most))
    expect(left).toEqual([...left].sort((a, b) => b - a))
    expect(left[3]).toBeLessThan(40)
    expect(sharpeningsLeft(place({ shoulderMm: 0.5 }), most)).toBe(0)
  })
  it('says what thinning takes first, which is many times a bevel', () => {
    expect(thinningMm3(along({ shoulderMm: 0.3 }), 0.35)).toBe(0)
    expect(thinningMm3(along({ shoulderMm: 0.5 }), 0.35)).toBeGreaterThan(5 * removed(along({ shoulderMm: 0.5 })))
  })
  it('knows how thick a blade may be for what its angle is usual for', () => {
    expect([8, 17, 18.5, 40].map(thickEnoughMm)).toEqual([0.35, 0.55, 0.675, 1.8])
  })
})

describe('strokes', () => {
  const box = [125, 40, 10].map((grainUm) => ({ grainUm, kind: 'diamond' as const }))
  it('go by the steel and the grain', () => {
    expect(strokesToRemove(0.8, stoneRate(40, [])).middle).toBeCloseTo(100, 9)
  })
  it('are made with the coarsest stone whose scratches are not deeper than what goes', () => {
    // Over 60 mm² a 40 µm grain scratches 0.72 mm³ deep, a 125 µm one 2.25.
    expect([3, 1, 0.1].map((mm3) => coarsestSensible(box, mm3, 60)?.grainUm)).toEqual([125, 40, 10])
    expect(coarsestSensible([{ grainUm: 1, kind: 'strop' }], 1, 60)).toBeNull()
  })
})

describe('follow, cut, or step by step', () => {
  const side = (thereDeg: number, wantedDeg: number, uncertaintyDeg = 0.4) => ({ thereDeg, wantedDeg, uncertaintyDeg })
  it.each([
    ['as near as it is known', [side(20.6, 20)], 5, 'follow', 'close'],
    ['within its uncertainty', [side(21, 20, 1.2)], 5, 'follow', 'close'],
    ['steeper on both sides', [side(18, 20), side(19.8, 20)], 30, 'cut', 'steeper'],
    ['flatter, in a few minutes', [side(23, 20), side(22, 20)], 6, 'cut', 'soon-done'],
    ['off by just as much as is not worth a change', [side(20.75, 20)], 60, 'follow', 'close'],
    ['flatter by that on one side, steeper on the other', [side(20.75, 20), side(18, 20)], 11, 'cut', 'long-work'],
    ['flatter, in as many minutes as are cut at once', [side(23, 20)], 10, 'cut', 'soon-done'],
    ['flatter on one side, in an hour', [side(24, 20), side(20, 20)], 60, 'nearer', 'long-work'],
    ['flatter by a single step, in an hour', [side(21, 20)], 60, 'cut', 'long-work'],
    ['flatter, and not to be ground', [side(23, 20)], null, 'follow', 'cannot-cut'],
  ] as const)('%s', (_, sides, minutes, choice, reason) => {
    expect(decide(sides, minutes)).toEqual({ choice, reason })
  })
  it('comes nearer by no more than a degree at a time', () => {
    expect([23.4, 21, 20, 17.5].map((deg) => sharpeningsTo(deg, 20))).toEqual([4, 1, 1, 3])
  })
})

describe('an uneven pattern', () => {
  it('is the rig where the bevel is even and what is set is not', () => {
    expect(unevenRig([20, 20, 18.8], [20.3, 20.5, 20.2])).toEqual({
      fromDeg: 18.8,
      toDeg: 20,
      bladeDeg: expect.closeTo(0.3, 9),
    })
  })
  it('is the blade where it differs itself; and nothing is said of what is even, or not known', () => {
    expect(unevenRig([20, 20, 18.8], [20, 21.5, 22])).toBeNull()
    expect(unevenRig([20, 20, 19.6], [20, 20, 20])).toBeNull()
    expect(unevenRig([20, 20, 18.8], [20.3, null, 20.2])).toBeNull()
  })
})

describe('the plans in full', () => {
  const zones = [
    { kind: 'heel', fromMm: 0, toMm: 55 },
    { kind: 'belly', fromMm: 55, toMm: 98.2 },
  ] as const
  const face = (deg: number, uncertaintyDeg = 0.4): FoundFace => {
    const angle = { fromDeg: deg - uncertaintyDeg, middleDeg: deg, toDeg: deg + uncertaintyDeg }
    return { kind: 'flat', kindOdds: 1, angle, shoulder: angle }
  }
  const stones = [125, 40, 10].map((grainUm): Stone => ({ ...plainStone, name: `${grainUm} µm`, grainUm }))
  type Ends = readonly [a: number, b: number]
  const plansOf = (thereDeg: Ends, wantedDeg: Ends, setup = heldSetup): Plans<Stone> =>
    plansFor({
      setup,
      edgePoint: edgePointAt(setup.blade.edge, 40),
      zones,
      stones,
      sides: (['A', 'B'] as const).map((side, i) => ({
        side,
        faces: zones.map(() => face(thereDeg[i]!)),
        wantedDeg: wantedDeg[i]!,
      })),
    })
  const plans = (thereDeg: number, wantedDeg: number, setup = heldSetup) =>
    plansOf([thereDeg, thereDeg], [wantedDeg, wantedDeg], setup)
  const blade = (of: Partial<Blade>): Setup => ({ ...heldSetup, blade: { ...heldSetup.blade, ...of } })
  const sideA = (all: Plans<Stone>, choice: string) => {
    const [a] = of(all, choice).sides
    if (!a?.ok) throw new Error('it can be ground')
    return a
  }
  const of = (all: Plans<Stone>, choice: string) => all.plans.find((plan) => plan.choice === choice)!

  it('put the advised one first, and step by step only where it takes more than one sharpening', () => {
    const flatter = plans(25, 21)
    expect(flatter.plans[0]!.choice).toBe(flatter.advised.choice)
    expect(of(flatter, 'nearer').sharpenings).toBe(4)
    expect(of(flatter, 'cut').sharpenings).toBe(1)
    expect(flatter.there[0]).toEqual({
      side: 'A',
      thereDeg: expect.closeTo(25, 9) as number,
      uncertaintyDeg: expect.closeTo(0.4, 9),
      wantedDeg: 21,
    })
    expect(of(plansOf([25, 22], [21, 21]), 'nearer').sharpenings).toBe(4)
    expect(of(flatter, 'nearer').sides.map(({ deg }) => deg)).toEqual([24, 24])
    expect(plans(22, 21.5).plans.map(({ choice }) => choice)).toEqual(['follow', 'cut'])
    expect(plans(22, 21.5).advised).toEqual({ choice: 'follow', reason: 'close' })
  })
  it('take more steel the further they go, within what the uncertainty of the bevel leaves open', () => {
    const all = plans(25, 21)
    const [follow, nearer, cut] = ['follow', 'nearer', 'cut'].map((choice) => of(all, choice).sides[0]!)
    if (!follow?.ok || !nearer?.ok || !cut?.ok) throw new Error('all can be ground')
    expect(follow.removedMm3).toBeLessThan(nearer.removedMm3)
    expect(nearer.removedMm3).toBeLessThan(cut.removedMm3)
    expect(cut.rangeMm3[0]).toBeLessThan(cut.removedMm3)
    expect(cut.rangeMm3[1]).toBeGreaterThan(cut.removedMm3)
    expect(cut.setDeg).toBeCloseTo(21, 0)
  })
  it('say what there is to grind, by marker tests or one angle all along', () => {
    const sides = (there: (i: number) => SideBefore['there']) =>
      (['A', 'B'] as const).map((side, i) => ({ side, wantedDeg: 21, there: there(i) }))
    const ask = { setup: heldSetup, edgePoint: edgePointAt(heldSetup.blade.edge, 40), zones }
    const tested = toGrind({ ...ask, sides: sides(() => zones.map(() => face(25))) })
    const cut = of(plans(25, 21), 'cut').sides.map((side) => side.ok && side.removedMm3)
    expect(tested).toMatchObject({ ok: true, sides: cut.map((removedMm3) => ({ removedMm3 })) })
    const proved = toGrind({ ...ask, sides: sides(() => ({ deg: 25, uncertaintyDeg: 1 })) })
    if (!proved.ok || !tested.ok) throw new Error('both can be ground')
    expect(proved.sides[0]!.removedMm3).toBeCloseTo(tested.sides[0]!.removedMm3, 9)
    const [least, most] = proved.sides[0]!.rangeMm3
    expect(most - least).toBeGreaterThan(0.2 * proved.sides[0]!.removedMm3)
    expect(
      toGrind({ ...ask, sides: sides(() => zones.map(() => face(25))).map((one) => ({ ...one, wantedDeg: 2 })) }).ok,
    ).toBe(false)
  })
  it('are timed by one stone for both sides, that of the strokes', () => {
    const { sides, stone, minutes } = of(plans(25, 21), 'cut')
    const strokes = sides.reduce((sum, side) => sum + (side.ok ? side.strokes!.middle : NaN), 0)
    const steel = sides.reduce((sum, side) => sum + (side.ok ? side.removedMm3 : NaN), 0)
    expect(strokes).toBeCloseTo(strokesToRemove(steel, stoneRate(stone!.grainUm, [])).middle, 6)
    expect(minutes).toBeCloseTo((strokes * 1.5) / 60, 6)
  })
  it('say which the rig dials alike, and why one cannot be ground', () => {
    const slots = plans(25, 24.5, { ...heldSetup, rig: slotRig })
    expect(slots.plans.map(({ sameAs }) => sameAs)).toEqual([null, 'follow'])
    const tooFlat = of(plans(20, 2), 'cut')
    expect(tooFlat.sides.every(({ ok }) => !ok)).toBe(true)
    expect(tooFlat.minutes).toBeNull()
    expect(tooFlat.sides[0]).toMatchObject({ ok: false, side: 'A', deg: 2, refusal: { ok: false } })
    expect(plans(20, 2).advised.reason).toBe('cannot-cut')
  })
  it('are alike on every side, or not alike', () => {
    const other = plansOf([25, 25], [24.5, 20], { ...heldSetup, rig: slotRig })
    expect(of(other, 'cut').sameAs).toBeNull()
  })
  it('have no stone where a single side cannot be ground, and are not advised then', () => {
    const oneSide = plansOf([20, 25], [2, 21])
    expect(of(oneSide, 'cut')).toMatchObject({ stone: null, minutes: null, sides: [{ ok: false }, { ok: true }] })
    expect(oneSide.advised).toEqual({ choice: 'follow', reason: 'cannot-cut' })
  })
  it('are refused where the stone does not reach all of the edge, or a bevel would not end on the blade', () => {
    const reach = plans(25, 21, { ...heldSetup, rig: { ...heldSetup.rig, rodLengthMm: 128 } })
    expect(of(reach, 'cut').sides[0]).toMatchObject({ ok: false, refusal: { code: 'beyond-rod' } })
    const steep = plans(25, 21, blade({ primaryGrindHeightMm: 3 }))
    expect(of(steep, 'cut').sides[0]).toMatchObject({ ok: false, deg: 21, refusal: { code: 'flatter-than-primary' } })
  })
  it('are advised by the minutes that cutting takes', () => {
    const [long, short] = [plans(25, 21), plans(25, 21, blade({ thicknessBehindEdgeMm: 0.12 }))]
    for (const all of [long, short]) expect(all.advised).toEqual(decide(all.there, of(all, 'cut').minutes))
    expect([long, short].map(({ advised }) => advised.reason)).toEqual(['long-work', 'soon-done'])
  })
  it('count every stretch of the edge once', () => {
    const { faceMm2, zones: found } = sideA(plans(25, 21), 'cut')
    const whole = plansFor({
      setup: heldSetup,
      edgePoint: edgePointAt(heldSetup.blade.edge, 40),
      zones: [{ kind: 'middle', fromMm: 0, toMm: 98.2 }],
      stones,
      sides: [{ side: 'A', faces: [face(25)], wantedDeg: 21 }],
    })
    const [one] = of(whole, 'cut').sides
    if (!one?.ok) throw new Error('it can be ground')
    expect(found).toHaveLength(2)
    expect(one.faceMm2).toBeCloseTo(faceMm2, 9)
    expect(one.faceMm2).toBeCloseTo(one.zones[0]!.afterMm * curveLength(heldSetup.blade.edge), 6)
  })
  it('leave as many sharpenings as where the blade is thickest, and more where all of it may be on one side', () => {
    const tapered = sideA(plans(20, 20.5, blade({ thicknessBehindEdgeMm: 0.4, thicknessBehindEdgeTipMm: 0.1 })), 'cut')
    const left = (mm: number) => sideA(plans(20, 20.5, blade({ thicknessBehindEdgeMm: mm })), 'cut').left
    expect(Math.abs(tapered.left - left(0.4))).toBeLessThan(3)
    expect(left(0.1)).toBeGreaterThan(left(0.4) + 10)
    const both = sideA(plans(20, 20.5, blade({ thicknessBehindEdgeMm: 1.2, spineThicknessMm: 3 })), 'cut')
    expect(both.thinningMm3).toBeGreaterThan(0)
    const oneSided = blade({ bevels: 'A', thicknessBehindEdgeMm: 0.6, spineThicknessMm: 1.5 })
    expect(sideA(plans(20, 20.5, oneSided), 'cut').thinningMm3).toBe(0)
  })
  it('go by the side with the least to take for its face', () => {
    const all = of(plansOf([25, 21.8], [21, 21]), 'cut')
    const [a, b] = all.sides
    if (!a?.ok || !b?.ok) throw new Error('both can be ground')
    const stoneOf = ({ removedMm3, faceMm2 }: typeof a) => coarsestSensible(stones, removedMm3, faceMm2)
    expect(all.stone).toEqual(stoneOf(b))
    expect(stoneOf(a)!.grainUm).toBeGreaterThan(stoneOf(b)!.grainUm)
  })
})

describe('a bevel that marker tests found well enough to decide', () => {
  it('is followed for being close only where it is close: what is off stays surely off', () => {
    const at = fc.double({ min: 0, max: 12, noNaN: true })
    fc.assert(
      fc.property(at, fc.integer({ min: 1, max: 9 }), (offDeg, zones) => {
        const needed = neededToDecide(new Array<number>(zones).fill(20 - offDeg), 20, 0.5)
        expect(needed).toBeGreaterThanOrEqual(0.5)
        expect(needed).toBeLessThanOrEqual(1.5)
        const there = [{ thereDeg: 20 - offDeg, uncertaintyDeg: needed, wantedDeg: 20 }]
        expect(decide(there, 5).reason === 'close').toBe(offDeg <= 0.75)
      }),
    )
    expect(neededToDecide([], 20, 0.5)).toBe(0.5)
    expect([20, 18.5, 14].map((deg) => neededToDecide([deg, deg, deg, deg], 20, 0.5))).toEqual([1, 1.125, 1.5])
  })
})

import { finished } from '../math/finished.fixture'
import { describe, expect, it } from 'vitest'
import { contactsAlong } from '../geometry/contact/contact'
import { blade as bladeSchema, type Blade } from '../records/blade/blade'
import { clampFrame, toBladeFrame } from '../geometry/clamping/clampFrame'
import { markUnderLandmark } from '../geometry/hold/landmark'
import { adviseDial } from '../geometry/dial/advised'
import { whatToDial } from '../geometry/dial/whatToDial'
import { pivotHeightFor } from '../geometry/dial/pivotHeightFor'
import { CLEARANCE_TOLERANCE_DEG, shortOverJawsDeg } from '../geometry/hold/jawClearance'
import { SHAPES } from '../records/blade/shapes'
import type { SHAPE_IDS } from '../records/blade/shapeMeasures'
import { evenEdgePoints, edgePointAt } from '../math/curve/edgePoints'
import { contactFor, rodPoseAt, type Setup } from '../geometry/setup/setup'
import { postRig, sampleSetup, scaleRig, slotRig, tableRig } from '../geometry/setup/sampleSetup.fixture'
import { edgeTangents } from './evenness'
import { findPlacement, placementRange } from './findPlacement'
import { holdLimits } from './holdLimits'
import { leastSteel } from './leastSteel'
import type { Side } from '../records/common/side'
import { positionsFor, type Positions } from './longBlade'

const sabre: Blade = { ...sampleSetup.blade, primaryGrindHeightMm: 14, widthMm: 28 }
/** A shape of the library with its usual measures. */
function shaped(shape: (typeof SHAPE_IDS)[number]) {
  const { usual, build } = SHAPES[shape]
  const widthMm = Math.max(usual.widthMm, usual.heelWidthMm)
  return bladeSchema.parse({ ...sabre, ...build(usual), widthMm, primaryGrindHeightMm: widthMm / 2 })
}
const setup: Setup = { ...sampleSetup, blade: sabre, hold: { ...sampleSetup.hold, bladeYMm: 8 } }
const edgePoints = evenEdgePoints(sabre.edge, 300)
const limits = holdLimits(setup, 'A', edgePoints)

describe('what stands against a hold', () => {
  it.each([
    ['off-the-blade', { bladeXMm: 4 }, 52],
    ['too-little-held', { bladeYMm: 2 }, 52],
    ['off-the-flat', { bladeYMm: 17 }, 52],
    ['height-out-of-rig', {}, 95],
    [null, {}, 52],
  ] as const)('%s', (trouble, change, heightMm) => {
    expect(limits({ ...setup.hold, ...change }, heightMm)).toBe(trouble)
  })

  it('the rod’s end, its stops and the jaws', () => {
    const at = (rig: Partial<Setup['rig']>, heightMm = 52) =>
      holdLimits({ ...setup, rig: { ...setup.rig, ...rig } }, 'A', edgePoints)(setup.hold, heightMm)
    expect(at({ rodLengthMm: 110 })).toBe('rod-too-short')
    expect(at({ stroke: { nearestMm: 135, farthestMm: 300 } })).toBe('stops-too-near')
    expect(at({ jaws: { ...setup.rig.jaws!, halfThicknessMm: 12 } })).toBe('stone-meets-jaws')
  })
})

describe('the best hold within them', () => {
  it('is allowed, no worse than the present one, and its mark gives what it says', () => {
    const found = finished(
      findPlacement({ setup, side: 'A', wantedDeg: 20, edgePoints, aim: 'even', onMarks: false, thereDeg: null }),
    )
    const { best, atMark } = found
    expect(limits(best!.hold, best!.pivotHeightMm)).toBeNull()
    const worstNow = Math.max(
      ...contactsAlong(edgePoints, setup.hold, rodPoseAt(setup, 'A', 52.5)).map((contact) =>
        contact.ok ? Math.abs(contact.edgeAngleDeg - 20) : Infinity,
      ),
    )
    expect(best!.cost).toBeLessThan(worstNow)
    expect(Math.abs(atMark!.worstDeg)).toBeGreaterThanOrEqual(best!.cost - 1e-6)
    expect(Math.abs(atMark!.worstDeg)).toBeLessThan(best!.cost + 0.2)
    // The place that it is for gets the wanted angle, and asked for that place the dial is the same.
    const there = edgePointAt(sabre.edge, atMark!.evenAtMm)
    const held = { ...setup, hold: best!.hold }
    const given = contactFor(held, 'A', atMark!.setting, there)
    expect(given.ok && given.edgeAngleDeg).toBeCloseTo(20, 2)
    const advised = adviseDial(held, 'A', 20, there)
    expect(advised.ok && advised.setting).toEqual(atMark!.setting)
  })

  it.each([
    ['leaf', slotRig, 16],
    ['slicer', scaleRig, 15],
  ] as const)(
    'can be dialled: between the places that are searched the stone clears the jaws too (%s)',
    (shape, rig, wantedDeg) => {
      const blade = shaped(shape)
      const edgePoints = evenEdgePoints(blade.edge, 400)
      const begun = { ...setup, rig, blade }
      const { best, atMark } = finished(
        findPlacement({ setup: begun, side: 'A', wantedDeg, edgePoints, aim: 'even', onMarks: false, thereDeg: null }),
      )
      const there = edgePointAt(blade.edge, atMark!.evenAtMm)
      expect(adviseDial({ ...begun, hold: best!.hold }, 'A', wantedDeg, there).ok).toBe(true)
    },
  )

  it.each(['leaf', 'angular-tip', 'chisel-tip'] as const)(
    'on a plate takes the best slot that is allowed, not none because the nearest is not (%s)',
    (shape) => {
      const blade = shaped(shape)
      const begun = { ...setup, rig: slotRig, blade }
      const edgePoints = evenEdgePoints(blade.edge, 400)
      const { best, atMark } = finished(
        findPlacement({
          setup: begun,
          side: 'A',
          wantedDeg: 12,
          edgePoints,
          aim: 'even',
          onMarks: false,
          thereDeg: null,
        }),
      )
      const held = { ...begun, hold: best!.hold }
      const at = edgePointAt(blade.edge, atMark!.evenAtMm)
      const [nearest, advised] = [whatToDial(held, 'A', 12, at), adviseDial(held, 'A', 12, at)]
      expect(nearest.ok && nearest.setting).not.toEqual(atMark!.setting)
      expect(advised.ok && advised.setting).toEqual(atMark!.setting)
    },
  )

  describe('for both sides, with the pivot off the middle', () => {
    const rig = { ...setup.rig, pivot: { setbackMm: 95, alongMm: 5, overScaleMm: 0 } }
    const WANTED = 19
    const deviation = (held: Setup, side: Side, heightMm: number) =>
      Math.max(
        ...contactsAlong(evenEdgePoints(held.blade.edge, 200), held.hold, rodPoseAt(held, side, heightMm)).map(
          (contact) => (contact.ok ? Math.abs(contact.edgeAngleDeg - WANTED) : Infinity),
        ),
      )
    const search = (of: Setup, oneDial: boolean | null) =>
      finished(
        findPlacement({
          setup: of,
          side: 'A',
          wantedDeg: WANTED,
          other: oneDial === null ? null : { side: 'B', wantedDeg: WANTED, oneDial },
          edgePoints: evenEdgePoints(of.blade.edge, 200),
          aim: 'even',
          onMarks: false,
          thereDeg: null,
        }),
      )

    it.each(['leaf', 'drop-point', 'recurved'] as const)(
      'the worse of them is better than where one side was served (%s)',
      (shape) => {
        const of = { ...setup, rig, blade: shaped(shape) }
        const worse = ({ best }: ReturnType<typeof search>) => {
          const held = { ...of, hold: best!.hold }
          return Math.max(deviation(held, 'A', best!.pivotHeightMm), deviation(held, 'B', best!.pivotHeightMm))
        }
        const [one, both, eachOwn] = [search(of, null), search(of, true), search(of, false)]
        expect(worse(both)).toBeCloseTo(both.best!.cost, 3)
        expect(worse(both)).toBeLessThan(worse(one) - 0.1)
        // What is dialled is dialled for both, and each side says what it has then.
        expect(both.otherAtMark!.setting).toEqual(both.atMark!.setting)
        const held = { ...of, hold: both.best!.hold }
        expect(Math.abs(both.otherAtMark!.worstDeg)).toBeCloseTo(deviation(held, 'B', both.atMark!.heightMm), 3)
        // With a dial for each side it can only be better; each has the height that its own side needs.
        expect(eachOwn.best!.cost).toBeLessThan(both.best!.cost + 0.01)
        const own = { ...of, hold: eachOwn.best!.hold }
        const { pivotHeightMm, otherHeightMm, cost } = eachOwn.best!
        expect(Math.max(deviation(own, 'A', pivotHeightMm), deviation(own, 'B', otherHeightMm!))).toBeCloseTo(cost, 3)
      },
    )

    it('on a rig that is alike for both it is the hold of either', () => {
      const alike = { ...setup, rig: { ...setup.rig, pivot: { setbackMm: 95, alongMm: 0, overScaleMm: 0 } } }
      expect(search(alike, true).best!.cost).toBeCloseTo(search(alike, null).best!.cost, 2)
    })
  })

  it('where the edge is hollow the stone comes nearest to the jaws between two places: that is where it has to clear them', () => {
    const blade = shaped('recurved')
    const hold = { ...setup.hold, bladeXMm: 51.274855, bladeYMm: 4.048176, turnDeg: 0 }
    const held = { ...setup, rig: postRig, blade, hold }
    const there = edgePointAt(blade.edge, 60)
    const meets = (places: number, setDeg: number) => {
      const heightMm = pivotHeightFor(held, 'A', setDeg, there)
      const along = heightMm.ok
        ? contactsAlong(evenEdgePoints(blade.edge, places), hold, rodPoseAt(held, 'A', heightMm.heightMm))
        : []
      return shortOverJawsDeg(held, 'A', postRig.jaws!, along)
    }
    const refused = adviseDial(held, 'A', 14.5, there)
    expect(refused).toMatchObject({ code: 'stone-meets-jaws' })
    const limitDeg = refused.ok ? NaN : Number(refused.figures!.limitDeg)
    expect(meets(2000, limitDeg)).toBeLessThan(CLEARANCE_TOLERANCE_DEG)
    // A little flatter the stone clears them at each of sixty places.
    expect(meets(60, limitDeg - 0.15)).toBe(0)
    expect(meets(2000, limitDeg - 0.15)).toBeGreaterThan(2 * CLEARANCE_TOLERANCE_DEG)
  })

  it('rests on a stop where the rig has stops, and lies on a table as it does', () => {
    const stops = [
      { name: 'pin', depthMm: 9 },
      { name: 'too deep', depthMm: 20 },
    ]
    expect(placementRange({ ...setup, rig: { ...setup.rig, stops } })).toMatchObject({
      depthsMm: [9],
      freeDepthMm: null,
    })
    expect(placementRange({ ...setup, rig: tableRig, hold: { ...setup.hold, bladeYMm: 0 } })).toMatchObject({
      depthsMm: [0],
      freeDepthMm: null,
    })
  })

  it('lays the landmark on a mark where that is asked for, turned or not, and says that between the marks it would be better', () => {
    const marked: Setup = {
      ...setup,
      rig: { ...setup.rig, positionMarks: [-22, -26].map((alongMm) => ({ name: `at ${alongMm}`, alongMm })) },
      blade: { ...sabre, landmark: { what: 'stud', alongMm: 34 } },
    }
    const hold = (onMarks: boolean) =>
      finished(
        findPlacement({ setup: marked, side: 'A', wantedDeg: 20, edgePoints, aim: 'even', onMarks, thereDeg: null }),
      )
    const [free, bound] = [hold(false), hold(true)]
    expect(bound.best!.hold.turnDeg).not.toBeCloseTo(0, 1)
    const frame = clampFrame(bound.best!.hold)
    const underFront = toBladeFrame([markUnderLandmark(marked.rig, marked.blade, bound.best!.hold)!.alongMm, 0], frame)
    expect(underFront[0]).toBeCloseTo(34, 9)
    expect(bound.best!.cost).toBeGreaterThan(free.best!.cost)
    expect(bound.bounds).toContain('between-marks')
    expect(bound.map.bladeXMm).toEqual([56, 60])
    expect(placementRange({ ...marked, blade: sabre }, true).onMarks).toBeNull()
  })

  it('says so where only a place between two stops would be better', () => {
    const stops = [
      { name: 'shallow', depthMm: 5 },
      { name: 'deep', depthMm: 7 },
    ]
    const mark = { ...sabre, landmark: { what: 'stud', alongMm: 34 } }
    const jaws = { ...setup.rig.jaws!, halfThicknessMm: 2.5 }
    const rig = { ...setup.rig, jaws, stops, positionMarks: [{ name: 'far', alongMm: -22 }] }
    const found = finished(
      findPlacement({
        setup: { ...setup, blade: mark, rig },
        side: 'A',
        wantedDeg: 20,
        edgePoints,
        aim: 'even',
        onMarks: true,
        thereDeg: null,
      }),
    )
    expect(found.best!.hold.bladeYMm).toBe(7)
    expect(found.bounds).toContain('between-stops')
  })

  it('a post that ends too low is set to its end, and the rest of the deviation is owned up to', () => {
    const low: Setup = {
      ...setup,
      rig: { ...setup.rig, height: { ...setup.rig.height, highestMm: 50 } as Setup['rig']['height'] },
    }
    const ask = { side: 'A' as const, wantedDeg: 24, edgePoints, aim: 'even' as const, onMarks: false, thereDeg: null }
    const [ended, free] = [finished(findPlacement({ ...ask, setup: low })), finished(findPlacement({ ...ask, setup }))]
    expect(free.best!.pivotHeightMm).toBeGreaterThan(50)
    expect(ended.best!.pivotHeightMm).toBe(50)
    expect(ended.bounds).toContain('height-out-of-rig')
    const along = contactsAlong(edgePoints, ended.best!.hold, rodPoseAt({ ...low, hold: ended.best!.hold }, 'A', 50))
    expect(
      Math.max(...along.map((contact) => (contact.ok ? Math.abs(contact.edgeAngleDeg - 24) : Infinity))),
    ).toBeCloseTo(ended.best!.cost, 3)
  })

  it.each([
    ['rod-too-short', { rig: { rodLengthMm: 60 } }],
    ['stone-meets-jaws', { rig: { jaws: { ...setup.rig.jaws!, halfThicknessMm: 14 } } }],
    ['off-the-blade', { rig: { jaws: { ...setup.rig.jaws!, widthMm: 140 } } }],
    ['no-angle', { stone: { faceOffsetMm: 600 } }],
  ] as const)(
    'says why it can be held nowhere: %s',
    (why, { rig = {}, stone = {} }: { rig?: Partial<Setup['rig']>; stone?: Partial<Setup['stone']> }) => {
      const found = finished(
        findPlacement({
          setup: { ...setup, rig: { ...setup.rig, ...rig }, stone: { ...setup.stone, ...stone } },
          side: 'A',
          wantedDeg: 20,
          edgePoints,
          aim: 'even',
          onMarks: false,
          thereDeg: null,
        }),
      )
      expect(found.best).toBeNull()
      expect(found.whyNone[0]).toBe(why)
    },
  )

  it('for the least steel a plate is set to the slot below, so that nowhere the stone runs steeper than what is there', () => {
    const there = { edgeAngleDeg: 22, shoulderMm: 0.25, primaryHalfAngleDeg: 2.7 }
    const fixedPlate: Setup['rig'] = {
      ...setup.rig,
      height: { by: 'slot', slideMm: 0, slots: [40, 50, 60].map((heightMm) => ({ label: `${heightMm}`, heightMm })) },
    }
    const [plate, post] = [fixedPlate, setup.rig].map((rig) =>
      leastSteel({ ...setup, rig }, 'A', setup.hold, edgeTangents(edgePoints), edgePoints, there)!,
    )
    expect(post!.pivotHeightMm).toBeGreaterThan(plate!.pivotHeightMm)
    expect(post!.pivotHeightMm).toBeLessThan(plate!.pivotHeightMm + 10)
    expect(plate!.cost).toBeGreaterThan(post!.cost)
  })

  it('takes no steel off a straight edge held at the angle that is there', () => {
    const straight = evenEdgePoints([{ type: 'line', from: [0, 28], to: [90, 28] }], 50)
    const there = { edgeAngleDeg: 20, shoulderMm: 0.25, primaryHalfAngleDeg: 2.7 }
    expect(leastSteel(setup, 'A', setup.hold, edgeTangents(straight), straight, there)!.cost).toBeLessThan(1e-9)
    expect(leastSteel(setup, 'A', setup.hold, edgeTangents(edgePoints), edgePoints, there)!.cost).toBeGreaterThan(1e-4)
  })
})

describe('a long blade', () => {
  const edge: Blade['edge'] = [
    {
      type: 'bezier',
      points: [
        [0, 30],
        [60, 36],
        [150, 34],
        [190, -10],
      ],
    },
  ]
  const long: Setup = {
    ...setup,
    blade: { ...sabre, edge, widthMm: 34, primaryGrindHeightMm: 18 },
    rig: { ...setup.rig, rodLengthMm: 420 },
  }
  const along = evenEdgePoints(edge, 240)
  const positions = (toleranceDeg: number): Positions =>
    finished(
      positionsFor({
        setup: long,
        side: 'A',
        wantedDeg: 18,
        toleranceDeg,
        edgePoints: along,
        range: placementRange(long),
      }),
    )

  it('takes the fewer positions the more deviation is allowed, end to end, each within the tolerance', () => {
    const [few, many] = [positions(2.5), positions(0.2)]
    if (!few.ok || !many.ok) throw new Error('no positions')
    expect(many.positions.length).toBeGreaterThan(few.positions.length)
    expect(many.positions[0]!.fromMm).toBe(0)
    expect(many.positions.at(-1)!.toMm).toBeCloseTo(along.at(-1)!.fromHeelMm, 6)
    for (const position of many.positions) {
      const stretch = along.filter(
        (edgePoint) =>
          edgePoint.fromHeelMm >= position.coversFromMm - 1e-9 && edgePoint.fromHeelMm <= position.coversToMm + 1e-9,
      )
      const contacts = contactsAlong(
        stretch,
        position.hold,
        rodPoseAt({ ...long, hold: position.hold }, 'A', position.pivotHeightMm),
      )
      for (const contact of contacts)
        expect(contact.ok && Math.abs(contact.edgeAngleDeg - 18)).toBeLessThanOrEqual(0.2 + 1e-5)
      // A mark of half a millimetre is a tenth of a degree here or so to each side.
      expect(Math.abs(position.atMark!.worstDeg)).toBeLessThan(0.2 + 0.2)
      expect(position.atMark!.worstAtMm).toBeGreaterThanOrEqual(position.fromMm)
      expect(position.atMark!.worstAtMm).toBeLessThanOrEqual(position.toMm)
    }
    for (const [i, seam] of many.seams.entries()) {
      const [before, after] = [i, i + 1].map((k) => {
        const { hold, atMark } = many.positions[k]!
        const contact = contactsAlong(
          [edgePointAt(edge, seam.atMm)],
          hold,
          rodPoseAt({ ...long, hold }, 'A', atMark!.heightMm),
        )[0]!
        return contact.ok ? contact.edgeAngleDeg : NaN
      })
      expect(Math.abs(before! - after!)).toBeCloseTo(seam.apartDeg, 3)
      expect(seam.apartDeg).toBeLessThanOrEqual(0.4)
      expect(seam.atMm).toBeGreaterThanOrEqual(many.positions[i + 1]!.coversFromMm - 1e-9)
      expect(seam.atMm).toBeLessThanOrEqual(many.positions[i]!.coversToMm + 1e-9)
    }
  })

  it('says from where on nothing helps', () => {
    expect(
      finished(
        positionsFor({
          setup: { ...long, rig: { ...long.rig, rodLengthMm: 60 } },
          side: 'A',
          wantedDeg: 18,
          toleranceDeg: 1,
          edgePoints: along,
          range: placementRange(long),
        }),
      ),
    ).toEqual({ ok: false, code: 'no-position', figures: { fromMm: 0, toleranceDeg: 1 } })
  })
})

import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import type { Contact } from '../contact/contact'
import { heightForAngleMm } from '../../math/edgeAngle/edgeAngle'
import { moved } from '../clamping/bladeHeight'
import { edgePointAt } from '../../math/curve/edgePoints'
import {
  heightOfSetting,
  heightRange,
  highestUpTo,
  settingOfHeight,
  stepSetting,
  toNearestMark,
} from '../../records/rig/dial'
import { scaleFromMarks } from '../../records/rig/scaleFromMarks'
import { contactFor, rodPoseAt } from '../setup/setup'
import {
  armsRig,
  bellyBlade,
  postRig,
  sampleSetup,
  scaleRig,
  screwRig,
  slotRig,
  tableRig,
} from '../setup/sampleSetup.fixture'
import { bladeHeightFor } from './bladeHeightFor'
import { equalAngleLines } from './equalAngles'
import { lowestPivotHeightMm } from './lowestPivotHeight'
import { marksOf } from './marks'
import { pivotHeightFor } from './pivotHeightFor'
import { stoneSwaps } from './stoneSwaps'
import type { Stone } from '../../records/stone/stone'
import { whatToDial } from './whatToDial'

const rigs = [postRig, slotRig, screwRig, scaleRig, armsRig, tableRig]
const middle = edgePointAt(bellyBlade.edge, 40)
const angle = fc.double({ min: 10, max: 30, noNaN: true })
const place = fc.double({ min: 0, max: 95, noNaN: true })
const at20 = (stones: readonly Stone[]) => stones.map((stone) => ({ stone, toSetDeg: 20 }))

describe('what to dial', () => {
  it('solving for an angle and computing it back returns it, on every rig, side and place of the edge', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...rigs.filter((r) => r !== slotRig)),
        fc.constantFrom('A' as const, 'B' as const),
        angle,
        place,
        (rig, side, wanted, s) => {
          const setup = {
            ...sampleSetup,
            rig,
            hold: { ...sampleSetup.hold, turnDeg: 3, centreOffsetMm: 0.4, tiltDeg: 0.5 },
          }
          const edgePoint = edgePointAt(bellyBlade.edge, s)
          const solved = pivotHeightFor(setup, side, wanted, edgePoint)
          if (!solved.ok) throw new Error(solved.code)
          const { lowestMm, highestMm } = heightRange(rig)
          fc.pre(solved.heightMm >= lowestMm && solved.heightMm <= highestMm)
          const back = contactFor(setup, side, settingOfHeight(rig, solved.heightMm), edgePoint)
          expect(back.ok && back.edgeAngleDeg).toBeCloseTo(wanted, 8)
        },
      ),
    )
  })

  it('the highest height up to another is one the rig has, and nothing of the rig lies between them', () => {
    fc.assert(
      fc.property(fc.constantFrom(...rigs), fc.double({ min: 0, max: 130, noNaN: true }), (rig, heightMm) => {
        const { lowestMm, highestMm } = heightRange(rig)
        const found = highestUpTo(rig, heightMm)
        expect(found === null).toBe(heightMm < lowestMm - 1e-9)
        if (found === null) return
        expect(found).toBeLessThanOrEqual(heightMm + 1e-9)
        const back = heightOfSetting(rig, settingOfHeight(rig, found))
        expect(back.ok && back.heightMm).toBeCloseTo(found, 6)
        if (rig.height.by === 'slot')
          expect(rig.height.slots.some((slot) => slot.heightMm > found && slot.heightMm < heightMm)).toBe(false)
        else expect(found).toBe(Math.min(heightMm, highestMm))
      }),
    )
  })

  it('the blade height for an angle gives that angle, on jaws and on a table', () => {
    for (const rig of [postRig, scaleRig, tableRig]) {
      const setting = settingOfHeight(rig, 55)
      const found = bladeHeightFor({ ...sampleSetup, rig }, 'A', setting, 21, middle)
      if (!found.ok) throw new Error(found.code)
      const back = contactFor({ ...sampleSetup, rig, hold: found.hold }, 'A', setting, middle)
      expect(back.ok && back.edgeAngleDeg).toBeCloseTo(21, 8)
    }
  })

  it('says when the blade would have to go into the jaws', () => {
    expect(bladeHeightFor(sampleSetup, 'A', { by: 'millimetres', mm: 15 }, 30, middle)).toMatchObject({
      ok: false,
      code: 'into-jaws',
    })
  })

  it('names the slot that comes nearest and what it leaves', () => {
    const advice = whatToDial({ ...sampleSetup, rig: slotRig }, 'A', 20, middle)
    if (!advice.ok) throw new Error(advice.code)
    expect(advice.setting).toEqual({ by: 'slot', label: '3' })
    const others = ['1', '2', '4', '5'].map((label) =>
      contactFor({ ...sampleSetup, rig: slotRig }, 'A', { by: 'slot', label }, middle),
    )
    for (const other of others)
      expect(other.ok && Math.abs(other.edgeAngleDeg - 20)).toBeGreaterThan(Math.abs(advice.offDeg))
  })

  it('leaves no more than half a mark, and offers only marks the rig has', () => {
    for (const rig of [postRig, screwRig, scaleRig]) {
      const advice = whatToDial({ ...sampleSetup, rig }, 'A', 20, middle)
      if (!advice.ok) throw new Error(advice.code)
      expect(advice.setting).toEqual(toNearestMark(rig, advice.setting))
      const next = contactFor(
        { ...sampleSetup, rig },
        'A',
        stepSetting(rig, advice.setting, advice.offDeg > 0 ? -1 : 1),
        middle,
      )
      expect(next.ok && Math.abs(next.edgeAngleDeg - 20)).toBeGreaterThanOrEqual(Math.abs(advice.offDeg))
    }
  })

  it('beyond the post it says which height would be needed', () => {
    const refusal = whatToDial(sampleSetup, 'A', 45, middle)
    expect(refusal).toMatchObject({ ok: false, code: 'height-out-of-range' })
    // r = 95 + 28, h = r tan 45° + d / cos 45°
    expect(!refusal.ok && refusal.figures?.limitMm).toBeCloseTo(123 + 6 * Math.SQRT2, 6)
  })
})

describe('what cannot be dialled', () => {
  const short = { ...sampleSetup, rig: { ...postRig, rodLengthMm: 60 } }

  it.each([0, -5, 90, 120, NaN])('an angle of %s° is asked of nothing', (deg) => {
    const refused = { ok: false, code: 'angle-out-of-range' }
    expect(pivotHeightFor(sampleSetup, 'A', deg, middle)).toEqual(refused)
    expect(bladeHeightFor(sampleSetup, 'A', { by: 'millimetres', mm: 30 }, deg, middle)).toEqual(refused)
    expect(whatToDial(sampleSetup, 'A', deg, middle)).toEqual(refused)
  })

  it('where the stone cannot work it says why, for the height, the blade and the dial alike', () => {
    const refused = { ok: false, code: 'beyond-rod' }
    expect(pivotHeightFor(short, 'A', 20, middle)).toMatchObject(refused)
    expect(bladeHeightFor(short, 'A', { by: 'millimetres', mm: 40 }, 20, middle)).toMatchObject(refused)
    expect(whatToDial(short, 'A', 20, middle)).toMatchObject(refused)
    expect(whatToDial({ ...short, rig: { ...slotRig, rodLengthMm: 60 } }, 'A', 20, middle)).toMatchObject(refused)
  })

  it('a setting of another rig moves no blade, and where the edge runs square to the jaws moving it does nothing', () => {
    expect(bladeHeightFor(sampleSetup, 'A', { by: 'slot', label: '1' }, 20, middle)).toMatchObject({
      code: 'setting-of-another-rig',
    })
    const square = { ...middle, heading: [0, 1] as const }
    expect(bladeHeightFor(sampleSetup, 'A', { by: 'millimetres', mm: 30 }, 20, square)).toEqual({
      ok: false,
      code: 'parallel-to-jaws',
    })
  })

  it('slots that give no angle are passed over for one that does', () => {
    if (slotRig.height.by !== 'slot') throw new Error('no slots')
    const slots = [{ label: 'sunk', heightMm: 1 }, ...slotRig.height.slots]
    const advice = whatToDial(
      { ...sampleSetup, rig: { ...slotRig, height: { ...slotRig.height, slots } } },
      'A',
      9,
      middle,
    )
    expect(advice).toMatchObject({ ok: true, setting: { label: '1' } })
  })

  it('the ends of a post can be dialled, a hair beyond them not', () => {
    const needed = pivotHeightFor(sampleSetup, 'A', 20, middle)
    if (!needed.ok || postRig.height.by !== 'millimetres') throw new Error('no height')
    const ending = (lowestMm: number, highestMm: number) =>
      whatToDial(
        { ...sampleSetup, rig: { ...postRig, height: { ...postRig.height, lowestMm, highestMm } as never } },
        'A',
        20,
        middle,
      )
    expect(ending(needed.heightMm, 90).ok && ending(20, needed.heightMm).ok).toBe(true)
    expect(ending(needed.heightMm + 0.01, 90)).toMatchObject({
      code: 'height-out-of-range',
      figures: { limitMm: needed.heightMm },
    })
    expect(ending(20, needed.heightMm - 0.01)).toMatchObject({
      code: 'height-out-of-range',
      figures: { limitMm: needed.heightMm },
    })
  })

  it('the stone comes down only from a pivot higher than its face; on a tilted table that is another height', () => {
    expect(lowestPivotHeightMm(sampleSetup, 'A')).toBeCloseTo(6, 9)
    const table = { ...sampleSetup, rig: tableRig }
    const lowest = lowestPivotHeightMm(table, 'A')
    expect(lowest).not.toBeCloseTo(6, 1)
    expect(rodPoseAt(table, 'A', lowest).pivot.w).toBeCloseTo(6, 9)
  })
})

describe('dials', () => {
  it('what a printed scale was drawn for comes back from its marks, and is refused where they cannot tell', () => {
    const { setbackMm } = scaleRig.pivot
    const measured = (degrees: number[], off = 0) =>
      degrees.map((markDeg, i) => ({
        markDeg,
        heightMm: heightForAngleMm(markDeg, setbackMm + 30, 6) + (i % 2 ? off : -off),
      }))
    expect(scaleFromMarks(measured([12, 28]), setbackMm)).toEqual({
      ok: true,
      bladeHeightMm: expect.closeTo(30, 6),
      faceOffsetMm: expect.closeTo(6, 6),
      residualMm: expect.closeTo(0, 9),
    })
    const wobbly = scaleFromMarks(measured([10, 18, 26, 34], 0.2), setbackMm)
    expect(wobbly.ok && wobbly.residualMm).toBeCloseTo(0.2, 1)
    for (const degrees of [[20, 24.9], [20], []])
      expect(scaleFromMarks(measured(degrees), setbackMm)).toEqual({
        ok: false,
        code: 'marks-too-near',
        figures: { leastDeg: 5 },
      })
    expect(scaleFromMarks(measured([20, 25]), setbackMm).ok).toBe(true)
    const drawnFor = (distanceMm: number, faceMm: number) =>
      scaleFromMarks(
        [12, 28].map((markDeg) => ({ markDeg, heightMm: heightForAngleMm(markDeg, distanceMm, faceMm) })),
        95,
      )
    expect(drawnFor(125, -1)).toEqual({ ok: false, code: 'fits-no-stone' })
    expect(drawnFor(94, 6)).toEqual({ ok: false, code: 'fits-no-stone' })
    expect(drawnFor(96, 0.001).ok).toBe(true)
    expect(
      scaleFromMarks(
        [
          { markDeg: 12, heightMm: 40 },
          { markDeg: 28, heightMm: 30 },
        ],
        setbackMm,
      ),
    ).toEqual({ ok: false, code: 'fits-no-stone' })
  })

  it('a printed mark is true for the blade height and stone it was drawn for, and only there', () => {
    const setup = { ...sampleSetup, rig: scaleRig }
    const at30 = { ...setup, hold: { ...setup.hold, bladeYMm: -2 } }
    const drawnFor = contactFor(at30, 'A', { by: 'degree-scale', markDeg: 20 }, middle)
    expect(drawnFor.ok && drawnFor.edgeAngleDeg).toBeCloseTo(20, 9)
    const thinner = contactFor(
      { ...at30, stone: { ...setup.stone, faceOffsetMm: 3 } },
      'A',
      { by: 'degree-scale', markDeg: 20 },
      middle,
    )
    expect(thinner.ok && thinner.edgeAngleDeg - 20).toBeGreaterThan(1)
  })

  it('height to setting and back is the identity within the range', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(postRig, screwRig, scaleRig),
        fc.double({ min: 30, max: 80, noNaN: true }),
        (rig, height) => {
          const back = heightOfSetting(rig, settingOfHeight(rig, height))
          expect(back.ok && back.heightMm).toBeCloseTo(height, 8)
        },
      ),
    )
  })

  it('steps stop at the ends of the rig', () => {
    expect(stepSetting(slotRig, { by: 'slot', label: '5' }, 1)).toEqual({ by: 'slot', label: '5' })
    expect(stepSetting(postRig, { by: 'millimetres', mm: 75 }, 1)).toEqual({ by: 'millimetres', mm: 75 })
  })

  it('a setting of another rig is refused, not guessed', () => {
    expect(heightOfSetting(slotRig, { by: 'millimetres', mm: 30 })).toEqual({
      ok: false,
      code: 'setting-of-another-rig',
    })
    expect(heightOfSetting(slotRig, { by: 'slot', label: '9' })).toEqual({
      ok: false,
      code: 'setting-of-another-rig',
    })
  })
})

describe('changing the stone', () => {
  it('a swap of stones keeps the angle by Δd / cos θ, or by a shim of Δd, and left alone loses about Δd / √(r² + h²)', () => {
    const [thin, thick] = [sampleSetup.stone, { ...sampleSetup.stone, faceOffsetMm: 9.5 }]
    const [first, second] = stoneSwaps(sampleSetup, 'A', middle, at20([thin, thick]))
    expect(second!.riseMm).toBeCloseTo(3.5 / Math.cos((20 * Math.PI) / 180), 9)
    expect([first!.collarMm, second!.collarMm! - second!.riseMm!]).toEqual([0, 0])
    expect([first!.shimMm, second!.shimMm]).toEqual([3.5, 0])
    expect(first!.ignoredDeg).toBeCloseTo(0, 9)
    const { distanceMm } = contactFor(sampleSetup, 'A', { by: 'millimetres', mm: 40 }, middle) as Contact
    const height = first!.height.ok ? first!.height.heightMm : NaN
    expect(second!.ignoredDeg).toBeCloseTo((-3.5 / Math.hypot(distanceMm, height)) * (180 / Math.PI), 1)
  })

  it('three stones: each rise is from the first and from the one before it', () => {
    const stones = [9, 6, 11].map((faceOffsetMm) => ({ ...sampleSetup.stone, faceOffsetMm }))
    const swaps = stoneSwaps(sampleSetup, 'A', middle, at20(stones))
    const perMm = 1 / Math.cos((20 * Math.PI) / 180)
    const rounded = (figures: (number | null)[]) => figures.map((mm) => mm && Number((mm / perMm).toFixed(6)))
    expect(rounded(swaps.map((swap) => swap.riseMm))).toEqual([0, -3, 2])
    expect(rounded(swaps.map((swap) => swap.riseFromBeforeMm))).toEqual([0, -3, 5])
    expect(rounded(swaps.map((swap) => swap.collarMm))).toEqual([3, 0, 5])
  })

  it('a stone that is to be set steeper rises by what that takes, and is off by it where that is ignored', () => {
    const { stone } = sampleSetup
    const uses = [20, 23].map((toSetDeg) => ({ stone, toSetDeg }))
    const [, steeper] = stoneSwaps(sampleSetup, 'A', middle, uses)
    const [low, high] = [20, 23].map((deg) => pivotHeightFor(sampleSetup, 'A', deg, middle))
    expect(steeper!.riseMm).toBeCloseTo((high!.ok ? high!.heightMm : NaN) - (low!.ok ? low!.heightMm : NaN), 9)
    expect(steeper!.ignoredDeg).toBeCloseTo(-3, 6)
  })

  it('a stone that finds no height has no rise and no collar, and takes none from the others', () => {
    const shortRod = { ...sampleSetup, rig: { ...postRig, rodLengthMm: 150 } }
    const wide = { ...sampleSetup.stone, faceOffsetMm: 6, lengthMm: 390 }
    const stones = [sampleSetup.stone, { ...wide, faceOffsetMm: 140 }, { ...sampleSetup.stone, faceOffsetMm: 8 }]
    const [first, lost, third] = stoneSwaps({ ...shortRod, stone: sampleSetup.stone }, 'A', middle, at20(stones))
    expect(lost!.height.ok).toBe(false)
    expect(lost).toMatchObject({ riseMm: null, riseFromBeforeMm: null, collarMm: null, ignoredDeg: null })
    expect(first).toMatchObject({ riseMm: 0, collarMm: 0 })
    expect(third!.riseFromBeforeMm).toBeNull()
    expect(third!.riseMm).toBeCloseTo(2 / Math.cos((20 * Math.PI) / 180), 6)
    // Led by a stone that finds no height, there is nothing to rise from or to leave as it is.
    const [, after] = stoneSwaps(shortRod, 'A', middle, at20(stones.slice(0, 2).toReversed()))
    expect(after).toMatchObject({ riseMm: null, ignoredDeg: null, collarMm: 0 })
  })

  it('the marks of a dial are those it has, thinned to round figures; each stands for its height', () => {
    expect(marksOf(slotRig, 5).map((mark) => mark.setting)).toEqual(
      slotRig.height.by === 'slot' ? slotRig.height.slots.map(({ label }) => ({ by: 'slot', label })) : [],
    )
    const marks = marksOf(screwRig, 12)
    expect(marks.length).toBeLessThanOrEqual(12)
    for (const mark of marks)
      expect(heightOfSetting(screwRig, mark.setting)).toEqual({ ok: true, heightMm: mark.heightMm })
    const steps = marks.slice(1).map((mark, i) => Math.round((mark.figure - marks[i]!.figure) * 1e6) / 1e6)
    expect(new Set(steps).size).toBe(1)
  })

  it('every point of a line of equal angle gives that angle', () => {
    const [line] = equalAngleLines(sampleSetup, 'B', middle, [18], { fromMm: 15, toMm: 45, steps: 6 })
    expect(line!.points.map((point) => point.bladeHeightMm)).toEqual([15, 20, 25, 30, 35, 40, 45])
    for (const { bladeHeightMm: out, pivotHeightMm } of line!.points) {
      const hold = moved(sampleSetup.hold, 0, out - 28)
      const back = contactFor({ ...sampleSetup, hold }, 'B', settingOfHeight(postRig, pivotHeightMm), middle)
      expect(back.ok && back.edgeAngleDeg).toBeCloseTo(18, 8)
    }
    expect(equalAngleLines(sampleSetup, 'B', middle, [90], { fromMm: 15, toMm: 45, steps: 6 })[0]!.points).toEqual([])
  })
})

import { describe, expect, it } from 'vitest'
import { marksOf } from '../../geometry/dial/marks'
import { armsRig, postRig, scaleRig, screwRig, slotRig, tableRig } from '../../geometry/setup/sampleSetup.fixture'
import {
  fixedHeightsMm,
  heightOfSetting,
  heightRange,
  highestUpTo,
  settingOfHeight,
  stepSetting,
  toNearestMark,
} from './dial'
import { dialOf } from './dials/dials'
import { impossibilities, slotsBelowFace } from './impossible'
import { fittedWith, jawSetsOf } from './jaws'
import { oddities } from './oddities'
import { pivotAt } from '../../geometry/clamping/pivot'
import type { Rig } from './rig'

const mm = (figure: number) => ({ by: 'millimetres' as const, mm: figure })
const slotsOf = ({ height }: Rig) => (height.by === 'slot' ? height.slots : [])
/** The post with other ends or another mark to mark. */
const post = (height: object): Rig => ({ ...postRig, height: { ...postRig.height, ...height } as Rig['height'] })

describe('where the pivot stands', () => {
  it('what lies towards the tip on A lies towards the heel once the blade is turned over', () => {
    const beside = { ...postRig, pivot: { setbackMm: 95, alongMm: 25, overScaleMm: 0 } }
    expect(pivotAt(beside, 50, 'A')).toEqual({ pivot: { u: 25, v: -95, w: 50 }, slideMm: 0 })
    expect(pivotAt(beside, 50, 'B').pivot).toEqual({ u: -25, v: -95, w: 50 })
    expect(pivotAt({ ...tableRig, pivot: beside.pivot }, 50, 'B').pivot.u).toBe(-25)
  })

  it('the arms of an upright stay where they are, each with its own place', () => {
    expect(pivotAt(armsRig, 50, 'A').pivot).toEqual({ u: 0, v: -95, w: 50 })
    expect(pivotAt(armsRig, 50, 'B').pivot).toEqual({ u: 2, v: -97, w: 50 })
  })

  it('in a slot it slides', () => {
    expect(pivotAt(slotRig, 50, 'A').slideMm).toBe(20)
  })

  it('a set of jaws is fitted by its name; the usual one where there is none of that name', () => {
    const narrow = { ...postRig.jaws!, name: 'Narrow', widthMm: 12 }
    const rig = { ...postRig, moreJaws: [narrow] }
    expect(fittedWith(rig, 'Narrow').jaws).toBe(narrow)
    expect([fittedWith(rig, 'Lost').jaws, fittedWith(rig, null).jaws]).toEqual([postRig.jaws, postRig.jaws])
    expect(jawSetsOf(rig).map((set) => set.name)).toEqual(['Wide', 'Narrow'])
    expect(jawSetsOf({ ...tableRig, moreJaws: [narrow] })).toEqual([])
  })
})

describe('a dial', () => {
  const upsideDown = {
    ...slotRig,
    height: { ...slotRig.height, slots: [...slotsOf(slotRig)].reverse() } as Rig['height'],
  }

  it('has its lowest and its highest height, in whatever order its slots are written', () => {
    expect(heightRange(postRig)).toEqual({ lowestMm: 20, highestMm: 90 })
    expect(heightRange(screwRig)).toEqual({ lowestMm: 20, highestMm: 90 })
    expect(heightRange(upsideDown)).toEqual({ lowestMm: 30, highestMm: 70 })
    // A mark of 10° drawn for an edge 95 + 30 mm from the pivot and a face of 6 mm.
    expect(heightRange(scaleRig).lowestMm).toBeCloseTo(125 * Math.tan(Math.PI / 18) + 6 / Math.cos(Math.PI / 18), 9)
    expect([fixedHeightsMm(slotRig), fixedHeightsMm(postRig)]).toEqual([[30, 40, 50, 60, 70], null])
  })

  it('says a height in its own language, and beyond its ends says the end', () => {
    expect(settingOfHeight(postRig, 55.3)).toEqual({ by: 'millimetres', mm: expect.closeTo(40.3, 9) })
    expect([settingOfHeight(postRig, 5), settingOfHeight(postRig, 300)]).toEqual([mm(5), mm(75)])
    expect(settingOfHeight(screwRig, 35)).toEqual({ by: 'turns', turns: 10 })
    expect(settingOfHeight(scaleRig, 1)).toEqual({ by: 'degree-scale', markDeg: expect.closeTo(10, 9) })
    const labels = [29, 44.9, 45.1, 99].map((height) => settingOfHeight(upsideDown, height))
    expect(labels.map((one) => one.by === 'slot' && one.label)).toEqual(['1', '2', '3', '5'])
  })

  it('rounds to the nearest mark that it has, and never to one beyond its ends', () => {
    expect(toNearestMark(postRig, mm(40.24))).toEqual(mm(40))
    expect(toNearestMark(postRig, mm(40.26))).toEqual(mm(40.5))
    const coarse = post({ resolutionMm: 4 })
    // The scale begins at 5 and ends at 75: 4 and 76 are no marks of it.
    expect([toNearestMark(coarse, mm(5)), toNearestMark(coarse, mm(75))]).toEqual([mm(8), mm(72)])
    expect(toNearestMark(screwRig, { by: 'turns', turns: 10.04 })).toEqual({ by: 'turns', turns: 10 })
    expect(toNearestMark(slotRig, { by: 'slot', label: '3' })).toEqual({ by: 'slot', label: '3' })
    expect(toNearestMark(postRig, { by: 'slot', label: '3' })).toEqual({ by: 'slot', label: '3' })
  })

  it('steps from mark to mark, onto a mark first, and stays within its ends', () => {
    expect(stepSetting(postRig, mm(40.2), 1)).toEqual(mm(40.5))
    expect(stepSetting(postRig, mm(40), -3)).toEqual(mm(38.5))
    expect(stepSetting(postRig, mm(74), 9)).toEqual(mm(75))
    expect(stepSetting(postRig, mm(6), -9)).toEqual(mm(5))
    expect(stepSetting(scaleRig, { by: 'degree-scale', markDeg: 20 }, 2)).toEqual({
      by: 'degree-scale',
      markDeg: expect.closeTo(21, 9),
    })
    expect(stepSetting(upsideDown, { by: 'slot', label: '2' }, 1)).toEqual({ by: 'slot', label: '3' })
    expect(stepSetting(upsideDown, { by: 'slot', label: '2' }, -5)).toEqual({ by: 'slot', label: '1' })
    expect(stepSetting(slotRig, mm(40), 1)).toEqual(mm(40))
  })

  it('shows as many marks as fit, at round figures, both ends among them where they are round', () => {
    const figures = (rig: Rig, most: number) => marksOf(rig, most).map((mark) => mark.figure)
    expect(figures(postRig, 15)).toEqual([5, 10, 15, 20, 25, 30, 35, 40, 45, 50, 55, 60, 65, 70, 75])
    expect(figures(postRig, 14)).toEqual([10, 20, 30, 40, 50, 60, 70])
    expect(figures(scaleRig, 6)).toEqual([10, 15, 20, 25, 30, 35])
    expect(marksOf(upsideDown, 2).map((mark) => [mark.figure, mark.heightMm])).toEqual([
      [1, 30],
      [2, 40],
      [3, 50],
      [4, 60],
      [5, 70],
    ])
  })

  it('knows the highest it can be set to that is not above a height', () => {
    expect([29.99, 30, 49.99, 50, 300].map((height) => highestUpTo(slotRig, height))).toEqual([null, 30, 40, 50, 70])
    expect([19.99, 20, 55.5, 300].map((height) => highestUpTo(postRig, height))).toEqual([null, 20, 55.5, 90])
  })

  it('refuses the setting of another dial', () => {
    expect(heightOfSetting(postRig, { by: 'turns', turns: 2 }).ok).toBe(false)
    expect(heightOfSetting(screwRig, { by: 'turns', turns: 2 })).toEqual({ ok: true, heightMm: 23 })
  })
})

describe('what cannot be', () => {
  it('a dial whose ends stand upside down, or are one, and slots that cannot be told apart', () => {
    const ends = {
      millimetres: [postRig, 'highestMm'],
      turns: [screwRig, 'highestMm'],
      scale: [scaleRig, 'highestMarkDeg'],
    } as const
    for (const [rig, field] of Object.values(ends)) {
      const lowest = field === 'highestMm' ? 'lowestMm' : 'lowestMarkDeg'
      const turned = (by: number) => {
        const height = { ...rig.height, [field]: (rig.height as never)[lowest] + by } as Rig['height']
        return dialOf(height).impossible(height)
      }
      expect(turned(1)).toEqual([])
      expect(turned(0)).toEqual([{ field, code: 'highest-below-lowest' }])
      expect(turned(-1)).toEqual([{ field, code: 'highest-below-lowest' }])
    }
    const twice = { ...slotRig.height, slots: [...slotsOf(slotRig), ...slotsOf(slotRig)] } as Rig['height']
    expect(dialOf(slotRig.height).impossible(slotRig.height)).toEqual([])
    expect(dialOf(twice).impossible(twice)).toEqual([{ field: 'slots', code: 'same-label-twice' }])
  })

  const { pivot, jaws } = postRig
  const place = (setbackMm: number, alongMm = 0) => ({ ...postRig, pivot: { setbackMm, alongMm, overScaleMm: 0 } })
  const stroke = (nearestMm: number, farthestMm: number) => ({ ...postRig, stroke: { nearestMm, farthestMm } })
  it.each<[string, Rig, [field: string, code: string][]]>([
    ['what is usual', postRig, []],
    ['jaws on a table', { ...tableRig, jaws }, [['jaws', 'jaws-on-a-table']]],
    ['a clamp without jaws', { ...postRig, jaws: null }, [['jaws', 'no-jaws']]],
    [
      'a pivot in the jaws',
      { ...place(20), height: post({ lowestMm: 4 }).height },
      [['pivot.setbackMm', 'pivot-in-jaws']],
    ],
    ['one just behind them', { ...place(20.1), height: post({ lowestMm: 4 }).height }, []],
    ['one just above them', { ...place(20), height: post({ lowestMm: 4.1 }).height }, []],
    [
      'one at their end',
      { ...place(20, -15), height: post({ lowestMm: 4 }).height },
      [['pivot.setbackMm', 'pivot-in-jaws']],
    ],
    ['one beside them', { ...place(20, -15.1), height: post({ lowestMm: 4 }).height }, []],
    [
      'the other arm in the jaws',
      { ...armsRig, pivotB: { setbackMm: 15, alongMm: 0, overScaleMm: 0 }, height: post({ lowestMm: 0 }).height },
      [['pivotB.setbackMm', 'pivot-in-jaws']],
    ],
    ['a rod that ends at the jaws', { ...postRig, rodLengthMm: 95 }, [['rodLengthMm', 'rod-before-jaws']]],
    ['a rod that reaches past them', { ...postRig, rodLengthMm: 95.1 }, []],
    [
      'a pivot that stays below',
      { ...place(95), height: post({ lowestMm: -9, highestMm: 0 }).height },
      [['height', 'pivot-never-above']],
    ],
    ['stops the wrong way round', stroke(120, 120), [['stroke.farthestMm', 'stroke-ends-too-soon']]],
    ['a stop beyond the rod', stroke(120, 320.1), [['stroke.farthestMm', 'stroke-beyond-rod']]],
    ['a stop at its end', stroke(120, 320), []],
    ['two jaws of a name', { ...postRig, moreJaws: [jaws!] }, [['moreJaws', 'same-name-twice']]],
    [
      'two marks of a name',
      { ...postRig, pivot, positionMarks: [0, 5].map((alongMm) => ({ name: 'a', alongMm })) },
      [['positionMarks', 'same-name-twice']],
    ],
  ])('%s', (_, rig, found) => {
    expect(impossibilities(rig).map(({ field, code }) => [field, code])).toEqual(found)
  })

  it('says with it the figures that it is about', () => {
    const figures = (rig: Rig) => impossibilities(rig).map((one) => one.figures)
    expect(figures({ ...place(20), height: post({ lowestMm: 4 }).height })).toEqual([
      { jaws: 'Wide', depthMm: 20, halfThicknessMm: 4 },
    ])
    expect(figures({ ...postRig, rodLengthMm: 95 })).toEqual([{ setbackMm: 95 }])
    expect(figures(stroke(120, 321))).toEqual([{ rodLengthMm: 320 }])
    expect(figures({ ...postRig, moreJaws: [jaws!] })).toEqual([{ name: 'Wide' }])
    expect(
      figures({
        ...postRig,
        stops: [
          { name: 's', placeMm: 1 },
          { name: 's', placeMm: 2 },
        ] as never,
      }),
    ).toEqual([{ name: 's' }])
  })

  it('slots in which no stone of the box comes down are named; none while the box is empty', () => {
    const box = [{ faceOffsetMm: 45 }, { faceOffsetMm: 40 }]
    expect(slotsBelowFace(slotRig, box)).toEqual([
      { field: 'height.slots.0.heightMm', code: 'slot-below-face', figures: { slot: '1', thinnestMm: 40 } },
      { field: 'height.slots.1.heightMm', code: 'slot-below-face', figures: { slot: '2', thinnestMm: 40 } },
    ])
    expect([slotsBelowFace(slotRig, []), slotsBelowFace(postRig, box)]).toEqual([[], []])
  })
})

describe('what is odd though it may be', () => {
  const jaws = (halfThicknessMm: number) => ({ ...postRig.jaws!, halfThicknessMm })
  const tolerance = (part: object) => ({ ...postRig, tolerance: { ...postRig.tolerance, ...part } })
  const screw = (pitchMm: number): Rig => ({ ...screwRig, height: { ...screwRig.height, pitchMm } as Rig['height'] })
  it.each<[string, Rig, string[]]>([
    ['nothing', postRig, []],
    [
      'the ends of what is usual',
      { ...postRig, pivot: { setbackMm: 40, alongMm: -40, overScaleMm: 0 }, pivotPlayMm: 1 },
      [],
    ],
    [
      'a short setback',
      { ...postRig, pivot: { setbackMm: 39.9, alongMm: 0, overScaleMm: 0 } },
      ['pivot.setbackMm unusual'],
    ],
    [
      'a long one on B',
      { ...armsRig, pivotB: { setbackMm: 300.1, alongMm: 0, overScaleMm: 0 } },
      ['pivotB.setbackMm unusual'],
    ],
    [
      'a pivot far aside',
      { ...postRig, pivot: { setbackMm: 95, alongMm: -41, overScaleMm: 0 } },
      ['pivot.alongMm pivot-far-aside'],
    ],
    ['thin jaws', { ...postRig, jaws: jaws(0.9) }, ['jaws.halfThicknessMm unusual']],
    ['thick others', { ...postRig, moreJaws: [jaws(15.1)] }, ['moreJaws.0.halfThicknessMm unusual']],
    ['a coarse pitch', screw(3.1), ['height.pitchMm unusual']],
    ['a usual one', screw(3), []],
    [
      'a scale drawn for a blade far out',
      { ...scaleRig, height: { ...scaleRig.height, drawnForBladeHeightMm: 71 } as Rig['height'] },
      ['height.drawnForBladeHeightMm unusual'],
    ],
    ['a height hardly known', tolerance({ heightMm: 1.6 }), ['tolerance.heightMm unusual']],
    ['a setback known too well', tolerance({ setbackMm: 0.04 }), ['tolerance.setbackMm unusual']],
    ['a loose pivot', { ...postRig, pivotPlayMm: 1.1 }, ['pivotPlayMm loose-pivot']],
    ['a post that stays low', post({ lowestMm: 10, highestMm: 95 * Math.tan(0.174) }), ['height never-steep']],
    ['one that comes to ten degrees', post({ lowestMm: 10, highestMm: 95 * Math.tan(0.1746) }), []],
  ])('%s', (_, rig, found) => {
    expect(oddities(rig).map(({ field, code }) => `${field} ${code}`)).toEqual(found)
  })

  it('says what would be usual', () => {
    const figures = (rig: Rig) => oddities(rig).map((one) => one.figures)
    const about = (measure: string, measuredMm: number, leastMm: number, mostMm: number) => [
      { measure, measuredMm, leastMm, mostMm },
    ]
    expect(figures({ ...postRig, pivot: { setbackMm: 30, alongMm: 0, overScaleMm: 0 } })).toEqual(
      about('setback', 30, 40, 300),
    )
    expect(figures({ ...armsRig, pivotB: { setbackMm: 30, alongMm: 0, overScaleMm: 0 } })).toEqual(
      about('setback', 30, 40, 300),
    )
    expect(figures({ ...postRig, jaws: jaws(16) })).toEqual(about('half-thickness', 16, 1, 15))
    expect(figures(screw(0.4))).toEqual(about('pitch', 0.4, 0.5, 3))
    expect(figures(tolerance({ heightMm: 2 }))).toEqual(about('uncertainty', 2, 0.05, 1.5))
    expect(figures(tolerance({ setbackMm: 2 }))).toEqual(about('uncertainty', 2, 0.05, 1.5))
    expect(figures({ ...postRig, pivotPlayMm: 2 })).toEqual([{ leastMm: 1 }])
    expect(figures(post({ lowestMm: 1, highestMm: 10 }))).toEqual([{ leastDeg: 10 }])
  })
})

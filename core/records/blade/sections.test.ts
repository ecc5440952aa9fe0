import { describe, expect, it } from 'vitest'
import { bellyBlade } from '../../geometry/setup/sampleSetup.fixture'
import { curveLength } from '../../math/curve/arcLength'
import type { Curve } from '../../math/curve/curve'
import { edgePointAt, evenEdgePoints } from '../../math/curve/edgePoints'
import type { Segment } from '../../math/curve/segment'
import type { Blade } from './blade'
import { crossSectionHalf } from './crossSection'
import { edgeHeadingToleranceDeg } from './edgeHeading'
import { facetsOf } from './facets'
import { drawnHeel, fromHeel } from './heel'
import { outlinePath } from './outline'
import { primaryFaceDeg } from './primaryFace'
import { primaryHalfAngleDeg } from './primaryHalfAngle'
import { shapeMeasures, SHAPE_IDS } from './shapeMeasures'
import { SHAPES } from './shapes'
import { shoulderDepthMm } from './shoulder'
import { asThickAs, bladeThere, tapers, thinsPerMm } from './taper'
import { zoneAt, zonesOf, zonesOfBlade } from './zones'

const close = (value: number, digits = 6) => expect.closeTo(value, digits) as number
const tan = (deg: number) => Math.tan((deg * Math.PI) / 180)
const line = (from: [number, number], to: [number, number]): Segment => ({ type: 'line', from, to })
/** 3 mm at the spine, 0.5 behind the edge, the grind 26 high. */
const of = (more: Partial<Blade> = {}): Blade => ({ ...bellyBlade, ...more })

describe('the cross-section of a blade', () => {
  it('its shoulder lies where half of the thickness is reached at the bevel’s angle; 20° where none was proved', () => {
    expect(shoulderDepthMm(of())).toBeCloseTo(0.25 / tan(20), 12)
    expect(shoulderDepthMm(of({ bevelDeg: { A: 14, B: 18 } }))).toBeCloseTo(0.25 / tan(16), 12)
    expect(shoulderDepthMm(of({ bevels: 'A', bevelDeg: { A: 14, B: 18 } }))).toBeCloseTo(0.5 / tan(14), 12)
    // A tenth of the grind is primary face, however wide the bevel.
    expect(shoulderDepthMm(of({ primaryGrindHeightMm: 0.5 }))).toBeCloseTo(0.45, 12)
  })

  it('its primary half-angle rises from the shoulder; a one-sided blade has all of it on side A', () => {
    const high = 26 - 0.25 / tan(20)
    expect(primaryHalfAngleDeg(of())).toBeCloseTo((Math.atan2(1.25, high) * 180) / Math.PI, 9)
    expect(primaryHalfAngleDeg(of({ thicknessBehindEdgeMm: 4 }))).toBe(0)
    expect([primaryFaceDeg(of(), 'A'), primaryFaceDeg(of(), 'B')]).toEqual([
      primaryHalfAngleDeg(of()),
      primaryHalfAngleDeg(of()),
    ])
    const oneSided = of({ bevels: 'A' })
    expect(primaryFaceDeg(oneSided, 'A')).toBeCloseTo((Math.atan2(2.5, 26 - 0.5 / tan(20)) * 180) / Math.PI, 9)
    expect(primaryFaceDeg(oneSided, 'B')).toBe(0)
  })

  it('goes from the apex over the shoulder to where the grind ends, and on to the spine', () => {
    const depth = 0.25 / tan(15)
    expect(crossSectionHalf(of(), 15)).toEqual([
      [0, 0],
      [close(depth), 0.25],
      [26, 1.5],
      [28, 1.5],
    ])
    expect(crossSectionHalf(of({ bevels: 'A' }), 15)).toEqual([
      [0, 0],
      [close(2 * depth), 0.5],
      [26, 3],
      [28, 3],
    ])
    // No wider than half of the blade, and the grind no higher than the blade.
    expect(crossSectionHalf(of({ widthMm: 1, primaryGrindHeightMm: 9 }), 15)).toEqual([
      [0, 0],
      [0.5, 0.25],
      [1, 1.5],
      [1, 1.5],
    ])
    expect(crossSectionHalf(of({ primaryGrindHeightMm: 0.1 }), 15)[2]).toEqual([close(depth + 0.1), 1.5])
  })

  it.each([
    ['hollow', -1],
    ['convex', 1],
  ] as const)('a %s grind bows by 18 in 100 of the thickness it gains, in its middle', (grind, sign) => {
    const points = crossSectionHalf(of({ grind }), 15)
    expect(points).toHaveLength(8)
    const [from, to] = [points[1]!, points[6]!]
    points.slice(2, 6).forEach(([x, y], i) => {
      const t = 0.2 * (i + 1)
      expect(x).toBeCloseTo(from[0] + t * (to[0] - from[0]), 9)
      expect(y - (from[1] + t * (to[1] - from[1]))).toBeCloseTo(sign * 4 * 0.18 * 1.25 * t * (1 - t), 9)
    })
  })
})

describe('a blade that tapers', () => {
  const tapering = of({ spineThicknessTipMm: 1, thicknessBehindEdgeTipMm: 0.3 })
  it('is as thick as straight between heel and tip', () => {
    expect(bladeThere(tapering, 0.25)).toMatchObject({ spineThicknessMm: 2.5, thicknessBehindEdgeMm: close(0.45) })
    expect(bladeThere(of(), 0.7)).toMatchObject({ spineThicknessMm: 3, thicknessBehindEdgeMm: 0.5 })
    const even = asThickAs(tapering, 1)
    expect(even).toMatchObject({ spineThicknessMm: 1, thicknessBehindEdgeMm: 0.3, spineThicknessTipMm: null })
    expect(bladeThere(tapering, 1).primaryHalfAngleDeg).toBeCloseTo(primaryHalfAngleDeg(even), 12)
    expect([of(), tapering, of({ spineThicknessTipMm: 2 }), of({ thicknessBehindEdgeTipMm: 0.2 })].map(tapers)).toEqual(
      [false, true, true, true],
    )
  })

  it('thins by so much for each millimetre of its edge', () => {
    expect(thinsPerMm(tapering)).toBeCloseTo(2 / curveLength(bellyBlade.edge), 12)
    expect(thinsPerMm(of())).toBe(0)
    expect(thinsPerMm({ ...tapering, edge: [line([0, 20], [0.5, 20])] })).toBe(2)
  })
})

describe('how well the direction of an edge is known', () => {
  const at = (more: Partial<Blade>, fromHeelMm: number) =>
    edgeHeadingToleranceDeg(of(more), edgePointAt(bellyBlade.edge, fromHeelMm))
  const shape = { id: 'drop-point', measures: SHAPES['drop-point'].usual } as const
  const total = curveLength(bellyBlade.edge)

  it('is half a degree of a drawn curve; a library’s shape is known less where it has turned', () => {
    expect([at({}, 0), at({}, total)]).toEqual([0.5, 0.5])
    expect(at({ shape }, 10)).toBe(0.5)
    expect(at({ shape }, total)).toBeCloseTo(0.5 + 0.06 * 55, 6)
    expect([at({ shape, edgeHeadingToleranceDeg: 2 }, total), at({ edgeHeadingToleranceDeg: 0.2 }, 0)]).toEqual([
      2, 0.2,
    ])
    const back = edgeHeadingToleranceDeg(of({ shape }), { heading: [-1, 0], fromHeelMm: 0 })
    expect(back).toBeCloseTo(0.5 + 0.06 * 90, 9)
  })

  it('of a trace is straight between the places it says it of, whatever else was said', () => {
    const edgeUncertainty = { placeMm: 0.2, headingDeg: [1, 3, 2] }
    const shares = [0, 0.25, 0.5, 0.75, 1].map((share) =>
      at({ edgeUncertainty, edgeHeadingToleranceDeg: 9 }, share * total),
    )
    expect(shares).toEqual([1, close(2), close(3), close(2.5), close(2)])
  })
})

describe('zones, to the millimetre', () => {
  const found = (edge: Curve) =>
    zonesOf(edge, evenEdgePoints(edge, 401)).map(({ kind, fromMm, toMm }) => [
      kind,
      Math.round(10 * fromMm) / 10,
      Math.round(10 * toMm) / 10,
    ])
  const arc = (radiusMm: number, startDeg: number, endDeg: number): Segment => ({
    type: 'arc',
    centre: [50, 20 - radiusMm],
    radiusMm,
    startDeg,
    endDeg,
  })

  it('a straight edge is a quarter heel; its tip is 12 in 100, and 22 mm at most', () => {
    expect(found([line([0, 20], [100, 20])])).toEqual([
      ['heel', 0, 25],
      ['middle', 25, 88],
      ['tip', 88, 100],
    ])
    expect(found([line([0, 20], [300, 20])])).toEqual([
      ['heel', 0, 75],
      ['middle', 75, 278],
      ['tip', 278, 300],
    ])
  })

  it('a straight part shorter than a quarter is all heel; what is bent more than a wide circle is a belly', () => {
    expect(found([line([30, 20], [50, 20]), arc(45, 90, 0)])).toEqual([
      ['heel', 0, close(20, 0)],
      ['belly', close(20, 0), close(79.8, 0)],
      ['tip', close(79.8, 0), close(90.7, 0)],
    ])
    const bent = (radiusMm: number) =>
      found([arc(radiusMm, 90, 90 - (60 / radiusMm) * (180 / Math.PI))]).map(([kind]) => kind)
    expect([bent(120), bent(139)]).toEqual([
      ['belly', 'tip'],
      ['belly', 'tip'],
    ])
    expect(bent(150)).toEqual(['heel', 'middle', 'tip'])
    // A hollow: the same bent inward.
    expect(
      found([{ ...arc(-1, 0, 0), radiusMm: 130, centre: [50, 150], startDeg: 250, endDeg: 280 } as Segment]).map(
        ([kind]) => kind,
      ),
    ).toEqual(['hollow', 'tip'])
  })

  it('corners part facets, which keep their own tangents; the longest is ground first', () => {
    const edge: Curve = [line([0, 20], [40, 20]), line([40, 20], [70, 10]), line([70, 10], [80, 0])]
    const zones = zonesOf(edge, evenEdgePoints(edge, 401))
    expect(zones.map(({ kind, fromMm }) => [kind, fromMm])).toEqual([
      ['facet', 0],
      ['facet', close(40)],
      ['facet', close(40 + Math.hypot(30, 10))],
    ])
    const facets = facetsOf(edge, zones)
    expect(facets.map(({ order }) => order)).toEqual([1, 2, 3])
    expect(facets[1]!.middle.point).toEqual([close(55), close(15)])
    const last: Curve = [line([0, 20], [20, 20]), line([20, 20], [80, 0])]
    expect(facetsOf(last, zonesOf(last, evenEdgePoints(last, 401))).map(({ order }) => order)).toEqual([2, 1])
    expect(facetsOf(bellyBlade.edge, zonesOf(bellyBlade.edge, evenEdgePoints(bellyBlade.edge, 401)))).toEqual([])
  })

  it('a place on the border belongs to the zone before it; beyond the last one, to the last; set by hand they stand', () => {
    const zones = zonesOfBlade(bellyBlade)
    expect(zones.map(({ kind }) => kind)).toEqual(['heel', 'middle', 'belly', 'tip'])
    expect([0, zones[0]!.toMm, zones[0]!.toMm + 0.1, 1e6].map((mm) => zoneAt(zones, mm))).toEqual([0, 0, 1, 3])
    const own = [{ kind: 'heel' as const, fromMm: 0, toMm: 30 }]
    expect(zonesOfBlade({ ...bellyBlade, zones: own })).toBe(own)
  })
})

describe('the heel of a drawn edge, at its limits', () => {
  const rest = [line([10, 24], [110, 24])]
  const notch = (widthMm: number, depthMm: number) => [
    line([10 - widthMm - 4, 24], [10 - widthMm, 24]),
    line([10 - widthMm, 24], [10 - widthMm / 2, 24 - depthMm]),
    line([10 - widthMm / 2, 24 - depthMm], [10, 24]),
    ...rest,
  ]
  it.each([
    ['deep enough', 4, 0.6, true],
    ['a waviness of the trace', 4, 0.4, false],
    ['as wide as a hollow of the edge', 16, 3, false],
    ['too shallow for its width', 12, 1, false],
    ['as wide and deep as one may be', 14, 2, true],
  ])('a dip that is %s', (_, widthMm, depthMm, choil) => {
    expect(drawnHeel(notch(widthMm, depthMm))).toEqual({ choil, edge: choil ? rest : notch(widthMm, depthMm) })
  })

  it.each([
    ['steep and high', 2, true],
    ['not so high', 1.3, false],
  ])('a back that is %s', (_, riseMm, choil) => {
    expect(drawnHeel([line([9, 24 - riseMm], [10, 24]), ...rest]).choil).toBe(choil)
    expect(drawnHeel([line([10 - 1.2 * riseMm, 24 - riseMm], [10, 24]), ...rest]).choil).toBe(false)
  })

  it('an edge begins at 0 behind its choil', () => {
    expect(fromHeel(notch(4, 2))).toEqual({ choil: true, edge: [line([0, 24], [100, 24])] })
  })
})

describe('the outline of a blade', () => {
  it('goes along the edge and back along the spine; a spine that is not known is straight', () => {
    const edge = [line([0, 20], [60, 12])]
    expect(outlinePath({ edge, spine: null })).toBe('M0 20 L60 12 L60 0 L0 0 Z')
    const spine = [line([0, 1], [50, 2]), line([50, 2], [60, 12])]
    expect(outlinePath({ edge, spine })).toBe('M0 20 L60 12 L60 12 L50 2 L0 1 Z')
  })
})

describe('the library of shapes stays as it is', () => {
  const measures = shapeMeasures.parse({
    lengthMm: 120,
    heelWidthMm: 30,
    widthMm: 33,
    bellyFromMm: 70,
    tipDropMm: 11,
    depthMm: 7,
  })
  const figures = (curve: Curve) => {
    const total = curveLength(curve)
    const heights = [0.2, 0.5, 0.8, 1].map((share) => edgePointAt(curve, share * total).point[1])
    return [total, ...heights].map((mm) => Math.round(100 * mm) / 100)
  }
  it.each(SHAPE_IDS)('%s', (id) => {
    const { edge, spine } = SHAPES[id].build(measures)
    expect({ edge: figures(edge), spine: figures(spine), uses: SHAPES[id].uses }).toMatchSnapshot()
  })
})

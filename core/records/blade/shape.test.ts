import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { cornersOf } from '../../math/curve/corners'
import { crossesItself } from '../../math/curve/crossesItself'
import { curve, type Curve } from '../../math/curve/curve'
import { evenEdgePoints } from '../../math/curve/edgePoints'
import { bellyBlade } from '../../geometry/setup/sampleSetup.fixture'
import { drawnHeel } from './heel'
import { hollowOf } from '../../geometry/contact/hollow'
import { impossibilities, possibleBlade } from './impossible'
import { SHAPES } from './shapes'
import { SHAPE_IDS } from './shapeMeasures'
import { zonesOf } from './zones'

const zones = (edge: Curve) => zonesOf(edge, evenEdgePoints(edge, 400)).map((zone) => zone.kind)
const angular: Curve = [
  { type: 'line', from: [0, 25], to: [70, 25] },
  { type: 'line', from: [70, 25], to: [95, 10] },
]
const hawk: Curve = [{ type: 'arc', centre: [40, 120], radiusMm: 100, startDeg: -120, endDeg: -70 }]

describe('the zones of an edge', () => {
  it('a straight edge with a belly has a heel, a middle, a belly and a tip, end to end', () => {
    const found = zonesOf(bellyBlade.edge, evenEdgePoints(bellyBlade.edge, 400))
    expect(found.map((zone) => zone.kind)).toEqual(['heel', 'middle', 'belly', 'tip'])
    expect(found[0]!.fromMm).toBe(0)
    found.slice(1).forEach((zone, i) => expect(zone.fromMm).toBeCloseTo(found[i]!.toMm, 9))
    expect(found.at(-1)!.toMm).toBeCloseTo(98.196899, 5)
  })

  it('a chef’s knife has a belly, a short blade’s straight is straight all the same', () => {
    const chef = SHAPES['long-kitchen'].build(SHAPES['long-kitchen'].usual).edge
    expect(zones(chef)).toEqual(['heel', 'middle', 'belly', 'tip'])
    expect(zones([{ type: 'arc', centre: [30, -280], radiusMm: 300, startDeg: 96, endDeg: 85 }])).not.toContain('belly')
  })

  it('an angular tip is two facets that meet in a corner', () => {
    expect(cornersOf(angular)).toEqual([
      { fromHeelMm: 70, turnDeg: expect.closeTo((-Math.atan2(15, 25) * 180) / Math.PI, 6) },
    ])
    expect(zones(angular)).toEqual(['facet', 'facet'])
  })

  it('a hooked edge is a hollow as far as its tip', () => {
    expect(zones(hawk)).toEqual(['hollow', 'tip'])
  })
})

describe('the heel of a drawn edge', () => {
  const straight = [{ type: 'line', from: [10, 24], to: [60, 24] }] as const
  const rest: Curve = [
    ...straight.map((piece) => ({
      ...piece,
      from: [...piece.from] as [number, number],
      to: [...piece.to] as [number, number],
    })),
    { type: 'arc', centre: [60, -21], radiusMm: 45, startDeg: 90, endDeg: 40 },
  ]
  it('a notch is a choil, and the edge begins behind it', () => {
    const notched: Curve = [
      { type: 'line', from: [0, 24], to: [4, 24] },
      { type: 'arc', centre: [7, 24], radiusMm: 3, startDeg: 180, endDeg: 360 },
      ...rest,
    ]
    expect(drawnHeel(notched)).toEqual({ choil: true, edge: rest })
  })

  it('the steep back of a free heel is no part of the edge', () => {
    expect(drawnHeel([{ type: 'line', from: [8, 12], to: [10, 24] }, ...rest])).toEqual({ choil: true, edge: rest })
  })

  it('an edge that runs straight in has none; a hollow or a wavy trace is not taken for one', () => {
    const wavy: Curve = [
      {
        type: 'bezier',
        points: [
          [0, 24],
          [4, 23.6],
          [7, 24.3],
          [10, 24],
        ],
      },
      ...rest,
    ]
    for (const edge of [rest, wavy, hawk, ...SHAPE_IDS.map((id) => SHAPES[id].build(SHAPES[id].usual).edge)])
      expect(drawnHeel(edge)).toEqual({ choil: false, edge })
  })
})

describe('a hollow edge', () => {
  it('takes stones as wide as √(8 ρ tolerance)', () => {
    const hollow = hollowOf(evenEdgePoints(hawk, 400))!
    expect(hollow.radiusMm).toBeCloseTo(100, 3)
    expect(hollow.widestStoneMm).toBeCloseTo(Math.sqrt(80), 3)
    expect(hollowOf(evenEdgePoints(bellyBlade.edge, 400))).toBeNull()
    // A swing too slight for any stone to hang over is none; a corner turned inward is.
    const { build, usual } = SHAPES['drop-point']
    expect(hollowOf(evenEdgePoints(build(usual).edge, 400))).toBeNull()
    const inward: Curve = [
      { type: 'line', from: [0, 20], to: [50, 15] },
      { type: 'line', from: [50, 15], to: [100, 20] },
    ]
    expect(hollowOf(evenEdgePoints(inward, 401))!.fromHeelMm).toBeCloseTo(50.2, 0)
  })
})

describe('the library of shapes', () => {
  it.each(SHAPE_IDS)('%s: from heel to tip, joined, as wide as it was measured, never crossing itself', (id) => {
    const { usual, build } = SHAPES[id]
    const { edge, spine } = build(usual)
    expect(curve.safeParse(edge).success).toBe(true)
    expect(curve.safeParse(spine).success).toBe(true)
    const points = evenEdgePoints(edge, 200).map((edgePoint) => edgePoint.point)
    expect(points[0]).toEqual([0, usual.heelWidthMm])
    expect(points.at(-1)![0]).toBeCloseTo(usual.lengthMm, 6)
    expect(crossesItself(points)).toBeNull()
    const spineEnd = evenEdgePoints(spine, 2)[1]!.point
    expect(Math.hypot(spineEnd[0] - points.at(-1)![0], spineEnd[1] - points.at(-1)![1])).toBeLessThan(
      id === 'straight' || id === 'chisel-tip' ? usual.heelWidthMm + 0.1 : 0.01,
    )
  })

  it.each(SHAPE_IDS)(
    '%s: whatever its measures, its zones follow each other from the heel to the end of the tip',
    (id) => {
      const { usual, build } = SHAPES[id]
      const scale = fc.double({ min: 0.75, max: 1.3, noNaN: true })
      fc.assert(
        fc.property(scale, scale, scale, (long, wide, dropped) => {
          const { edge } = build({
            ...usual,
            lengthMm: usual.lengthMm * long,
            bellyFromMm: usual.bellyFromMm * long,
            heelWidthMm: usual.heelWidthMm * wide,
            widthMm: usual.widthMm * wide,
            tipDropMm: usual.tipDropMm * dropped,
          })
          const edgePoints = evenEdgePoints(edge, 200)
          const found = zonesOf(edge, edgePoints)
          expect([found[0]!.fromMm, found.at(-1)!.toMm]).toEqual([0, expect.closeTo(edgePoints.at(-1)!.fromHeelMm, 6)])
          found.forEach((zone, i) => {
            expect(zone.toMm).toBeGreaterThan(zone.fromMm)
            if (i > 0) expect(zone.fromMm).toBeCloseTo(found[i - 1]!.toMm, 6)
          })
        }),
        { numRuns: 40 },
      )
    },
  )

  it('a long kitchen blade is as wide as it was measured, at its heel and where it is widest', () => {
    const measures = { ...SHAPES['long-kitchen'].usual, heelWidthMm: 42, widthMm: 48, bellyFromMm: 70 }
    const { edge } = SHAPES['long-kitchen'].build(measures)
    const widest = evenEdgePoints(edge, 2000).reduce((best, edgePoint) =>
      edgePoint.point[1] > best.point[1] ? edgePoint : best,
    )
    expect(widest.point).toEqual([expect.closeTo(70, 0), expect.closeTo(48, 3)])
  })

  it('a recurved edge has a hollow before its belly, a hooked one is all hollow', () => {
    expect(zones(SHAPES.recurved.build(SHAPES.recurved.usual).edge).slice(0, 1)).toEqual(['hollow'])
    expect(zones(SHAPES.hooked.build(SHAPES.hooked.usual).edge)).toContain('hollow')
    expect(zones(SHAPES['angular-tip'].build(SHAPES['angular-tip'].usual).edge)).toEqual(['facet', 'facet'])
  })
})

describe('blades that cannot be', () => {
  const zone = (fromMm: number, toMm: number) => ({ kind: 'heel' as const, fromMm, toMm })
  it.each([
    ['as thick behind the edge as at the spine', { thicknessBehindEdgeMm: 2.4 }, 'thicknessBehindEdgeMm'],
    ['so near the tip, where only the spine was measured', { spineThicknessTipMm: 0.3 }, 'thicknessBehindEdgeTipMm'],
    ['with a grind taller than the blade', { primaryGrindHeightMm: 26 }, 'primaryGrindHeightMm'],
    ['with a zone without length', { zones: [zone(0, 20), zone(20, 20)] }, 'zones.1.toMm'],
    ['with a zone beyond the edge', { zones: [zone(0, 200)] }, 'zones.0.toMm'],
  ])('%s', (_, wrong, field) => {
    const of = {
      ...bellyBlade,
      spineThicknessMm: 2.4,
      thicknessBehindEdgeMm: 0.4,
      widthMm: 24,
      primaryGrindHeightMm: 14,
    }
    expect(impossibilities(of)).toEqual([])
    expect(impossibilities({ ...of, ...wrong }).map((one) => one.field)).toEqual([field])
    expect(possibleBlade.safeParse({ ...of, ...wrong }).success).toBe(false)
  })
})

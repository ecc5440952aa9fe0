import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { nth } from '../list'
import { degrees } from '../units/angle'
import { length, subtract, type Vec2 } from '../vector/vec2'
import { cornersOf } from './corners'
import { crossesItself } from './crossesItself'
import { evenEdgePoints } from './edgePoints'
import { fitPoints } from './fitPoints'
import { parabolaThrough } from './parabolaThrough'
import type { BezierSegment, Segment } from './segment'
import { segmentAt } from './segmentAt'
import { reversed } from './reversed'
import { shifted } from './shifted'
import { smoothed } from './smoothed'
import { svgPath } from './svgPath'
import { throughPoints } from './throughPoints'
import { turningDeg } from './turning'

const close = (value: number) => expect.closeTo(value, 4) as number
const onArc = (centre: Vec2, radiusMm: number, fromDeg: number, toDeg: number, count = 24): Vec2[] =>
  Array.from({ length: count + 1 }, (_, i) => {
    const at = ((fromDeg + ((toDeg - fromDeg) * i) / count) * Math.PI) / 180
    return [centre[0] + radiusMm * Math.cos(at), centre[1] + radiusMm * Math.sin(at)]
  })
const along = (from: Vec2, to: Vec2, count = 10): Vec2[] =>
  Array.from({ length: count + 1 }, (_, i) => [
    from[0] + ((to[0] - from[0]) * i) / count,
    from[1] + ((to[1] - from[1]) * i) / count,
  ])

describe('fitted to a chain of points', () => {
  it('two points, and any on a straight line, are that line', () => {
    const line = (from: Vec2, to: Vec2) => [{ type: 'line', from: [...from], to: [...to] }]
    expect(
      fitPoints(
        [
          [0, 0],
          [3, 4],
        ],
        0.01,
      ),
    ).toEqual({ segments: line([0, 0], [3, 4]), residualMm: 0 })
    const { segments, residualMm } = fitPoints(along([0, 5], [60, 20]), 0.01)
    expect(segments).toEqual(line([0, 5], [60, 20]))
    expect(residualMm).toBeLessThan(1e-9)
    // A point twice is one point; and a chain that runs out and back is as far off its line as it ran.
    expect(
      fitPoints(
        [
          [0, 0],
          [0, 0],
          [3, 4],
        ],
        0.01,
      ).segments,
    ).toEqual(line([0, 0], [3, 4]))
    expect(
      fitPoints(
        [
          [0, 0],
          [1, 0.2],
          [2, 0],
        ],
        0.3,
      ).residualMm,
    ).toBeCloseTo(0.2, 9)
  })

  it.each([
    ['to the right', 90, 35],
    ['to the left', -90, -20],
    ['more than a right angle', 160, 20],
  ])('points on an arc that turns %s are that arc', (_, fromDeg, toDeg) => {
    const { segments, residualMm } = fitPoints(onArc([10, -7], 40, fromDeg, toDeg), 0.01)
    const [startDeg, endDeg] = [close(fromDeg), close(toDeg)]
    expect(segments).toEqual([{ type: 'arc', centre: [close(10), close(-7)], radiusMm: close(40), startDeg, endDeg }])
    expect(residualMm).toBeLessThan(1e-6)
  })

  it('what bends farther than 170 degrees, or is no arc, becomes Béziers within the tolerance', () => {
    for (const points of [
      onArc([0, 0], 30, 0, 200, 60),
      along([-3, 0], [3, 0], 60).map(([x]): Vec2 => [20 * x, x ** 3]),
    ]) {
      const { segments, residualMm } = fitPoints(points, 0.05)
      expect(new Set(segments.map(({ type }) => type))).toEqual(new Set(['bezier']))
      expect(residualMm).toBeLessThanOrEqual(0.05)
      const dense = segments.flatMap((one) => Array.from({ length: 400 }, (_, i) => segmentAt(one, i / 399).point))
      const off = points.map((point) => Math.min(...dense.map((there) => length(subtract(point, there)))))
      expect(Math.max(...off)).toBeLessThan(0.2)
      expect([nth(dense, 0), dense.at(-1)]).toEqual([nth(points, 0), points.at(-1)].map((p) => p!.map((x) => close(x))))
    }
  })

  it('keeps a corner sharp, at the point where it is, and only such a turn is one', () => {
    const bent = (deg: number): Vec2[] => {
      const [c, s] = [Math.cos((deg * Math.PI) / 180), Math.sin((deg * Math.PI) / 180)]
      return [...along([0, 0], [40, 0], 40), ...along([40, 0], [40 + 40 * c, 40 * s], 40).slice(1)]
    }
    for (const deg of [30, -45, 90])
      expect(fitPoints(bent(deg), 0.1).segments).toMatchObject([
        { type: 'line', to: [40, 0] },
        { type: 'line', from: [40, 0] },
      ])
    expect(fitPoints(bent(26), 0.1).segments.every((one) => one.type === 'bezier')).toBe(true)
    // The corner is looked for over three tolerances: a tooth smaller than that is noise.
    const noisy = along([0, 0], [60, 0], 300).map(([x], i): Vec2 => [x, i % 2 === 0 || x < 5 || x > 55 ? 0 : 0.2])
    expect(fitPoints(noisy, 0.5).segments).toHaveLength(1)
  })

  it('few lines one after the other are facets; eight and more are a bend; long ones never', () => {
    const steps = (count: number): Segment[] => {
      const points = onArc([0, -100], 100, 90, 70, count)
      return points.slice(1).map((to, i) => ({ type: 'line', from: [...nth(points, i)], to: [...to] }))
    }
    const long: Segment = { type: 'line', from: [-2000, 0], to: [0, 0] }
    expect(smoothed([long, ...steps(7)], 0.01).segments).toHaveLength(8)
    expect(smoothed([long, ...steps(8)], 0.01)).toMatchObject({ segments: [long, { type: 'arc' }] })
    expect(smoothed(steps(8), 0.01)).toMatchObject({ segments: steps(8), residualMm: 0 })
    const back: Segment = { type: 'line', from: [0, 0], to: [-2000, 0] }
    expect(smoothed([...steps(8), back], 0.01)).toMatchObject({ segments: [{ type: 'arc' }, back] })
  })
})

describe('through measured points', () => {
  const bezier = (segment: Segment | undefined): BezierSegment => {
    expect(segment?.type).toBe('bezier')
    return segment as BezierSegment
  }
  const slopeAt = (segment: Segment, t: number) => {
    const [x, y] = segmentAt(segment, t).heading
    return y / x
  }

  it('two points are a line, and so is each stretch between two corners', () => {
    expect(
      throughPoints([
        [0, 0],
        [10, 2],
      ]),
    ).toEqual([{ type: 'line', from: [0, 0], to: [10, 2] }])
    expect(
      throughPoints([
        [0, 0],
        [10, 0],
        [20, 5],
      ]).map(({ type }) => type),
    ).toEqual(['line', 'line'])
    expect(
      throughPoints([
        [0, 0],
        [10, 0],
        [20, 4],
      ]).map(({ type }) => type),
    ).toEqual(['bezier', 'bezier'])
  })

  it('runs through every point without a kink, its handles a third of the way', () => {
    const points: Vec2[] = [
      [0, 30],
      [30, 31],
      [60, 30],
      [90, 26],
    ]
    const segments = throughPoints(points).map(bezier)
    expect(segments.map(({ points: p }) => [p[0], p[3]])).toEqual(points.slice(1).map((to, i) => [points[i], to]))
    segments.slice(1).forEach((one, i) => expect(slopeAt(one, 0)).toBeCloseTo(slopeAt(nth(segments, i), 1), 9))
    for (const {
      points: [a, b, , d],
    } of segments)
      expect(length(subtract(b, a))).toBeCloseTo(length(subtract(d, a)) / 3, 9)
  })

  it('is flat at a highest point, takes the parabola’s slope between, and no more than twice the lesser chord’s', () => {
    const [first] = throughPoints([
      [0, 30],
      [30, 31],
      [60, 30],
      [90, 29],
    ])
    expect(slopeAt(first!, 1)).toBeCloseTo(0, 12)
    // Slopes 0.1 and 0.3 over 10 and 30: the parabola has 0.15 at the point; over 0.02 and 0.3 no more than 0.04.
    expect(
      slopeAt(
        throughPoints([
          [0, 0],
          [10, 1],
          [40, 10],
        ])[0]!,
        1,
      ),
    ).toBeCloseTo(0.15, 9)
    expect(
      slopeAt(
        throughPoints([
          [0, 0],
          [30, 0.6],
          [40, 3.6],
        ])[0]!,
        1,
      ),
    ).toBeCloseTo(0.04, 9)
    // Falling it is the same, downward.
    expect(
      slopeAt(
        throughPoints([
          [0, 10],
          [10, 9],
          [40, 0],
        ])[0]!,
        1,
      ),
    ).toBeCloseTo(-0.15, 9)
  })

  it('where it is steep or turns back it takes the direction from neighbour to neighbour', () => {
    const [first] = throughPoints([
      [0, 0],
      [1, 4],
      [3, 10],
    ])
    expect(segmentAt(first!, 1).heading).toEqual([3, 10].map((x) => close(x / Math.hypot(3, 10))))
    const [back] = throughPoints([
      [10, 0],
      [5, 1],
      [0, 1],
    ])
    expect(segmentAt(back!, 1).heading).toEqual([-10, 1].map((x) => close(x / Math.hypot(10, 1))))
  })

  it('its ends bend as their stretch does: mirrored about the chord', () => {
    const segments = throughPoints([
      [0, 0],
      [30, 3],
      [60, 3.5],
    ])
    const deg = (segment: Segment, t: number) => degrees(Math.atan(slopeAt(segment, t)))
    const chord = degrees(Math.atan(3 / 30))
    expect(deg(nth(segments, 0), 0) - chord).toBeCloseTo(chord - deg(nth(segments, 0), 1), 9)
    const last = degrees(Math.atan(0.5 / 30))
    expect(deg(nth(segments, 1), 1) - last).toBeCloseTo(last - deg(nth(segments, 1), 0), 9)
  })

  it('is nowhere wider than the points where they run on straight', () => {
    const rising = fc.array(
      fc.tuple(fc.double({ min: 1, max: 30, noNaN: true }), fc.double({ min: 0, max: 8, noNaN: true })),
      {
        minLength: 2,
        maxLength: 6,
      },
    )
    fc.assert(
      fc.property(rising, (steps) => {
        const points = steps.reduce<Vec2[]>(
          (all, [run, rise]) => {
            const [x, y] = all.at(-1)!
            return [...all, [x + run, y + Math.min(rise, 0.4 * run)]]
          },
          [[0, 0]],
        )
        const most = points.at(-1)![1]
        for (const one of throughPoints(points).slice(1, -1))
          for (let i = 0; i <= 20; i++) expect(segmentAt(one, i / 20).point[1]).toBeLessThanOrEqual(most + 1e-9)
      }),
    )
  })
})

describe('of a curve', () => {
  const corner: Segment[] = [
    { type: 'line', from: [0, 0], to: [30, 0] },
    { type: 'line', from: [30, 0], to: [30 + 10 * Math.cos(0.5), -10 * Math.sin(0.5)] },
  ]

  it('its corners are told with their place and turn: into the blade is negative; less than 5 degrees is a joint', () => {
    expect(cornersOf(corner)).toEqual([{ fromHeelMm: 30, turnDeg: close(-degrees(0.5)) }])
    const turned = (deg: number): Segment[] => [
      nth(corner, 0),
      { type: 'line', from: [30, 0], to: [40, 10 * Math.tan((deg * Math.PI) / 180)] },
    ]
    expect(cornersOf(turned(6))).toEqual([{ fromHeelMm: 30, turnDeg: close(6) }])
    expect(cornersOf(turned(4))).toEqual([])
  })

  it('a corner turns by the difference of the two headings, whichever way they run', () => {
    const at = (deg: number): [number, number] => [
      10 * Math.cos((deg * Math.PI) / 180),
      10 * Math.sin((deg * Math.PI) / 180),
    ]
    fc.assert(
      fc.property(
        fc.integer({ min: -180, max: 180 }),
        fc.integer({ min: 6, max: 170 }),
        fc.boolean(),
        (from, by, left) => {
          const turnDeg = left ? by : -by
          const [middle, end] = [at(from), at(from + turnDeg)]
          const bent: Segment[] = [
            { type: 'line', from: [0, 0], to: middle },
            { type: 'line', from: middle, to: [middle[0] + end[0], middle[1] + end[1]] },
          ]
          expect(cornersOf(bent)).toEqual([{ fromHeelMm: close(10), turnDeg: close(turnDeg) }])
        },
      ),
    )
  })

  it('run from tip to heel, or moved, it has the same points, in that order or so much aside', () => {
    const all: Segment[] = [
      { type: 'line', from: [0, 28], to: [55, 28] },
      { type: 'arc', centre: [55, -17], radiusMm: 45, startDeg: 90, endDeg: 35 },
      {
        type: 'bezier',
        points: [
          [91.862, 8.811],
          [95, 5],
          [97, 2],
          [98, -4],
        ],
      },
    ]
    const places = [0, 0.2, 1]
    const points = (of: readonly Segment[]) => of.flatMap((piece) => places.map((t) => segmentAt(piece, t).point))
    const back = reversed(all)
    expect(back.flatMap((piece) => places.map((t) => segmentAt(piece, 1 - t).point))).toEqual(
      [...all].reverse().flatMap((piece) => places.map((t) => segmentAt(piece, t).point.map(close))),
    )
    expect(segmentAt(nth(back, 1), 0.5).heading.map((one) => -one)).toEqual(
      segmentAt(nth(all, 1), 0.5).heading.map(close),
    )
    expect(points(shifted(all, [3, -2]))).toEqual(points(all).map(([x, y]) => [close(x + 3), close(y - 2)]))
  })

  it('an arc that runs over the place where angles begin anew is fitted with its own sweep, either way round', () => {
    for (const [from, to] of [
      [150, 230],
      [230, 150],
      [-20, 30],
      [100, 265],
    ] as const) {
      const [piece] = fitPoints(onArc([4, 9], 30, from, to), 0.01).segments
      expect(piece).toMatchObject({ type: 'arc', radiusMm: close(30) })
      if (piece?.type === 'arc') expect(piece.endDeg - piece.startDeg).toBeCloseTo(to - from, 4)
    }
  })

  it('the turning from point to point adds up to that of its ends', () => {
    const belly: Segment[] = [{ type: 'arc', centre: [0, 0], radiusMm: 40, startDeg: 90, endDeg: 30 }]
    const turned = turningDeg(evenEdgePoints(belly, 13))
    expect(turned).toEqual(Array.from({ length: 12 }, () => close(-5)))
  })

  it('a chain that crosses itself says at which piece; ends that touch do not count, nor a ring that closes', () => {
    expect(
      crossesItself([
        [0, 0],
        [10, 0],
        [10, 10],
        [5, -5],
      ]),
    ).toBe(0)
    expect(
      crossesItself([
        [-5, 0],
        [0, 0],
        [10, 0],
        [10, 10],
        [5, -5],
      ]),
    ).toBe(1)
    expect(
      crossesItself([
        [0, 0],
        [10, 0],
        [10, 10],
        [5, 5],
      ]),
    ).toBeNull()
    expect(
      crossesItself([
        [0, 0],
        [10, 0],
        [10, 10],
        [5, 0],
      ]),
    ).toBeNull()
    expect(
      crossesItself([
        [0, 0],
        [10, 0],
        [10, 10],
        [0, 0],
      ]),
    ).toBeNull()
  })

  it('a ring closes where its ends are the same to a millionth of a millimetre; crossed elsewhere it is crossed', () => {
    const ring = (last: Vec2): Vec2[] => [[0, 0], [10, 0], [10, 10], last]
    expect([ring([2e-10, -1e-10]), ring([2e-3, -1e-3])].map(crossesItself)).toEqual([null, 0])
    // Its last piece crosses the second, and ends where the first begins.
    expect(
      crossesItself([
        [0, 0],
        [10, 0],
        [2, 8],
        [10, 8],
        [0, 0],
      ]),
    ).toBe(1)
    expect(
      crossesItself([
        [3, 1],
        [13, 1],
        [5, 9],
        [13, 9],
        [3, 1],
      ]),
    ).toBe(1)
  })

  it('a parabola of least squares is the one the points lie on; two points tell none', () => {
    const f = (u: number) => 3 - 0.4 * u + 0.02 * u * u
    const fitted = parabolaThrough([2, 5, 9, 14, 20].map((u): Vec2 => [u, f(u)]))!
    for (const u of [2, 7, 20]) expect(fitted(u)).toBeCloseTo(f(u), 9)
    // One point off by d moves it by least squares, not through that point.
    const off = parabolaThrough([
      [0, 0],
      [1, 0],
      [2, 1],
      [3, 0],
      [4, 0],
    ])!
    expect([off(0), off(2)]).toEqual([close(-3 / 35), close(17 / 35)])
    expect(
      parabolaThrough([
        [0, 0],
        [1, 1],
      ]),
    ).toBeNull()
  })

  it('its path says which way an arc goes and how far, and goes on from another where that is asked', () => {
    const arc = (startDeg: number, endDeg: number): Segment => ({
      type: 'arc',
      centre: [0, 0],
      radiusMm: 10,
      startDeg,
      endDeg,
    })
    expect(svgPath([arc(0, 90)])).toBe('M10 0 A10 10 0 0 1 0 10')
    expect(svgPath([arc(90, 0)])).toBe('M0 10 A10 10 0 0 0 10 0')
    expect(svgPath([arc(0, 270)])).toBe('M10 0 A10 10 0 1 1 0 -10')
    const bezier: Segment = {
      type: 'bezier',
      points: [
        [0, 0],
        [1, 2],
        [3.00049, 4],
        [5, 6],
      ],
    }
    expect(svgPath([bezier], true)).toBe('L0 0 C1 2 3 4 5 6')
    expect(svgPath([bezier], false, 4)).toBe('M0 0 C1 2 3.0005 4 5 6')
    expect(svgPath([])).toBe('')
  })
})

import fc from 'fast-check'
import { describe, expect, it, vi } from 'vitest'
import { SHAPE_IDS } from '../../records/blade/shapeMeasures'
import { SHAPES } from '../../records/blade/shapes'
import { curveLength } from '../../math/curve/arcLength'
import { curve } from '../../math/curve/curve'
import { cornersOf } from '../../math/curve/corners'
import { fitPoints } from '../../math/curve/fitPoints'
import { reversed } from '../../math/curve/reversed'
import type { Segment } from '../../math/curve/segment'
import { segmentAt } from '../../math/curve/segmentAt'
import { shifted } from '../../math/curve/shifted'
import { evenEdgePoints } from '../../math/curve/edgePoints'
import { throughPoints } from '../../math/curve/throughPoints'
import type { Vec2 } from '../../math/vector/vec2'
import ezdxfDxf from './fixtures/ezdxf.dxf?raw'
import gnuplotDxf from './fixtures/gnuplot.dxf?raw'
import openscadDxf from './fixtures/openscad.dxf?raw'
import openscadSvg from './fixtures/openscad.svg?raw'
import potraceDxf from './fixtures/potrace.dxf?raw'
import potraceSvg from './fixtures/potrace.svg?raw'
import { readDxf, writeDxf } from './dxf'
import { withoutGaps, type ReadDrawing } from './drawnPath'
import { placeEdge } from './placeEdge'
import { readPoints, writePoints } from './points'
import { recognised } from './recognised'
import { readSvg, writeSvg } from './svg'

type Pieces = readonly Segment[]
const end = (of: Pieces, at: 0 | 1) => [...segmentAt(at === 0 ? of[0]! : of.at(-1)!, at).point] as [number, number]
/** A line or a Bézier with its sides turned. */
function mirrored(piece: Segment, x: boolean, y: boolean): Segment {
  const p = (at: readonly number[]): [number, number] => [x ? -at[0]! : at[0]!, y ? -at[1]! : at[1]!]
  if (piece.type === 'line') return { type: 'line', from: p(piece.from), to: p(piece.to) }
  if (piece.type === 'arc') throw new Error('no shape of the library has one')
  const [a, b, c, d] = piece.points
  return { type: 'bezier', points: [p(a), p(b), p(c), p(d)] }
}
const placing = (...given: Parameters<typeof placeEdge>) => {
  const placed = placeEdge(...given)
  if (!placed.ok) throw new Error(placed.code)
  return placed
}
const asDrawn = { mmPerUnit: 1, tipAtLeft: false, edgeBelow: false }
const read = (drawing: ReadDrawing) => {
  if (!drawing.ok) throw new Error(drawing.code)
  return drawing
}
/** The farthest that places of one edge are from the places of another. */
const apart = (a: Pieces, b: Pieces): number => {
  const [p, q] = [evenEdgePoints(a, 101), evenEdgePoints(b, 101)]
  return Math.max(
    ...p.map((edgePoint, i) => Math.hypot(edgePoint.point[0] - q[i]!.point[0], edgePoint.point[1] - q[i]!.point[1])),
  )
}

/** An arc that runs against the clock, and one with it that goes more than half round. */
const [first, joint] = (() => {
  const arc = { type: 'arc', centre: [41.3, 95], radiusMm: 72, startDeg: -125, endDeg: -60 } as const
  return [arc, segmentAt(arc as never, 1).point]
})()
const arcs: Pieces = [
  { ...first, centre: [...first.centre] },
  { type: 'arc', centre: [joint[0], joint[1] - 9], radiusMm: 9, startDeg: 90, endDeg: -100 },
]
const startsAtHeel = (curve: Pieces) => shifted(curve, [-end(curve, 0)[0], 0])

describe('a blade written and read again is what it was: edge, spine, heel and width', () => {
  const blades = [
    ...SHAPE_IDS.map((id) => [id, SHAPES[id].build(SHAPES[id].usual)] as const),
    ['arcs both ways round', { edge: startsAtHeel(arcs), spine: null }] as const,
  ]
  it.each(blades)('%s', (_, { edge: of, spine: back }) => {
    const size = { lengthMm: 90, widthMm: 24 }
    const drawings = [
      [read(readSvg(writeSvg(of, back, size))).written, 1e-6],
      [read(readDxf(writeDxf(of, back))).written, 1e-6],
      [readPoints(writePoints(of, back)), 0.01],
    ] as const
    for (const [drawing, within] of drawings) {
      const written = drawing && 'ok' in drawing ? (drawing.ok ? drawing.written : null) : drawing
      expect(apart(written!.edge, of)).toBeLessThan(within)
      if (back) expect(apart(written!.spine!, back)).toBeLessThan(within)
      else expect(written!.spine).toBeNull()
      expect(cornersOf(written!.edge).map((corner) => Math.round(corner.fromHeelMm))).toEqual(
        cornersOf(of).map((corner) => Math.round(corner.fromHeelMm)),
      )
    }
  })
})

describe('at which end of a drawing the tip is', () => {
  it('is recognised, or not told: never told wrong', () => {
    const told = { tip: 0, of: 0 }
    for (const id of SHAPE_IDS)
      for (const tipAtLeft of [false, true])
        for (const edgeBelow of [false, true]) {
          const { edge: of, spine: back } = SHAPES[id].build(SHAPES[id].usual)
          const outline = [...of, ...reversed(back)]
          const heel: Pieces = [{ type: 'line', from: end(outline, 1), to: end(outline, 0) }]
          const turned = (all: Pieces) => all.map((piece) => mirrored(piece, tipAtLeft, edgeBelow))
          for (const segments of [turned([...outline, ...heel]), turned([...of]), turned([...reversed(of)])]) {
            const found = recognised({ name: id, segments })
            expect([tipAtLeft, null], `${id}: tip`).toContain(found.tipAtLeft)
            told.of++
            if (found.tipAtLeft !== null) told.tip++
          }
        }
    expect(told.tip).toBeGreaterThan(0.6 * told.of)
  })
})

describe('drawings of other programs', () => {
  it('SVG: relative commands, arcs, nested transforms and units', () => {
    const svg =
      '<svg width="100mm" height="50mm" viewBox="0 0 200 100"><g transform="translate(10,5)"><g transform="scale(2)"><path id="e" d="m0 0 h30 a20 20 0 0 1 20 20"/></g></g><text>no</text></svg>'
    const { paths, mmPerUnit, leftOut } = read(readSvg(svg))
    expect([mmPerUnit, leftOut]).toEqual([0.5, ['1 text']])
    const placed = placing(paths[0]!, { mmPerUnit: 0.5, tipAtLeft: false, edgeBelow: false }, 30)
    expect(curveLength(placed.edge)).toBeCloseTo(30 + 10 * Math.PI, 2)
  })

  it('SVG: a drawing within the drawing, its view box laid out as it says; without a view box a unit is a pixel', () => {
    const path = '<path d="M10 10H50"/>'
    const sizeOf = (svg: string) => {
      const { paths, mmPerUnit } = read(readSvg(svg))
      const [line] = paths[0]!.segments as unknown as { from: number[]; to: number[] }[]
      return [...line!.from, ...line!.to].map((value) => Math.abs(value) * mmPerUnit!)
    }
    const near = (svg: string, mm: number[]) => sizeOf(svg).forEach((value, i) => expect(value).toBeCloseTo(mm[i]!, 9))
    // Twice as large, from (20, 30) mm on; the wider way room is left, half of it before.
    const inner = (ratio: string) =>
      `<svg width="200mm" height="100mm" viewBox="0 0 200 100"><svg x="20" y="30" width="160" height="60" viewBox="5 5 50 30" ${ratio}>${path}</svg></svg>`
    near(inner(''), [20 + 30 + 10, 40, 20 + 30 + 90, 40])
    near(inner('preserveAspectRatio="xMinYMax meet"'), [20 + 10, 40, 20 + 90, 40])
    near(inner('preserveAspectRatio="xMaxYMin slice"'), [20 + 16, 30 + 16, 20 + 144, 30 + 16])
    near(inner('preserveAspectRatio="none"'), [20 + 16, 40, 20 + 144, 40])
    near(`<svg width="100mm" height="100mm" viewBox="0 0 50 100">${path}</svg>`, [10, 10, 50, 10])
    near(
      `<svg width="100mm" height="100mm" viewBox="0 0 50 100" preserveAspectRatio="none">${path}</svg>`,
      [20, 10, 100, 10],
    )
    near(
      `<svg width="100mm" height="50mm">${path}</svg>`,
      [10, 10, 50, 10].map((px) => (px * 25.4) / 96),
    )
  })

  it('SVG: lines drawn one by one are joined where they meet; a small gap is closed, and the blade takes it', () => {
    const lines = '<path d="M0 0H60"/><path d="M110 30C95 12 80 0 60.01 0.01"/><line x1="0" y1="0" x2="0" y2="-20"/>'
    const svg = `<svg width="200mm" height="100mm" viewBox="0 -50 200 100">${lines}<path id="rule" d="M0 40H100"/></svg>`
    const { paths } = read(readSvg(svg))
    expect(paths.map(({ name, segments }) => [name, segments.length])).toEqual([
      ['rule', 1],
      ['path 2', 3],
    ])
    const placed = placing(paths[1]!, { mmPerUnit: 1, tipAtLeft: false, edgeBelow: true }, 30)
    expect(curve.safeParse(placed.edge).success).toBe(true)
    // An arc cannot be moved: the line before it goes on to it, and between two there is a line.
    const arc = { type: 'arc' as const, centre: [60, 10] as [number, number], radiusMm: 10, startDeg: 270, endDeg: 330 }
    const off = { ...arc, centre: [69.19, 0] as [number, number] }
    const closed = withoutGaps([{ type: 'line', from: [0, 0], to: [59.97, 0.02] }, arc, off])
    expect(closed.map(({ type }) => type)).toEqual(['line', 'arc', 'line', 'arc'])
    closed.slice(1).forEach((piece, i) => {
      const [end, start] = [segmentAt(closed[i]!, 1).point, segmentAt(piece, 0).point]
      expect(Math.hypot(end[0] - start[0], end[1] - start[1])).toBeLessThan(1e-9)
    })
  })

  it('DXF: a spline is followed between its knots, however near they are to each other, and its corners stay', () => {
    // Straight to a corner at a knot as often as its degree is, then a bend in a hundredth of the parameters.
    const controls = [
      [0, 0],
      [20, 0],
      [40, 0],
      [60, 0],
      [70, 10],
      [80, 20],
      [90, 30],
      [91, 44],
      [80, 50],
      [60, 52],
    ]
    const knots = [0, 0, 0, 0, 0.98, 0.98, 0.98, 0.99, 0.99, 0.99, 1, 1, 1, 1]
    const pairs = ['0', 'SECTION', '2', 'ENTITIES', '0', 'SPLINE', '8', 'edge', '70', '8', '71', '3']
    pairs.push('72', String(knots.length), '73', String(controls.length))
    for (const knot of knots) pairs.push('40', String(knot))
    for (const [x, y] of controls) pairs.push('10', String(x), '20', String(y), '30', '0')
    const { paths } = read(readDxf([...pairs, '0', 'ENDSEC', '0', 'EOF'].join('\n')))
    const drawn = evenEdgePoints(paths[0]!.segments, 4000)
    const nearest = (x: number, y: number) =>
      Math.min(...drawn.map(({ point }) => Math.hypot(point[0] - x, point[1] - y)))
    expect(nearest(60, 0)).toBeLessThan(0.02)
    for (let i = 0; i <= 40; i++) {
      const t = i / 40
      const [a, b, c, d] = [(1 - t) ** 3, 3 * t * (1 - t) ** 2, 3 * t * t * (1 - t), t ** 3]
      const at = (axis: number) => a * [90, 30][axis]! + b * [91, 44][axis]! + c * [80, 50][axis]! + d * [60, 52][axis]!
      expect(nearest(at(0), at(1))).toBeLessThan(0.03)
    }
  })

  it('DXF: a polyline with a bulge, an arc, and a spline, joined where they meet', () => {
    const dxf = [
      '0',
      'SECTION',
      '2',
      'ENTITIES',
      '0',
      'LWPOLYLINE',
      '90',
      '3',
      '70',
      '0',
      '10',
      '0',
      '20',
      '25',
      '10',
      '50',
      '20',
      '25',
      '42',
      '-0.41421356',
      '10',
      '75',
      '20',
      '0',
      '0',
      'ENDSEC',
      '0',
      'EOF',
    ].join('\n')
    const [path] = read(readDxf(dxf)).paths
    expect(path!.segments.map((piece) => piece.type)).toEqual(['line', 'arc'])
    expect(curveLength(path!.segments)).toBeCloseTo(50 + (25 * Math.PI) / 2, 3)
  })

  it.each([
    ['an SVG traced from a bitmap by potrace', () => readSvg(potraceSvg), null],
    ['its DXF, ten units for a millimetre', () => readDxf(potraceDxf), 0.1],
  ])('%s: a blade 90 mm long and 24 mm wide whose tip lies 6 mm below the spine', (_, drawing, mmPerUnit) => {
    const { paths, mmPerUnit: drawn } = read(drawing())
    const placed = placing(paths[0]!, { mmPerUnit: mmPerUnit ?? drawn!, tipAtLeft: false, edgeBelow: true }, 24)
    const edgePoints = evenEdgePoints(placed.edge, 200)
    expect(Math.abs(edgePoints[0]!.point[1] - 24)).toBeLessThan(0.2)
    expect(Math.abs(edgePoints.at(-1)!.point[0] - 90)).toBeLessThan(0.3)
    expect(Math.abs(edgePoints.at(-1)!.point[1] - 6)).toBeLessThan(0.4)
    expect(placed.spine).not.toBeNull()
  })

  it('a DXF plotted by gnuplot: a cubic that falls by a fifth of its length', () => {
    const longest = read(readDxf(gnuplotDxf)).paths.reduce((best, path) =>
      curveLength(path.segments) > curveLength(best.segments) ? path : best,
    )
    const placed = placing(longest, asDrawn, 24)
    const [heel, tip] = evenEdgePoints(placed.edge, 2).map((edgePoint) => edgePoint.point)
    expect((heel![1] - tip![1]) / tip![0]).toBeCloseTo(18 / 90, 2)
  })

  it('a DXF written by ezdxf: polyline, arc and spline, drawn apart, are one smooth edge of the length they were given', () => {
    const { paths, mmPerUnit } = read(readDxf(ezdxfDxf))
    expect(paths).toHaveLength(1)
    const { edge: drawn } = placing(paths[0]!, { mmPerUnit: mmPerUnit!, tipAtLeft: false, edgeBelow: true }, 24)
    const spline: Pieces = [
      {
        type: 'bezier',
        points: [
          [77.5, 6.0289],
          [80.9641, 8.0289],
          [85.5, 12.0289],
          [86.5, 18.0289],
        ],
      },
    ]
    expect(curveLength(drawn)).toBeCloseTo(55 + (45 * Math.PI) / 6 + curveLength(spline), 1)
    expect(cornersOf(drawn)).toEqual([])
  })

  it.each([
    ['DXF', readDxf(openscadDxf)],
    ['SVG', readSvg(openscadSvg)],
  ])(
    '%s written by OpenSCAD: the choil cut into its outline is left out, and the edge begins behind it',
    (_, drawing) => {
      const { choil, edge: behind, spine: back } = placing(read(drawing).paths[0]!, asDrawn, 24)
      expect(choil).toBe(true)
      expect(behind.map((piece) => (piece.type === 'line' ? piece.to : null))).toEqual(
        [
          [46.5359, 24],
          [58.5359, 23],
          [68.5359, 19.5],
          [76.5359, 14],
          [82.5359, 6],
        ].map((to) => to.map((mm) => expect.closeTo(mm, 3))),
      )
      expect(evenEdgePoints(back!, 2)[0]!.point).toEqual([expect.closeTo(0, 3), 0])
    },
  )

  it('a closed outline is parted into edge and spine, whichever way it was drawn', () => {
    for (const d of ['M0 0 H60 L80 15 C70 24 60 24 50 24 H0 Z', 'M0 0 V24 H50 C60 24 70 24 80 15 L60 0 Z']) {
      const placed = placing(
        read(readSvg(`<svg><path d="${d}"/></svg>`)).paths[0]!,
        { ...asDrawn, edgeBelow: true },
        24,
      )
      const [heel, tip] = [evenEdgePoints(placed.edge, 2)[0]!.point, evenEdgePoints(placed.edge, 2)[1]!.point]
      expect([...heel, ...tip].map((mm) => Math.round(mm * 1000) / 1000)).toEqual([0, 24, 80, 15])
      expect(placed.spine).not.toBeNull()
    }
  })
})

describe('an SVG', () => {
  const lengths = (svg: string) => read(readSvg(svg)).paths.map(({ segments }) => Math.round(curveLength(segments)))

  it('what is hidden, or drawn into a pattern, a mask or a marker, is no edge', () => {
    const path = '<path d="M0 0H40"/>'
    expect(
      lengths(
        `<svg><pattern>${path}</pattern><mask>${path}</mask><marker>${path}</marker><g display="none">${path}</g>
        <g style="fill:none; visibility: hidden">${path}</g><path d="M0 0H70"/></svg>`,
      ),
    ).toEqual([70])
  })

  it('a sign parts two figures of a transform; what follows a closed path begins where that began', () => {
    const [moved] = read(readSvg('<svg><path transform="translate(10-5)" d="M0 0H40"/></svg>')).paths
    expect(end(moved!.segments, 0)).toEqual([10, 5])
    const [round, on] = read(readSvg('<svg><path d="M10 0H30V20H10Z L50 0"/></svg>')).paths
    expect(Math.round(curveLength(round!.segments))).toBe(80)
    expect(end(on!.segments, 0)).toEqual([10, expect.closeTo(0, 9)])
  })
})

it('points with a figure too many are told with their line: what they mean is not clear', () => {
  expect(readPoints('0 20\n12,5,3,2\n')).toMatchObject({ ok: false, line: 2, code: 'not-two-figures' })
  expect(readPoints('0;20;0\n9;20;0')).toMatchObject({ ok: false, line: 1 })
  expect(readPoints('0;20;\n9;19;')).toMatchObject({ ok: true })
})

describe('a DXF', () => {
  const dxf = (...entities: (string | number)[][]) =>
    ['0', 'SECTION', '2', 'ENTITIES', ...entities.flat(), '0', 'ENDSEC', '0', 'EOF'].join('\n')
  const layer = (name: string) => [8, name]

  it('a spline with weights is the conic it says: a quarter of a circle', () => {
    const half = Math.SQRT1_2
    const quarter = dxf(
      [0, 'SPLINE', 71, 2, ...[0, 0, 0, 1, 1, 1].flatMap((knot) => [40, knot])].concat(
        [1, half, 1].flatMap((weight) => [41, weight]),
        [
          [50, 0],
          [50, 50],
          [0, 50],
        ].flatMap(([x, y]) => [10, x!, 20, y!]),
      ),
    )
    const { segments } = read(readDxf(quarter)).paths[0]!
    for (const { point } of evenEdgePoints(segments, 30)) expect(Math.hypot(...point)).toBeCloseTo(50, 2)
  })

  it('what is drawn seen from below has its x turned round', () => {
    const arc = [0, 'ARC', 10, 10, 20, 0, 40, 5, 50, 0, 51, 90]
    const { segments } = read(readDxf(dxf([...arc, 230, -1]))).paths[0]!
    expect(end(segments, 0)).toEqual([expect.closeTo(-15, 9), expect.closeTo(0, 9)])
    expect(end(segments, 1)).toEqual([expect.closeTo(-10, 9), expect.closeTo(5, 9)])
  })

  it('layers are chained by themselves, hidden things left out, and all together where they go on', () => {
    const line = (on: string, from: number, to: number, ...more: number[]) => [
      0,
      'LINE',
      ...layer(on),
      10,
      from,
      20,
      0,
      11,
      to,
      21,
      0,
      ...more,
    ]
    const { paths } = read(readDxf(dxf(line('edge', 0, 50), line('spine', 50, 90), line('edge', 90, 95, 60, 1))))
    expect(paths.map(({ name, segments }) => [name, segments.length])).toEqual([
      ['edge 1', 1],
      ['spine 1', 1],
      ['all layers 1', 2],
    ])
  })

  it('a polyline into which another thing was pasted is read as far as it goes', () => {
    const vertex = (x: number) => [0, 'VERTEX', 10, x, 20, 0]
    const pasted = dxf([0, 'POLYLINE', ...vertex(0), ...vertex(40), 0, 'LAYER', 2, 'x', ...vertex(80), 0, 'SEQEND'])
    expect(curveLength(read(readDxf(pasted)).paths[0]!.segments)).toBe(80)
  })
})

describe('what is wrong is said', () => {
  it.each([
    ['<svg><circle r="4"/></svg>', 'no-path-in-svg'],
    ['hello', 'nothing-drawn-in-svg'],
  ])('SVG %j', (text, code) => {
    const drawing = readSvg(text)
    expect(drawing).toMatchObject({ ok: false, code })
  })

  it('DXF without a usable entity, points without figures, an edge of no length, and one that crosses itself', () => {
    const circle = readDxf(
      ['0', 'SECTION', '2', 'ENTITIES', '0', 'CIRCLE', '10', '0', '20', '0', '40', '5', '0', 'ENDSEC', '0', 'EOF'].join(
        '\n',
      ),
    )
    expect(circle).toEqual({ ok: false, code: 'nothing-drawn-in-dxf', figures: { only: 'CIRCLE' } })
    expect(readPoints('x,y\n0,20\n10;b')).toEqual({
      ok: false,
      line: 3,
      code: 'not-two-figures',
      figures: { text: '10;b' },
    })
    expect(readPoints('0 20\n12,5 19,5')).toEqual({
      ok: true,
      points: [
        [0, 20],
        [12.5, 19.5],
      ],
      written: null,
    })
    const short = placeEdge({ name: '', segments: [{ type: 'line', from: [0, 0], to: [1, 0] }] }, asDrawn, 20)
    expect(short).toMatchObject({ ok: false, code: 'edge-too-short', figures: { lengthMm: 1 } })
    const loop = placeEdge(
      {
        name: '',
        segments: throughPoints([
          [0, 0],
          [60, 0],
          [60, 20],
          [30, -20],
          [90, -5],
        ]),
      },
      asDrawn,
      20,
    )
    expect(loop).toEqual({ ok: false, code: 'crosses-itself' })
  })

  it('any text at all is read or refused, never thrown at', () => {
    vi.spyOn(console, 'log').mockImplementation(() => undefined)
    const some = fc.oneof(
      fc.string(),
      fc.string().map((d) => `<svg><path d="${d}"/></svg>`),
      fc
        .array(
          fc.constantFrom(
            '0',
            'SECTION',
            '2',
            'ENTITIES',
            'LINE',
            'SPLINE',
            'ARC',
            '10',
            '20',
            '5',
            'ENDSEC',
            'EOF',
            '-1e9',
            'x',
          ),
        )
        .map((lines) => lines.join('\n')),
    )
    fc.assert(
      fc.property(some, (text) =>
        [readSvg(text), readDxf(text), readPoints(text)].every((result) => typeof result.ok === 'boolean'),
      ),
    )
    const cutOff = '0\nSECTION\n2\nENTITIES\n0\nPOLYLINE\n0\nVERTEX\n10\n'
    expect(readDxf(cutOff)).toEqual({ ok: false, code: 'file-cut-off' })
    // Real files with a stretch cut out, doubled, or overwritten: what is still read can be placed or is refused.
    const files = [ezdxfDxf, openscadDxf, openscadSvg, potraceDxf, potraceSvg, gnuplotDxf]
    const harmed = fc
      .tuple(
        fc.constantFrom(...files),
        fc.double({ min: 0, max: 1, noNaN: true }),
        fc.nat(400),
        fc.string({ maxLength: 12 }),
      )
      .map(([file, share, size, put]) => {
        const at = Math.floor(share * file.length)
        return file.slice(0, at) + put + file.slice(put === '' ? Math.max(0, at - size) : at + size)
      })
    const placeable = (drawing: ReadDrawing) =>
      !drawing.ok ||
      drawing.paths.every(
        (path) => typeof placeEdge(path, { ...asDrawn, mmPerUnit: drawing.mmPerUnit ?? 1 }, 24).ok === 'boolean',
      )
    fc.assert(
      fc.property(harmed, (text) => placeable(readSvg(text)) && placeable(readDxf(text))),
      { numRuns: 60 },
    )
  })
})

describe('curves through points', () => {
  it('a circle’s points are one arc, a corner stays sharp', () => {
    const arc: Vec2[] = Array.from({ length: 40 }, (_, i) => [60 * Math.sin(i / 40), 60 * Math.cos(i / 40)])
    expect(fitPoints(arc, 0.01).segments).toEqual([
      expect.objectContaining({ type: 'arc', radiusMm: expect.closeTo(60, 6) }),
    ])
    const corner: Vec2[] = [
      ...Array.from({ length: 30 }, (_, i): Vec2 => [i, 20]),
      ...Array.from({ length: 20 }, (_, i): Vec2 => [30 + i * 0.7, 20 - i * 0.7]),
    ]
    expect(fitPoints(corner, 0.05).segments.map((piece) => piece.type)).toEqual(['line', 'line'])
  })

  it('is nowhere wider than the typed points, and straight where they are', () => {
    const widths = fc.array(fc.double({ min: 18, max: 26, noNaN: true }), { minLength: 2, maxLength: 8 })
    fc.assert(
      fc.property(widths, (ys) => {
        const pieces = throughPoints(ys.map((y, i): Vec2 => [20 * i, y]))
        const curve = evenEdgePoints(pieces, 101).map((edgePoint) => edgePoint.point[1])
        expect(Math.max(...curve)).toBeLessThanOrEqual(Math.max(...ys) + 1e-6)
        expect(Math.min(...curve)).toBeGreaterThanOrEqual(Math.min(...ys) - 1e-6)
      }),
    )
    const straight = throughPoints([
      [0, 24],
      [10, 24],
      [50, 24],
      [70, 20],
      [84, 10],
    ])
    expect(
      evenEdgePoints(straight.slice(0, 2), 21).every((edgePoint) => Math.abs(edgePoint.point[1] - 24) < 1e-9),
    ).toBe(true)
  })

  it('passes through every typed point', () => {
    const typed: Vec2[] = [
      [0, 24],
      [20, 24],
      [40, 23.6],
      [60, 21],
      [75, 15],
      [84, 7],
    ]
    const pieces = throughPoints(typed)
    expect(pieces).toHaveLength(5)
    pieces.forEach((piece, i) =>
      expect(
        piece.type === 'bezier'
          ? [piece.points[0], piece.points[3]]
          : piece.type === 'line'
            ? [piece.from, piece.to]
            : null,
      ).toEqual([typed[i], typed[i + 1]]),
    )
  })
})

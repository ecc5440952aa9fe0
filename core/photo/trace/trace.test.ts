import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { headingUncertaintyDeg } from '../../records/blade/headingUncertainty'
import type { EdgeUncertainty } from '../../records/blade/edgeUncertainty'
import { SHAPE_IDS, type ShapeId } from '../../records/blade/shapeMeasures'
import { SHAPES } from '../../records/blade/shapes'
import { curveLength } from '../../math/curve/arcLength'
import { cornersOf } from '../../math/curve/corners'
import type { Curve } from '../../math/curve/curve'
import { evenEdgePoints } from '../../math/curve/edgePoints'
import { degrees } from '../../math/units/angle'
import type { Vec2 } from '../../math/vector/vec2'
import { drawnPicture, type Light } from './drawnPicture.fixture'
import { applied, homographyOf } from './homography'
import { evenScale, scaleOfSheet } from './pictureScale'
import type { GrayPicture } from '../picture/grayPicture'
import { snapToOutline, type OutlineKnown } from './snap'
import { tracedEdge } from './toBlade'

const SIZE = { width: 1500, height: 1000 }
/** An A4 sheet photographed from one side: its corners in the picture. */
const SHEET: Vec2[] = [
  [0, 0],
  [297, 0],
  [297, 210],
  [0, 210],
]
const SEEN: Vec2[] = [
  [170, 150],
  [1330, 90],
  [1440, 900],
  [80, 860],
]
const toMm = homographyOf(SEEN, SHEET)!
const toPicture = homographyOf(SHEET, SEEN)!

const { edge, spine } = SHAPES['drop-point'].build({
  ...SHAPES['drop-point'].usual,
  lengthMm: 150,
  bellyFromMm: 90,
  widthMm: 30,
  heelWidthMm: 30,
})
/** The blade lies a little askew on the sheet. */
const onSheet = ([x, y]: Vec2): Vec2 => {
  const turn = 0.08
  return [70 + x * Math.cos(turn) - y * Math.sin(turn), 80 + x * Math.sin(turn) + y * Math.cos(turn)]
}
const outline = [
  ...evenEdgePoints(edge, 300).map((edgePoint) => edgePoint.point),
  ...evenEdgePoints(spine, 300)
    .map((edgePoint) => edgePoint.point)
    .reverse(),
].map((point) => applied(toPicture, onSheet(point)))

/** A dark blade on bright paper, its border two pixels soft, with noise. */
function photograph(): GrayPicture {
  const { width, height } = SIZE
  const pixels = new Uint8Array(width * height)
  let seed = 7
  for (let y = 0; y < height; y++) {
    const crossings = crossingsAt(y + 0.5)
    for (let x = 0; x < width; x++) {
      const noise = ((seed = (Math.imul(seed, 1664525) + 1013904223) >>> 0) / 2 ** 32 - 0.5) * 14
      let inside = false
      let nearest = Infinity
      for (const at of crossings) {
        if (at < x + 0.5) inside = !inside
        nearest = Math.min(nearest, Math.abs(at - x - 0.5))
      }
      const soft = Math.min(1, nearest / 2) / 2
      pixels[y * width + x] = Math.round((inside ? 135 - 70 * soft * 2 : 135 + 70 * soft * 2) + noise)
    }
  }
  return { width, height, pixels }
}
function crossingsAt(y: number): number[] {
  return outline.flatMap((a, i) => {
    const b = outline[(i + 1) % outline.length]!
    return a[1] <= y === b[1] <= y ? [] : [a[0] + ((y - a[1]) / (b[1] - a[1])) * (b[0] - a[0])]
  })
}

describe('the way from picture to millimetres', () => {
  it('takes the corners of the sheet to its corners and back', () => {
    SEEN.forEach((corner, i) => applied(toMm, corner).forEach((mm, k) => expect(mm).toBeCloseTo(SHEET[i]![k]!, 6)))
    fc.assert(
      fc.property(
        fc.double({ min: 0, max: 297, noNaN: true }),
        fc.double({ min: 0, max: 210, noNaN: true }),
        (x, y) => {
          const back = applied(toMm, applied(toPicture, [x, y]))
          expect(Math.hypot(back[0] - x, back[1] - y)).toBeLessThan(1e-6)
        },
      ),
    )
  })

  it('does not exist when three corners lie on a line', () => {
    expect(
      homographyOf(
        [
          [0, 0],
          [1, 0],
          [2, 0],
          [0, 1],
        ],
        SHEET,
      ),
    ).toBeNull()
  })
})

describe('tracing a photograph', () => {
  const picture = photograph()
  const truth = evenEdgePoints(edge, 12).map((edgePoint) => edgePoint.point)
  /** What a hand clicks: a dozen places, up to eight pixels off. */
  const clicked = truth.map((point, i): Vec2 => {
    const [x, y] = applied(toPicture, onSheet(point))
    return [x + 5 * Math.sin(i * 2.3), y + 6 * Math.cos(i * 1.7)]
  })
  const spineMarks: [Vec2, Vec2] = [applied(toPicture, onSheet([0, 0])), applied(toPicture, onSheet([75, 0]))]
  const worst = (points: readonly Vec2[]) => {
    const fine = evenEdgePoints(edge, 1500).map((edgePoint) => edgePoint.point)
    return Math.max(
      ...points.map((point) => Math.min(...fine.map((at) => Math.hypot(at[0] - point[0], at[1] - point[1])))),
    )
  }

  it('with perspective, noise and a shaky hand: within 0.3 mm of the blade', () => {
    const snapped = snapToOutline(picture, clicked, 14)
    const traced = tracedEdge(snapped, spineMarks, scaleOfSheet(SEEN, [297, 210], null)!)
    if (!traced.ok) throw new Error(traced.code)
    expect(traced.residualMm).toBeLessThan(0.5)
    const points = evenEdgePoints(traced.segments, 200).map((edgePoint) => edgePoint.point)
    expect(worst(points.slice(2, -2))).toBeLessThan(0.3)
    expect(traced.segments.length).toBeLessThan(20)
  })

  it('says what is wrong: too short, behind the heel, crossing itself', () => {
    const flat = evenScale(0.1)
    const mark: [Vec2, Vec2] = [
      [0, 0],
      [500, 0],
    ]
    const why = (points: Vec2[]) => {
      const traced = tracedEdge({ points, sure: points.map(() => true), scatterPx: 0, overPx: 24 }, mark, flat)
      return traced.ok ? '' : traced.code
    }
    expect(
      why([
        [0, 200],
        [20, 200],
      ]),
    ).toBe('edge-too-short')
    expect(
      why([
        [500, 200],
        [100, 200],
      ]),
    ).toBe('tip-behind-heel')
    expect(
      why([
        [0, 200],
        [400, 200],
        [400, 300],
        [200, 100],
      ]),
    ).toBe('crosses-itself')
  })

  const square = (id: ShapeId, light: Light, line: OutlineKnown['line'] = null) => {
    const drawn = drawnPicture(id, light, 42)
    const found = snapToOutline(drawn.picture, drawn.marks, 18, { inside: drawn.spine[1], line })
    const traced = tracedEdge(found, drawn.spine, evenScale(1 / drawn.pxPerMm))
    if (!traced.ok) throw new Error(`${id}: ${traced.code}`)
    return { ...drawn, traced }
  }
  /** How far the traced direction is off at places all along, degrees; so many left out at the ends, and at corners. */
  function directionsOff(of: Curve, traced: Curve, leftOut: number): number[] {
    const fine = evenEdgePoints(traced, 800)
    const corners = cornersOf(of).map(({ fromHeelMm }) => fromHeelMm)
    const places = evenEdgePoints(of, 100).slice(leftOut, -leftOut)
    return places
      .filter(({ fromHeelMm }) => corners.every((corner) => Math.abs(corner - fromHeelMm) > 3))
      .map(({ point, heading }) => {
        const far = fine.map((at) => Math.hypot(at.point[0] - point[0], at.point[1] - point[1]))
        const [x, y] = fine[far.indexOf(Math.min(...far))]!.heading
        return Math.abs(degrees(Math.atan2(x * heading[1] - y * heading[0], x * heading[0] + y * heading[1])))
      })
  }
  /** What is stated of it at the same places. */
  const statedAt = (of: Curve, { uncertainty }: { uncertainty: EdgeUncertainty }): number[] => {
    const corners = cornersOf(of).map(({ fromHeelMm }) => fromHeelMm)
    const all = curveLength(of)
    return evenEdgePoints(of, 100)
      .slice(1, -1)
      .filter(({ fromHeelMm }) => corners.every((corner) => Math.abs(corner - fromHeelMm) > 3))
      .map(({ fromHeelMm }) => headingUncertaintyDeg(uncertainty, fromHeelMm / all))
  }
  // Every second shape, the others in the next light: each takes half a second.
  const some = SHAPE_IDS.filter((_, i) => i % 2 === 0)
  const others = SHAPE_IDS.filter((_, i) => i % 2 === 1)
  it.each<[string, Light, ShapeId[], number, 'sure' | 'unsure']>([
    ['a clean picture', { blade: 80, noise: 3 }, some, 0.4, 'sure'],
    ['noise of a fifth of the contrast', { blade: 100, noise: 20 }, others, 0.4, 'sure'],
    ['noise of nearly half of the contrast', { blade: 120, noise: 35 }, some, 0.8, 'unsure'],
  ])(
    '%s: its direction is right to so much in 95 of 100 places, and no more uncertain than it says',
    (_, light, shapes, most, plain) => {
      const [off, covered] = [[] as number[], [] as boolean[]]
      for (const id of shapes) {
        const { edge: of, traced } = square(id, light)
        off.push(...directionsOff(of, traced.segments, 4))
        covered.push(...directionsOff(of, traced.segments, 1).map((deg, i) => deg <= statedAt(of, traced)[i]!))
        const unsure = traced.unsure.reduce((sum, { fromMm, toMm }) => sum + toMm - fromMm, 0) / curveLength(of)
        if (plain === 'sure') expect(unsure).toBeLessThan(0.1)
        else expect(unsure).toBeGreaterThan(0.6)
      }
      expect(off.sort((a, b) => a - b)[Math.floor(0.95 * off.length)]).toBeLessThan(most)
      // Up to the very ends, where it is known less well.
      expect(covered.filter(Boolean).length / covered.length).toBeGreaterThan(0.94)
    },
  )

  it('beside a shadow darker than the blade it is unsure, and says where', () => {
    const { edge: of, traced } = square('drop-point', { blade: 110, noise: 6, shadow: 60 })
    expect(traced.unsure.reduce((sum, { fromMm, toMm }) => sum + toMm - fromMm, 0)).toBeGreaterThan(
      0.9 * curveLength(of),
    )
  })

  const unsureShare = ({ edge: of, traced }: ReturnType<typeof square>) =>
    traced.unsure.reduce((sum, { fromMm, toMm }) => sum + toMm - fromMm, 0) / curveLength(of)
  const farOff = ({ edge: of, traced }: ReturnType<typeof square>) => {
    const fine = evenEdgePoints(of, 1500).map(({ point }) => point)
    const found = evenEdgePoints(traced.segments, 60).slice(3, -3)
    return found.map(({ point }) => Math.min(...fine.map((at) => Math.hypot(at[0] - point[0], at[1] - point[1]))))
  }

  it.each([
    ['a little darker than the blade', { blade: 70, noise: 4, cast: { by: [6, 14], bright: 50 } }],
    ['a little brighter than the blade', { blade: 150, noise: 4, cast: { by: [-10, 12], bright: 160 } }],
    ['half as dark as the blade', { blade: 70, noise: 4, cast: { by: [3, 22], bright: 140 } }],
  ] satisfies [string, Light][])('the blade’s own shadow, %s, is not taken for its edge: unsure', (_, light) => {
    expect(unsureShare(square('drop-point', light))).toBeGreaterThan(0.8)
  })

  it('a bevel that is hardly darker than the paper makes it unsure, however faint the edge itself', () => {
    const plain = square('drop-point', { blade: 80, noise: 3 })
    const faint = square('drop-point', { blade: 80, noise: 3, bevel: 197 })
    expect(unsureShare(plain)).toBeLessThan(0.1)
    expect(unsureShare(faint)).toBeGreaterThan(0.6)
  })

  it('of two lines the one that a hand names is the edge: the outer beside a bevel, the inner beside a shadow', () => {
    const bevel = { blade: 80, noise: 3, bevel: 150 }
    for (const [light, line, other] of [
      [bevel, 'outer', 'inner'],
      [{ blade: 60, noise: 3, shadow: 140 }, 'inner', 'outer'],
    ] as const) {
      const right = square('drop-point', light, line)
      expect(unsureShare(square('drop-point', light))).toBeGreaterThan(0.8)
      expect(unsureShare(right)).toBeLessThan(0.1)
      const middle = (of: number[]) => of.sort((a, b) => a - b)[Math.floor(of.length / 2)]!
      expect(middle(farOff(right))).toBeLessThan(0.15)
      expect(middle(farOff(square('drop-point', light, other)))).toBeGreaterThan(0.8)
    }
  })
})

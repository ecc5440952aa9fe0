import type { Curve } from '../../math/curve/curve'
import type { Segment } from '../../math/curve/segment'
import type { Vec2 } from '../../math/vector/vec2'
import type { ShapeId, ShapeMeasure, ShapeMeasures } from './shapeMeasures'

export interface BladeShape {
  /** The measures that this shape has; the others do not change it. */
  readonly uses: readonly ShapeMeasure[]
  readonly usual: ShapeMeasures
  readonly build: (measures: ShapeMeasures) => { readonly edge: Curve; readonly spine: Curve }
}

const point = ([x, y]: Vec2): [number, number] => [x, y]
const line = (from: Vec2, to: Vec2): Segment => ({ type: 'line', from: point(from), to: point(to) })
const bezier = (a: Vec2, b: Vec2, c: Vec2, d: Vec2): Segment => ({
  type: 'bezier',
  points: [point(a), point(b), point(c), point(d)],
})

/** A belly: leaves along the edge before it, and ends steep at the tip. */
const belly = (from: Vec2, heading: Vec2, tip: Vec2): Segment => {
  const run = tip[0] - from[0]
  const reach = 0.55 * run
  return bezier(
    from,
    [from[0] + heading[0] * reach, from[1] + heading[1] * reach],
    [tip[0] - 0.22 * run, tip[1] + 0.42 * (from[1] - tip[1])],
    tip,
  )
}
/** A spine that runs straight and then bows down to the tip. */
const spineTo = (tip: Vec2, straightMm: number, sag = 0.15): Curve =>
  tip[1] <= 0.01
    ? [line([0, 0], [tip[0], 0])]
    : [
        line([0, 0], [straightMm, 0]),
        bezier(
          [straightMm, 0],
          [straightMm + 0.5 * (tip[0] - straightMm), 0],
          [tip[0] - 0.25 * (tip[0] - straightMm), tip[1] * (0.5 - sag)],
          tip,
        ),
      ]
const heading = (from: Vec2, to: Vec2): Vec2 => {
  const [x, y] = [to[0] - from[0], to[1] - from[1]]
  const size = Math.hypot(x, y)
  return [x / size, y / size]
}

/** Where the edge begins, where its belly begins, and where it ends. */
const edgeFrom = (m: ShapeMeasures): Record<'heel' | 'turn' | 'tip', Vec2> => ({
  heel: [0, m.heelWidthMm],
  turn: [m.bellyFromMm, m.widthMm],
  tip: [m.lengthMm, m.tipDropMm],
})

/** A straight run to where the belly begins, then the belly; the straight part may slope from heel to widest place. */
function straightThenBelly(m: ShapeMeasures, spine: Curve): { edge: Curve; spine: Curve } {
  const { heel, turn, tip } = edgeFrom(m)
  return { edge: [line(heel, turn), belly(turn, heading(heel, turn), tip)], spine }
}

const common = { lengthMm: 90, heelWidthMm: 24, widthMm: 24, bellyFromMm: 50, tipDropMm: 8, depthMm: 6 }
const pointed: readonly ShapeMeasure[] = ['lengthMm', 'heelWidthMm', 'widthMm', 'bellyFromMm', 'tipDropMm']

/** A library of blade shapes: each is fitted to a few measured dimensions. Frame: docs/geometry.md, "Frames". */
export const SHAPES: Readonly<Record<ShapeId, BladeShape>> = {
  straight: {
    uses: ['lengthMm', 'heelWidthMm'],
    usual: { ...common, lengthMm: 70, heelWidthMm: 22 },
    build: ({ lengthMm, heelWidthMm }) => ({
      edge: [line([0, heelWidthMm], [lengthMm, heelWidthMm])],
      spine: [line([0, 0], [lengthMm, 0])],
    }),
  },
  sheepfoot: {
    uses: ['lengthMm', 'heelWidthMm', 'bellyFromMm'],
    usual: { ...common, lengthMm: 75, bellyFromMm: 48 },
    build: ({ lengthMm, heelWidthMm, bellyFromMm }) => ({
      edge: [line([0, heelWidthMm], [lengthMm, heelWidthMm])],
      spine: [
        line([0, 0], [bellyFromMm, 0]),
        bezier(
          [bellyFromMm, 0],
          [bellyFromMm + 0.6 * (lengthMm - bellyFromMm), 0],
          [lengthMm, 0.35 * heelWidthMm],
          [lengthMm, heelWidthMm],
        ),
      ],
    }),
  },
  'drop-point': {
    uses: pointed,
    usual: common,
    build: (m) => straightThenBelly(m, spineTo([m.lengthMm, m.tipDropMm], 0.55 * m.lengthMm)),
  },
  clip: {
    uses: pointed,
    usual: { ...common, lengthMm: 100, tipDropMm: 10, bellyFromMm: 56 },
    build: (m) => {
      const from = 0.58 * m.lengthMm
      const run = m.lengthMm - from
      return straightThenBelly(m, [
        line([0, 0], [from, 0]),
        bezier(
          [from, 0],
          [from + 0.2 * run, 0.75 * m.tipDropMm],
          [from + 0.6 * run, 0.95 * m.tipDropMm],
          [m.lengthMm, m.tipDropMm],
        ),
      ])
    },
  },
  'long-kitchen': {
    uses: pointed,
    usual: { ...common, lengthMm: 205, heelWidthMm: 46, widthMm: 47, bellyFromMm: 55, tipDropMm: 12 },
    build: ({ lengthMm, heelWidthMm, widthMm, bellyFromMm, tipDropMm }) => {
      const run = lengthMm - bellyFromMm
      return {
        // Level at its widest place, so that the two halves run into each other.
        edge: [
          bezier(
            [0, heelWidthMm],
            [0.33 * bellyFromMm, heelWidthMm + 0.6 * (widthMm - heelWidthMm)],
            [0.67 * bellyFromMm, widthMm],
            [bellyFromMm, widthMm],
          ),
          bezier(
            [bellyFromMm, widthMm],
            [bellyFromMm + 0.36 * run, widthMm],
            [bellyFromMm + 0.66 * run, widthMm - 0.12 * (widthMm - tipDropMm)],
            [lengthMm, tipDropMm],
          ),
        ],
        spine: spineTo([lengthMm, tipDropMm], 0.5 * lengthMm, 0.2),
      }
    },
  },
  'broad-kitchen': {
    uses: ['lengthMm', 'heelWidthMm', 'widthMm', 'bellyFromMm', 'tipDropMm'],
    usual: { ...common, lengthMm: 170, heelWidthMm: 46, widthMm: 46, bellyFromMm: 95, tipDropMm: 34 },
    build: (m) =>
      straightThenBelly(m, [
        line([0, 0], [0.72 * m.lengthMm, 0]),
        bezier(
          [0.72 * m.lengthMm, 0],
          [0.9 * m.lengthMm, 0.02 * m.tipDropMm],
          [0.99 * m.lengthMm, 0.35 * m.tipDropMm],
          [m.lengthMm, m.tipDropMm],
        ),
      ]),
  },
  slicer: {
    uses: pointed,
    usual: { ...common, lengthMm: 240, heelWidthMm: 34, widthMm: 33, bellyFromMm: 170, tipDropMm: 8 },
    build: (m) => straightThenBelly(m, spineTo([m.lengthMm, m.tipDropMm], 0.75 * m.lengthMm)),
  },
  hooked: {
    uses: ['lengthMm', 'heelWidthMm', 'tipDropMm', 'depthMm'],
    usual: { ...common, lengthMm: 75, heelWidthMm: 22, tipDropMm: 27, depthMm: 8 },
    build: ({ lengthMm, heelWidthMm, tipDropMm, depthMm }) => {
      const deep = (4 / 3) * depthMm
      return {
        edge: [
          bezier(
            [0, heelWidthMm],
            [0.33 * lengthMm, heelWidthMm - deep + 0.33 * (tipDropMm - heelWidthMm)],
            [0.72 * lengthMm, heelWidthMm - deep + 0.66 * (tipDropMm - heelWidthMm)],
            [lengthMm, tipDropMm],
          ),
        ],
        spine: [
          bezier(
            [0, 0],
            [0.45 * lengthMm, -0.02 * tipDropMm],
            [0.95 * lengthMm, 0.1 * tipDropMm],
            [lengthMm, tipDropMm],
          ),
        ],
      }
    },
  },
  recurved: {
    uses: [...pointed, 'depthMm'],
    usual: { ...common, lengthMm: 110, heelWidthMm: 26, widthMm: 27, bellyFromMm: 62, tipDropMm: 8, depthMm: 3 },
    build: (m) => {
      const { heel, turn, tip } = edgeFrom(m)
      // The far control lies level with the widest place, so the near one makes the hollow: 4/9 of its depth.
      const control: Vec2 = [0.33 * m.bellyFromMm, m.heelWidthMm - 2.25 * m.depthMm]
      return {
        edge: [bezier(heel, control, [0.68 * m.bellyFromMm, m.widthMm], turn), belly(turn, [1, 0], tip)],
        spine: spineTo(tip, 0.55 * m.lengthMm),
      }
    },
  },
  'angular-tip': {
    uses: ['lengthMm', 'heelWidthMm', 'widthMm', 'bellyFromMm', 'tipDropMm'],
    usual: { ...common, lengthMm: 95, heelWidthMm: 25, widthMm: 25, bellyFromMm: 68, tipDropMm: 5 },
    build: ({ lengthMm, heelWidthMm, widthMm, bellyFromMm, tipDropMm }) => ({
      edge: [line([0, heelWidthMm], [bellyFromMm, widthMm]), line([bellyFromMm, widthMm], [lengthMm, tipDropMm])],
      spine: spineTo([lengthMm, tipDropMm], 0.6 * lengthMm),
    }),
  },
  'chisel-tip': {
    uses: ['lengthMm', 'heelWidthMm', 'bellyFromMm'],
    usual: { ...common, lengthMm: 80, heelWidthMm: 25, bellyFromMm: 72 },
    build: ({ lengthMm, heelWidthMm, bellyFromMm }) => ({
      edge: [line([0, heelWidthMm], [bellyFromMm, heelWidthMm]), line([bellyFromMm, heelWidthMm], [lengthMm, 0])],
      spine: [line([0, 0], [lengthMm, 0])],
    }),
  },
  leaf: {
    uses: ['lengthMm', 'heelWidthMm', 'widthMm', 'bellyFromMm', 'tipDropMm'],
    usual: { ...common, lengthMm: 90, heelWidthMm: 20, widthMm: 28, bellyFromMm: 45, tipDropMm: 13 },
    build: ({ lengthMm, heelWidthMm, widthMm, bellyFromMm, tipDropMm }) => ({
      edge: [
        bezier(
          [0, heelWidthMm],
          [0.4 * bellyFromMm, heelWidthMm + 0.35 * (widthMm - heelWidthMm)],
          [0.7 * bellyFromMm, widthMm],
          [bellyFromMm, widthMm],
        ),
        bezier(
          [bellyFromMm, widthMm],
          [bellyFromMm + 0.45 * (lengthMm - bellyFromMm), widthMm],
          [lengthMm - 0.25 * (lengthMm - bellyFromMm), tipDropMm + 0.45 * (widthMm - tipDropMm)],
          [lengthMm, tipDropMm],
        ),
      ],
      spine: spineTo([lengthMm, tipDropMm], 0.3 * lengthMm),
    }),
  },
}

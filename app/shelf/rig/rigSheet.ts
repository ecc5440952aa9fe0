import type { DialLanguage } from '#core/records/rig/dials/readings'
import { RIGS, type RigKind } from '#core/records/rig/kinds'
import { heightForAngleMm } from '#core/math/edgeAngle/edgeAngle'
import { add, scale, subtract, unit, type Vec2 } from '#core/math/vector/vec2'
import { dimension, type Dimension } from '~/drawing/dimension'
import { boundsOf, toPixels, type Bounds, type Viewport } from '~/drawing/viewport'

/**
 * What a rig that is still being measured is drawn from, mm: its figures as far as they are known, usual ones for the
 * rest.
 */
export interface SketchedRig {
  readonly kind: RigKind
  readonly figure: (path: string) => number | null
  readonly slots: readonly { readonly label: string; readonly heightMm: number | null }[]
  readonly by: DialLanguage
}

/** Where nothing has been measured yet. */
const USUAL = {
  setback: 110,
  along: 0,
  low: 35,
  high: 85,
  half: 4,
  depth: 22,
  width: 30,
  rod: 300,
  blade: 24,
  face: 8,
  stone: 150,
} as const

/** One measure on the drawing, in the drawing's plane (mm) with its line so many pixels aside. */
interface Measured {
  readonly path: string
  readonly view: 'side' | 'above'
  readonly from: Vec2
  readonly to: Vec2
  readonly aside: number
}

export interface RigSheet {
  readonly upright: boolean
  readonly side: SideShapes
  readonly above: AboveShapes
  readonly measured: readonly Measured[]
}

interface SideShapes {
  readonly jaws: readonly (readonly Vec2[])[]
  readonly table: readonly Vec2[] | null
  readonly blades: readonly (readonly Vec2[])[]
  readonly posts: readonly (readonly [Vec2, Vec2])[]
  readonly rods: readonly (readonly [Vec2, Vec2])[]
  readonly stones: readonly (readonly Vec2[])[]
  readonly pivots: readonly Vec2[]
  readonly plane: readonly [Vec2, Vec2]
}

interface AboveShapes {
  readonly jaws: readonly Vec2[] | null
  readonly line: readonly [Vec2, Vec2]
  readonly blade: readonly Vec2[]
  readonly pivots: readonly Vec2[]
  readonly slide: readonly [Vec2, Vec2] | null
  readonly rod: readonly [Vec2, Vec2]
  readonly marks: readonly Vec2[]
  readonly middle: readonly [Vec2, Vec2]
}

/**
 * A rig from the side and from above, to scale, with every measure where it is taken. Side: (outward, up); upright rigs
 * stand.
 */
export function rigSheet(
  rig: SketchedRig,
  stops: readonly (number | null)[],
  marks: readonly (number | null)[],
): RigSheet {
  const known = (path: string, usual: number): number => rig.figure(path) ?? usual
  const upright = RIGS[rig.kind].twoArms
  const table = RIGS[rig.kind].onTable
  const setback = Math.max(known('pivot.setbackMm', USUAL.setback), 5)
  const setbackB = upright ? Math.max(known('pivotB.setbackMm', setback), 5) : setback
  const along = known('pivot.alongMm', USUAL.along)
  const { low, high } = heights(rig, setback)
  const middle = (low + high) / 2
  const half = known('jaws.halfThicknessMm', USUAL.half)
  const depth = table ? 0 : known('jaws.depthMm', USUAL.depth)
  const width = known('jaws.widthMm', USUAL.width)
  const rodLength = Math.max(known('rodLengthMm', USUAL.rod), 20)
  // An upright rig's picture lies on its side: outward is up, and its height runs sideways.
  const stand =
    (sign: 1 | -1) =>
    (p: Vec2): Vec2 =>
      upright ? [sign * p[1], p[0]] : p
  const signs: (1 | -1)[] = upright ? [1, -1] : [1]
  const edge: Vec2 = [USUAL.blade, 0]
  const arm = (sign: 1 | -1) => {
    const at = stand(sign)
    const back = sign === 1 ? setback : setbackB
    const pivot: Vec2 = [-back, middle]
    const direction = unit(subtract(add(edge, [USUAL.face * 0.35, USUAL.face * 0.94]), pivot))
    const down: Vec2 = [direction[1], -direction[0]]
    const onRod = (mm: number): Vec2 => add(pivot, scale(direction, mm))
    const contact = Math.hypot(USUAL.blade + back, middle)
    const stoneAt = (mm: number) => [
      onRod(mm - USUAL.stone / 2),
      onRod(mm + USUAL.stone / 2),
      add(onRod(mm + USUAL.stone / 2), scale(down, USUAL.face)),
      add(onRod(mm - USUAL.stone / 2), scale(down, USUAL.face)),
    ]
    return {
      at,
      pivot,
      onRod,
      down,
      back,
      rod: [onRod(0), onRod(rodLength)] as const,
      stone: stoneAt(Math.min(contact, rodLength - 20)),
    }
  }
  const arms = signs.map(arm)
  const first = arms[0]!
  const at = first.at
  const jaw = (sign: number): Vec2[] => [
    [0, sign * 1],
    [0, sign * half],
    [-depth, sign * (half + 2)],
    [-depth, sign * 1],
  ]
  const [knobHeight, knobBehind] = [known('jaws.knobHeightMm', 0), known('jaws.knobBehindMm', 0)]
  const knob = (sign: number): Vec2[][] =>
    knobHeight > half
      ? [
          [
            [-knobBehind, sign * half],
            [-knobBehind, sign * knobHeight],
            [-Math.max(depth, knobBehind + 7), sign * knobHeight],
            [-Math.max(depth, knobBehind + 7), sign * half],
          ],
        ]
      : []
  const blade: Vec2[] = table
    ? [[0, 0], [0, 4], edge]
    : [[-Math.min(14, depth), 1.2], [6, 1.2], edge, [6, -1.2], [-Math.min(14, depth), -1.2]]
  const side: SideShapes = {
    jaws: table ? [] : [...knob(1), ...knob(-1), jaw(1), jaw(-1)].map((shape) => shape.map(at)),
    table: table
      ? [
          [-10, 0],
          [USUAL.blade + 14, 0],
          [USUAL.blade + 14, -8],
          [-10, -8],
        ]
      : null,
    blades: [blade.map(at)],
    posts: arms.map((one) => [one.at([-one.back, upright ? 0 : -8]), one.at([-one.back, high])] as const),
    rods: arms.map((one) => [one.at(one.rod[0]), one.at(one.rod[1])] as const),
    stones: arms.map((one) => one.stone.map(one.at)),
    pivots:
      rig.by === 'slot' && rig.slots.some((slot) => slot.heightMm !== null)
        ? rig.slots.flatMap((slot) => (slot.heightMm === null ? [] : [at([-setback, slot.heightMm])]))
        : arms.map((one) => one.at(one.pivot)),
    plane: [at([-setback - 6, 0]), at([USUAL.blade + 6, 0])],
  }
  const slide = rig.by === 'slot' ? known('height.slideMm', 0) : 0
  const gripped = Math.max(width, 30)
  const above: AboveShapes = {
    jaws: table
      ? null
      : [
          [-width / 2, 0],
          [width / 2, 0],
          [width / 2, -depth],
          [-width / 2, -depth],
        ],
    line: [
      [-gripped, 0],
      [gripped, 0],
    ],
    blade: [
      [-52, -6],
      [-52, USUAL.blade],
      [30, USUAL.blade],
      [52, USUAL.blade * 0.72],
      [66, 4],
      [40, -6],
    ],
    pivots: upright
      ? [
          [along, -setback],
          [known('pivotB.alongMm', 0), -setbackB],
        ]
      : [[along, -setback]],
    slide:
      slide > 0
        ? [
            [along - slide, -setback],
            [along + slide, -setback],
          ]
        : null,
    rod: [
      [along, -setback],
      [8, USUAL.blade + 12],
    ],
    marks: marks.flatMap((mark): Vec2[] => (mark === null ? [] : [[mark, 0]])),
    middle: [
      [0, USUAL.blade + 8],
      [0, -setback - 8],
    ],
  }
  const sideways = upright ? 1 : -1
  const measured: Measured[] = [
    { path: 'pivot.setbackMm', view: 'side', from: at([-setback, 0]), to: at([0, 0]), aside: -46 * sideways },
    { path: 'height.lowestMm', view: 'side', from: at([-setback, 0]), to: at([-setback, low]), aside: 24 },
    { path: 'height.highestMm', view: 'side', from: at([-setback, 0]), to: at([-setback, high]), aside: 52 },
    {
      path: 'height.zeroMm',
      view: 'side',
      from: at([-setback, 0]),
      to: at([-setback, known('height.zeroMm', low)]),
      aside: -28,
    },
    {
      path: 'height.pitchMm',
      view: 'side',
      from: at([-setback, middle]),
      to: at([-setback, middle + known('height.pitchMm', 2)]),
      aside: -28,
    },
    {
      path: 'height.resolutionMm',
      view: 'side',
      from: at([-setback, middle]),
      to: at([-setback, middle + known('height.resolutionMm', 1)]),
      aside: -28,
    },
    { path: 'height.drawnForBladeHeightMm', view: 'side', from: at([0, 0]), to: at(edge), aside: -26 * sideways },
    {
      path: 'height.drawnForFaceOffsetMm',
      view: 'side',
      from: at(first.onRod(90)),
      to: at(add(first.onRod(90), scale(first.down, USUAL.face))),
      aside: 0,
    },
    { path: 'jaws.halfThicknessMm', view: 'side', from: at([0, 0]), to: at([0, half]), aside: -30 },
    {
      path: 'jaws.depthMm',
      view: 'side',
      from: at([-depth, -half - 2]),
      to: at([0, -half - 2]),
      aside: -20 * sideways,
    },
    {
      path: 'jaws.knobHeightMm',
      view: 'side',
      from: at([-knobBehind, 0]),
      to: at([-knobBehind, knobHeight]),
      aside: -64,
    },
    {
      path: 'jaws.knobBehindMm',
      view: 'side',
      from: at([-knobBehind, knobHeight]),
      to: at([0, knobHeight]),
      aside: 16 * sideways,
    },
    { path: 'rodLengthMm', view: 'side', from: at(first.rod[0]), to: at(first.rod[1]), aside: 26 },
    {
      path: 'stroke.nearestMm',
      view: 'side',
      from: at(first.rod[0]),
      to: at(first.onRod(known('stroke.nearestMm', 70))),
      aside: 44,
    },
    {
      path: 'stroke.farthestMm',
      view: 'side',
      from: at(first.rod[0]),
      to: at(first.onRod(known('stroke.farthestMm', rodLength * 0.8))),
      aside: 62,
    },
    {
      path: 'pivotPlayMm',
      view: 'side',
      from: at(add(first.pivot, [0, -3])),
      to: at(add(first.pivot, [0, 3])),
      aside: 22,
    },
    ...rig.slots.map((slot, i): Measured => ({
      path: `height.slots.${i}.heightMm`,
      view: 'side',
      from: at([-setback, 0]),
      to: at([-setback, slot.heightMm ?? 0]),
      aside: 30,
    })),
    ...(upright
      ? [
          {
            path: 'pivotB.setbackMm',
            view: 'side',
            from: arms[1]!.at([-setbackB, 0]),
            to: arms[1]!.at([0, 0]),
            aside: 46,
          } as const,
        ]
      : []),
    { path: 'pivot.alongMm', view: 'above', from: [0, -setback], to: [along, -setback], aside: along < 0 ? 26 : -26 },
    {
      path: 'pivotB.alongMm',
      view: 'above',
      from: [0, -setbackB],
      to: [known('pivotB.alongMm', 0), -setbackB],
      aside: -44,
    },
    { path: 'height.slideMm', view: 'above', from: [along, -setback], to: [along + slide, -setback], aside: 24 },
    { path: 'jaws.widthMm', view: 'above', from: [-width / 2, -depth], to: [width / 2, -depth], aside: -20 },
    ...stops.map((stop, i): Measured => ({
      path: `stops.${i}.depthMm`,
      view: 'above',
      from: [width / 2 + 6, -(stop ?? 0)],
      to: [width / 2 + 6, 0],
      aside: -16,
    })),
    ...marks.map((mark, i): Measured => ({
      path: `positionMarks.${i}.alongMm`,
      view: 'above',
      from: [0, 0],
      to: [mark ?? 0, 0],
      aside: (mark ?? 0) < 0 ? -34 : 34,
    })),
  ]
  return { upright, side, above, measured }
}

/** The lowest and highest pivot height to draw. */
function heights({ figure, slots, by }: SketchedRig, setback: number): { low: number; high: number } {
  const usual = { low: USUAL.low, high: USUAL.high }
  if (by === 'slot') {
    const set = slots.flatMap((slot) => (slot.heightMm === null ? [] : [slot.heightMm]))
    return set.length > 0 ? { low: Math.min(...set), high: Math.max(...set, Math.min(...set) + 1) } : usual
  }
  if (by === 'degree-scale') {
    const r = setback + (figure('height.drawnForBladeHeightMm') ?? USUAL.blade)
    const d = figure('height.drawnForFaceOffsetMm') ?? USUAL.face
    const [least, most] = [figure('height.lowestMarkDeg') ?? 15, figure('height.highestMarkDeg') ?? 30]
    return most > least && most < 75
      ? { low: heightForAngleMm(least, r, d), high: heightForAngleMm(most, r, d) }
      : usual
  }
  const low = figure('height.lowestMm') ?? usual.low
  const high = figure('height.highestMm') ?? Math.max(usual.high, low + 10)
  return high > low ? { low, high } : { low, high: low + 1 }
}

/** What a view must show, mm. */
export const rigSheetBounds = (sheet: RigSheet, view: 'side' | 'above', withRod: boolean): Bounds =>
  view === 'side'
    ? boundsOf([
        ...sheet.side.posts.flat(),
        ...sheet.side.stones.flat(),
        ...sheet.side.pivots,
        ...sheet.side.blades.flat(),
        ...sheet.side.jaws.flat(),
        ...sheet.side.plane,
        ...(withRod ? sheet.side.rods.flat() : []),
      ])
    : boundsOf([...sheet.above.blade, ...sheet.above.pivots, ...sheet.above.middle, ...(sheet.above.slide ?? [])])

/** The measures of a step as dimension lines in pixels. A measure of nothing still has its figure beside its place. */
export const rigDimensions = (
  sheet: RigSheet,
  view: 'side' | 'above',
  shown: (path: string) => boolean,
  viewport: Viewport,
): { path: string; dimension: Dimension }[] =>
  sheet.measured
    .filter((one) => one.view === view && shown(one.path))
    .map(({ path, from, to, aside }) => {
      const end = to[0] === from[0] && to[1] === from[1] ? add(to, [0.01, 0]) : to
      return { path, dimension: dimension(toPixels(from, viewport), toPixels(end, viewport), aside) }
    })

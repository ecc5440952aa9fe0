import { add, scale, type Vec2 } from '#core/math/vector/vec2'
import { USUAL, type SketchedRig, type SketchFigures } from './sketchedRig'

/** One measure on the drawing, in the drawing's plane (mm) with its line so many pixels aside. */
export interface Measured {
  readonly path: string
  readonly view: 'side' | 'above'
  readonly from: Vec2
  readonly to: Vec2
  readonly aside: number
}

/** The measures of a rig that are taken from the side. */
export function sideMeasures({ slots }: SketchedRig, figures: SketchFigures): Measured[] {
  const { known, upright, setback, setbackB, low, high, middle, half, depth, rodLength } = figures
  const { knobHeight, knobBehind, knobEnds, edge, arms, first, at } = figures
  const sideways = upright ? 1 : -1
  const second = arms.at(-1)?.at ?? at
  return [
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
    {
      path: 'jaws.knobDepthMm',
      view: 'side',
      from: at([-knobEnds, knobHeight]),
      to: at([-knobBehind, knobHeight]),
      aside: 30 * sideways,
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
    ...slots.map((slot, i): Measured => ({
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
            from: second([-setbackB, 0]),
            to: second([0, 0]),
            aside: 46,
          } as const,
        ]
      : []),
  ]
}

/** Those that are taken from above. Stops and marks: as far as they are known. */
export function aboveMeasures(
  figures: SketchFigures,
  stops: readonly (number | null)[],
  marks: readonly (number | null)[],
): Measured[] {
  const { known, setback, setbackB, along, depth, width, slide } = figures
  return [
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
}

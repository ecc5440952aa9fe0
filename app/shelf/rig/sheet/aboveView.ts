import type { Vec2 } from '#core/math/vector/vec2'
import { USUAL, type SketchFigures } from './sketchedRig'

export interface AboveShapes {
  readonly jaws: readonly Vec2[] | null
  readonly line: readonly [Vec2, Vec2]
  readonly blade: readonly Vec2[]
  readonly pivots: readonly Vec2[]
  readonly slide: readonly [Vec2, Vec2] | null
  readonly rod: readonly [Vec2, Vec2]
  readonly marks: readonly Vec2[]
  readonly middle: readonly [Vec2, Vec2]
}

/** A rig from above, to scale: (along the jaws, outward), mm. Marks: of the jaws, from their middle. */
export function aboveView(figures: SketchFigures, marks: readonly (number | null)[]): AboveShapes {
  const { known, upright, table, setback, setbackB, along, depth, width, slide } = figures
  const gripped = Math.max(width, 30)
  return {
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
}

import type { Vec2 } from '#core/math/vector/vec2'
import { USUAL, type SketchedRig, type SketchFigures } from './sketchedRig'

export interface SideShapes {
  readonly jaws: readonly (readonly Vec2[])[]
  readonly table: readonly Vec2[] | null
  readonly blades: readonly (readonly Vec2[])[]
  readonly posts: readonly (readonly [Vec2, Vec2])[]
  readonly rods: readonly (readonly [Vec2, Vec2])[]
  readonly stones: readonly (readonly Vec2[])[]
  readonly pivots: readonly Vec2[]
  readonly plane: readonly [Vec2, Vec2]
}

/** A rig from the side, to scale: (outward, up), mm; upright rigs stand. */
export function sideView(rig: SketchedRig, figures: SketchFigures): SideShapes {
  const { upright, table, setback, high, half, depth, knobHeight, knobBehind, knobEnds, edge, arms, at } = figures
  const jaw = (sign: number): Vec2[] => [
    [0, sign * 1],
    [0, sign * half],
    [-depth, sign * (half + 2)],
    [-depth, sign * 1],
  ]
  const knob = (sign: number): Vec2[][] =>
    knobHeight > half
      ? [
          [
            [-knobBehind, sign * half],
            [-knobBehind, sign * knobHeight],
            [-knobEnds, sign * knobHeight],
            [-knobEnds, sign * half],
          ],
        ]
      : []
  const blade: Vec2[] = table
    ? [[0, 0], [0, 4], edge]
    : [[-Math.min(14, depth), 1.2], [6, 1.2], edge, [6, -1.2], [-Math.min(14, depth), -1.2]]
  return {
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
}

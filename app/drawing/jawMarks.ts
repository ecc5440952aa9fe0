import { nth } from '#core/math/list'
import type { Setup } from '#core/geometry/setup/setup'
import { toPixels, type Viewport } from './viewport'
import type { Vec2 } from '#core/math/vector/vec2'

export interface JawMarks {
  /**
   * The marks of the jaws, each on their front line, in pixels; where they stand too near to each other not all are
   * named.
   */
  readonly marks: readonly { readonly at: Vec2; readonly name: string }[]
  /** The blade's landmark: a line square across it from the spine, in the blade's own frame. */
  readonly landmark: readonly [from: Vec2, to: Vec2] | null
}

/** A letter of a name, and the room beside it, pixels. */
const [NAME_PX, NAME_GAP_PX] = [7, 3]
/** So much of the blade's width the line of its landmark crosses. */
const LANDMARK_SHARE = 0.6

/** A blade's landmark, where it has one, in the blade's own frame, mm. */
export const landmarkLine = ({ blade }: Pick<Setup, 'blade'>): JawMarks['landmark'] =>
  blade.landmark && [
    [blade.landmark.alongMm, 0],
    [blade.landmark.alongMm, blade.widthMm * LANDMARK_SHARE],
  ]

/** The marks that a rig's jaws have and what of the blade is laid on one; a landmark without marks is not drawn. */
export function jawMarks(setup: Setup, viewport: Viewport): JawMarks {
  const { positionMarks } = setup.rig
  const marks = [...positionMarks]
    .sort((a, b) => a.alongMm - b.alongMm)
    .map(({ alongMm, name }) => ({ at: toPixels([alongMm, 0], viewport), name }))
  const nearest = Math.min(...marks.slice(1).map((mark, i) => mark.at[0] - nth(marks, i).at[0]))
  const every = Math.max(
    1,
    Math.ceil((NAME_PX * Math.max(...marks.map((mark) => mark.name.length)) + NAME_GAP_PX) / nearest),
  )
  return {
    marks: marks.map((mark, i) => (i % every === 0 ? mark : { ...mark, name: '' })),
    landmark: positionMarks.length > 0 ? landmarkLine(setup) : null,
  }
}

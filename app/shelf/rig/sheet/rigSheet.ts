import { add } from '#core/math/vector/vec2'
import { dimension, type Dimension } from '~/drawing/dimension'
import { boundsOf, toPixels, type Bounds, type Viewport } from '~/drawing/viewport'
import { aboveView, type AboveShapes } from './aboveView'
import { aboveMeasures, sideMeasures, type Measured } from './measures'
import { sideView, type SideShapes } from './sideView'
import { sketchFigures, type SketchedRig } from './sketchedRig'

export interface RigSheet {
  readonly upright: boolean
  readonly side: SideShapes
  readonly above: AboveShapes
  readonly measured: readonly Measured[]
}

/** A rig from the side and from above, to scale, with every measure where it is taken. */
export function rigSheet(
  rig: SketchedRig,
  stops: readonly (number | null)[],
  marks: readonly (number | null)[],
): RigSheet {
  const figures = sketchFigures(rig)
  return {
    upright: figures.upright,
    side: sideView(rig, figures),
    above: aboveView(figures, marks),
    measured: [...sideMeasures(rig, figures), ...aboveMeasures(figures, stops, marks)],
  }
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

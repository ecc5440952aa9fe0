import { nth } from '../../math/list'
import { curveLength, segmentLength } from '../../math/curve/arcLength'
import { restOf } from '../../math/curve/restOf'
import type { Segment } from '../../math/curve/segment'
import { shifted } from '../../math/curve/shifted'
import { edgePointAt, type EdgePoint } from '../../math/curve/edgePoints'
import { upperHull } from '../../math/vector/polygon'
import type { Vec2 } from '../../math/vector/vec2'

/** What a drawn edge shows at its heel. */
export interface DrawnHeel {
  /**
   * A notch (the choil), or a heel that stands free: the stone can run out past it. False: the edge runs straight in.
   */
  readonly choil: boolean
  /** The edge that is sharpened: from behind the notch, or from the free heel's corner on. */
  readonly edge: Segment[]
}

/** The heel is looked for in the first of the edge: a share of it, but no more than this. */
const LOOKED_AT = { share: 0.3, mostMm: 30 }
const STEP_MM = 0.1
/**
 * Deeper than a waviness of the trace, and narrower than a hollow of the edge itself; its rim is where it is `rimMm`
 * deep.
 */
const NOTCH = { leastDepthMm: 0.5, leastDepthShare: 0.1, mostWidthMm: 15, rimMm: 0.05 } as const
/** A rise this steep and this high is the back of the heel, not the edge. */
const FREE_HEEL = { leastSlope: Math.tan((50 * Math.PI) / 180), leastRiseMm: 1.5 } as const

/**
 * Recognises how an edge begins, from the first stretch of its outline (blade frame, heel to tip): what lies under the
 * convex hull of that is a notch where it is short and deep, and what rises steeply is the back of a free heel. Source:
 * docs/geometry.md, "Zones".
 */
export function drawnHeel(edge: readonly Segment[]): DrawnHeel {
  const total = curveLength(edge)
  const lookedAt = Math.min(LOOKED_AT.share * total, LOOKED_AT.mostMm)
  const count = Math.max(2, Math.ceil(lookedAt / STEP_MM))
  const edgePoints = Array.from({ length: count + 1 }, (_, i) => edgePointAt(edge, (lookedAt * i) / count))
  const hull = upperHull(edgePoints.map((edgePoint) => edgePoint.point))
  const fromMm = Math.max(behindNotch(edgePoints, hull), behindFreeHeel(edgePoints, hull))
  return { choil: fromMm > 0, edge: fromMm > 0 ? restOf(edge, toJoint(edge, fromMm)) : [...edge] }
}

/** Where the edge goes on behind a notch, mm from its start; 0 where there is none. */
function behindNotch(edgePoints: readonly EdgePoint[], hull: readonly Vec2[]): number {
  const depths = edgePoints.map(({ point }) => depthUnder(hull, point))
  let behind = 0
  for (let from = 0; from < depths.length; from++) {
    if (nth(depths, from) <= NOTCH.rimMm) continue
    let to = from
    while (to + 1 < depths.length && nth(depths, to + 1) > NOTCH.rimMm) to++
    const deepest = Math.max(...depths.slice(from, to + 1))
    const width = nth(edgePoints, to).point[0] - nth(edgePoints, from).point[0]
    if (
      to + 1 < depths.length &&
      width <= NOTCH.mostWidthMm &&
      deepest >= NOTCH.leastDepthMm &&
      deepest >= NOTCH.leastDepthShare * width
    )
      behind = nth(edgePoints, to + 1).fromHeelMm
    from = to
  }
  return behind
}

/** Where the edge goes on behind the steep back of its heel, mm from its start; 0 where it begins flat. */
function behindFreeHeel(edgePoints: readonly EdgePoint[], hull: readonly Vec2[]): number {
  let top = 0
  while (
    top + 1 < hull.length &&
    nth(hull, top + 1)[1] - nth(hull, top)[1] > FREE_HEEL.leastSlope * (nth(hull, top + 1)[0] - nth(hull, top)[0])
  )
    top++
  if (nth(hull, top)[1] - nth(edgePoints, 0).point[1] < FREE_HEEL.leastRiseMm) return 0
  return edgePoints.find((edgePoint) => edgePoint.point === hull[top])?.fromHeelMm ?? 0
}

function depthUnder(hull: readonly Vec2[], [x, y]: Vec2): number {
  const i = Math.max(
    1,
    hull.findIndex((corner) => corner[0] >= x),
  )
  const [a, b] = [nth(hull, i - 1), nth(hull, i)]
  return b[0] === a[0] ? 0 : a[1] + ((b[1] - a[1]) * (x - a[0])) / (b[0] - a[0]) - y
}

/** The joint of two pieces that a place found by sampling stands for; the place itself where there is none so near. */
function toJoint(edge: readonly Segment[], fromMm: number): number {
  let joint = 0
  for (const piece of edge) {
    joint += segmentLength(piece)
    if (Math.abs(joint - fromMm) <= 2 * STEP_MM) return joint
  }
  return fromMm
}

/** A drawn edge moved along the blade so that x is 0 where it begins, behind its choil. */
export function fromHeel(edge: readonly Segment[]): DrawnHeel {
  const heel = drawnHeel(edge)
  return { ...heel, edge: shifted(heel.edge, [-edgePointAt(heel.edge, 0).point[0], 0]) }
}

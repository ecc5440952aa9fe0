import { lastOf, nth } from '../../math/list'
import { evenEdgePoints } from '../../math/curve/edgePoints'
import { turningDeg } from '../../math/curve/turning'
import type { Vec2 } from '../../math/vector/vec2'
import type { DrawnPath } from './drawnPath'

/** How a drawing lies, as far as its shape tells. */
export interface Recognised {
  /** Closed: edge and spine in one. */
  readonly closed: boolean
  /** Null where the shape does not tell, and it has to be asked. */
  readonly tipAtLeft: boolean | null
}

const FINE = 400
/** The tip's end is so much lower than the other, looked at so far from each. */
const TIP = { at: 0.04, mostShare: 0.6 } as const
/** The end that bends this many times as much as the other is the tip of an edge. */
const BENDS_MORE = 2
/**
 * At which end of a drawing its tip is: a closed outline is low there, an open path bends most towards it. On which
 * side the edge is no shape tells: a straight side is a sheepfoot's edge, and the spine of a straight-backed knife.
 */
export function recognised({ segments }: DrawnPath): Recognised {
  const edgePoints = evenEdgePoints(segments, FINE)
  const points = edgePoints.map((edgePoint) => edgePoint.point)
  const [start, end] = [nth(points, 0), lastOf(points)]
  const [minX, maxX] = [Math.min(...points.map(([x]) => x)), Math.max(...points.map(([x]) => x))]
  const span = maxX - minX
  const closed = Math.hypot(start[0] - end[0], start[1] - end[1]) < 0.01 * span
  if (!closed) {
    const bends = turningDeg(edgePoints).map(Math.abs)
    const half = Math.floor(bends.length / 2)
    const sum = (of: readonly number[]) => of.reduce((all, one) => all + one, 0)
    const [first, last] = [sum(bends.slice(0, half)), sum(bends.slice(half))]
    const tipLast = last > BENDS_MORE * first && last > 1 ? true : first > BENDS_MORE * last && first > 1 ? false : null
    const rightward = end[0] > start[0]
    return { closed, tipAtLeft: tipLast === null ? null : tipLast !== rightward }
  }
  const ring = points.slice(0, -1)
  const heightAt = (x: number): number => {
    const ys = ring.flatMap((p, i) => crossing(p, nth(ring, (i + 1) % ring.length), x))
    return ys.length > 1 ? Math.max(...ys) - Math.min(...ys) : 0
  }
  const [left, right] = [heightAt(minX + TIP.at * span), heightAt(maxX - TIP.at * span)]
  const tipAtLeft = left < TIP.mostShare * right ? true : right < TIP.mostShare * left ? false : null
  return { closed, tipAtLeft }
}

const crossing = (a: Vec2, b: Vec2, x: number): number[] =>
  a[0] < x !== b[0] < x ? [a[1] + ((b[1] - a[1]) * (x - a[0])) / (b[0] - a[0])] : []

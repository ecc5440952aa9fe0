import { nth } from '../list'
import { degrees } from '../units/angle'
import type { EdgePoint } from './edgePoints'

/**
 * How much the heading turns from one edge point to the next, degrees; to the left (out of a hollow) is positive, a
 * belly turns negative.
 */
export function turningDeg(edgePoints: readonly EdgePoint[]): number[] {
  return edgePoints.slice(1).map((edgePoint, i) => {
    const [ax, ay] = nth(edgePoints, i).heading
    const [bx, by] = edgePoint.heading
    return degrees(Math.atan2(ax * by - ay * bx, ax * bx + ay * by))
  })
}

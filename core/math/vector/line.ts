import { nth } from '../list'
import type { Vec2 } from './vec2'

export interface Line {
  readonly at: Vec2
  /** Unit, from the first of the points towards the last. */
  readonly direction: Vec2
}

/** The line that points lie nearest to, square to it (total least squares); through their mean. */
export function leastSquaresLine(points: readonly Vec2[]): Line {
  const n = points.length
  const mean = (axis: 0 | 1) => points.reduce((sum, point) => sum + point[axis], 0) / n
  const [mx, my] = [mean(0), mean(1)]
  let [xx, xy, yy] = [0, 0, 0]
  for (const [x, y] of points) {
    xx += (x - mx) ** 2
    xy += (x - mx) * (y - my)
    yy += (y - my) ** 2
  }
  const angle = Math.atan2(2 * xy, xx - yy) / 2
  const [x, y] = [Math.cos(angle), Math.sin(angle)]
  const [first, last] = [nth(points, 0), nth(points, n - 1)]
  const backward = x * (last[0] - first[0]) + y * (last[1] - first[1]) < 0
  return { at: [mx, my], direction: backward ? [-x, -y] : [x, y] }
}

import { nth } from '../math/list'
import { edgeAngle } from '../math/edgeAngle/edgeAngle'
import { ALONG_U } from '../geometry/contact/pedal'
import type { Side } from '../records/common/side'
import type { ClampPosition } from '../records/job/clampPosition'
import { clampFrame, toBladeFrame } from '../geometry/clamping/clampFrame'
import type { EdgePoint } from '../math/curve/edgePoints'
import { fixedHeightsMm, heightRange } from '../records/rig/dial'
import { restsOnTable } from '../records/rig/kinds'
import { pivotAt } from '../geometry/clamping/pivot'
import { pivotOverBladeAt, rodPoseAt, type Setup } from '../geometry/setup/setup'
import { clamp } from '../math/units/figures'
import type { Vec2 } from '../math/vector/vec2'
import type { Judgement } from './holdSpace'

/**
 * The tangents of an edge as numbers, for thousands of ways of holding it: outward normal, and its distance from the
 * blade's origin.
 */
export interface EdgeTangents {
  readonly count: number
  readonly normalX: Float64Array
  readonly normalY: Float64Array
  readonly offset: Float64Array
}

export function edgeTangents(edgePoints: readonly EdgePoint[]): EdgeTangents {
  const count = edgePoints.length
  const tangents = {
    count,
    normalX: new Float64Array(count),
    normalY: new Float64Array(count),
    offset: new Float64Array(count),
  }
  edgePoints.forEach(({ point, heading }, i) => {
    const [x, y] = [-heading[1], heading[0]]
    tangents.normalX[i] = x
    tangents.normalY[i] = y
    tangents.offset[i] = x * point[0] + y * point[1]
  })
  return tangents
}

/**
 * The best that a way of holding a blade can do for an even angle: the pivot height at which the steepest and the
 * flattest place of the edge are equally far from the wanted angle (not beyond the rig's range; on a plate the best of
 * the slots that `isAllowed`), and how far (the cost, degrees); null where the stone cannot lie on all of it.
 * Of two `sides` it is the height that is best for both, and the worse of them.
 * `edgePoints` are those of `tangents`. Source: docs/geometry.md, "An even angle".
 */
export function evenness(
  setup: Setup,
  sides: readonly Side[],
  hold: ClampPosition,
  tangents: EdgeTangents,
  edgePoints: readonly EdgePoint[],
  wantedDeg: number,
  isAllowed: (one: Judgement) => boolean = () => true,
): Judgement | null {
  const held = { ...setup, hold }
  const ranges = sides.map((side) => distanceRange(held, side, tangents, edgePoints))
  const onSide = sides.map((side, i) =>
    leadsUp(setup, side)
      ? (heightMm: number) => angleRange(held, side, tangents, edgePoints, heightMm)
      : (heightMm: number) => {
          const { nearest, farthest, pivotOverBladeMm } = nth(ranges, i)(heightMm)
          const steepest = edgeAngle(pivotOverBladeMm, nearest, setup.stone.faceOffsetMm)
          const flattest = edgeAngle(pivotOverBladeMm, farthest, setup.stone.faceOffsetMm)
          return steepest.ok && flattest.ok
            ? { steepestDeg: steepest.edgeAngleDeg, flattestDeg: flattest.edgeAngleDeg }
            : null
        },
  )
  const extremes = (heightMm: number) =>
    onSide
      .map((on) => on(heightMm))
      .reduce(
        (all, one) =>
          all &&
          one && {
            steepestDeg: Math.max(all.steepestDeg, one.steepestDeg),
            flattestDeg: Math.min(all.flattestDeg, one.flattestDeg),
          },
      )
  /** The greatest deviation with the pivot at a height, degrees. */
  const worst = (heightMm: number): number | null => {
    const at = extremes(heightMm)
    return at && Math.max(Math.abs(at.steepestDeg - wantedDeg), Math.abs(wantedDeg - at.flattestDeg))
  }
  const fixed = fixedHeightsMm(setup.rig)
  if (fixed) return bestOf(fixed)
  /** How much further off the wanted angle the steepest place is than the flattest; not a number where one has none. */
  const balance = (heightMm: number): number => {
    const at = extremes(heightMm)
    return at ? at.steepestDeg + at.flattestDeg - 2 * wantedDeg : NaN
  }
  const theta = (wantedDeg * Math.PI) / 180
  // The balance rises with the height and is nearly straight: regula falsi on a bracket around the middle of the edge.
  const first = nth(ranges, 0)(60)
  if (!(first.nearest > 0)) return null
  const middle = ((first.nearest + first.farthest) / 2) * Math.tan(theta) + setup.stone.faceOffsetMm / Math.cos(theta)
  let [low, high] = [middle - 1, middle + 1]
  let [a, b] = [balance(low), balance(high)]
  for (let widened = 0; a * b > 0 && widened < 12; widened++) {
    const step = (high - low) * 1.5
    if (b < 0) b = balance((high += step))
    else a = balance((low -= step))
  }
  if (!(a * b <= 0)) return null
  let balanced = low
  for (let i = 0; i < 30; i++) {
    balanced = low - (a * (high - low)) / (b - a)
    const at = balance(balanced)
    if (Number.isNaN(at)) return null
    if (Math.abs(at) < 1e-7 || high - low < 1e-9) break
    if (at > 0 === b > 0) {
      high = balanced
      b = at
      a /= 2
    } else {
      low = balanced
      a = at
      b /= 2
    }
  }
  // The rig's range may end before that: then its end is the best that this hold can do.
  const { lowestMm, highestMm } = heightRange(setup.rig)
  const pivotHeightMm = clamp(balanced, [lowestMm, highestMm])
  const cost = worst(pivotHeightMm)
  return cost === null ? null : { pivotHeightMm, cost }

  /** A plate has only the heights of its slots. */
  function bestOf(heightsMm: readonly number[]): Judgement | null {
    const judged = heightsMm.flatMap((pivotHeightMm) => {
      const cost = worst(pivotHeightMm)
      return cost === null ? [] : [{ pivotHeightMm, cost }]
    })
    return judged.sort((one, other) => one.cost - other.cost).find(isAllowed) ?? null
  }
}

interface Distances {
  readonly nearest: number
  readonly farthest: number
  readonly pivotOverBladeMm: number
}

/** Whether a slot leads up or down over the blade as well: where it is wide, and the blade lies aslant on a table. */
const leadsUp = ({ rig }: Setup, side: Side): boolean => restsOnTable(rig) && pivotAt(rig, 0, side).slideMm > 0

/** The nearest and farthest tangent from the pivot's foot, by the pivot's height. */
function distanceRange(
  setup: Setup,
  side: Side,
  tangents: EdgeTangents,
  edgePoints: readonly EdgePoint[],
): (heightMm: number) => Distances {
  const pivotAtHeight = pivotOverBladeAt(setup, side)
  const slides = pivotAt(setup.rig, 0, side).slideMm > 0
  const frame = clampFrame(setup.hold)
  let last: (Distances & { u: number; v: number }) | null = null
  return (heightMm) => {
    const pivot = pivotAtHeight(heightMm)
    // On a centred blade the foot stays where it is, whatever the height.
    if (last && last.u === pivot.u && last.v === pivot.v) return { ...last, pivotOverBladeMm: pivot.w }
    const { nearest, farthest } = slides
      ? leastAndMost(distancesOf(setup, side, tangents, edgePoints, heightMm).distance)
      : distancesFrom(toBladeFrame([pivot.u, pivot.v], frame), tangents)
    last = { u: pivot.u, v: pivot.v, nearest, farthest, pivotOverBladeMm: pivot.w }
    return last
  }
}

/** How near the nearest tangent of an edge is to a point of the blade, and how far the farthest, mm. */
function distancesFrom([x, y]: Vec2, { count, normalX, normalY, offset }: EdgeTangents) {
  let [nearest, farthest] = [Infinity, -Infinity]
  for (let i = 0; i < count; i++) {
    const distance = offset[i]! - normalX[i]! * x - normalY[i]! * y
    if (distance < nearest) nearest = distance
    if (distance > farthest) farthest = distance
  }
  return { nearest, farthest }
}

function leastAndMost(distances: Float64Array) {
  let [nearest, farthest] = [Infinity, -Infinity]
  for (let i = 0; i < distances.length; i++) {
    nearest = Math.min(nearest, distances[i]!)
    farthest = Math.max(farthest, distances[i]!)
  }
  return { nearest, farthest }
}

/** The steepest and the flattest edge angle, each tangent by its own height of the pivot; null where one has none. */
function angleRange(
  setup: Setup,
  side: Side,
  tangents: EdgeTangents,
  edgePoints: readonly EdgePoint[],
  heightMm: number,
): { steepestDeg: number; flattestDeg: number } | null {
  const { distance, overBlade } = distancesOf(setup, side, tangents, edgePoints, heightMm)
  let [steepestDeg, flattestDeg] = [-Infinity, Infinity]
  for (let i = 0; i < tangents.count; i++) {
    const angle = edgeAngle(overBlade[i]!, distance[i]!, setup.stone.faceOffsetMm)
    if (!angle.ok) return null
    steepestDeg = Math.max(steepestDeg, angle.edgeAngleDeg)
    flattestDeg = Math.min(flattestDeg, angle.edgeAngleDeg)
  }
  return { steepestDeg, flattestDeg }
}

/** Of each tangent: how far it is from the pivot's foot, and how high the pivot stands over the blade there, mm. */
export interface TangentDistances {
  readonly distance: Float64Array
  readonly overBlade: Float64Array
}

/** Worked out in the blade's frame, where the tangents stand still. */
export function distancesOf(
  setup: Setup,
  side: Side,
  tangents: EdgeTangents,
  edgePoints: readonly EdgePoint[],
  heightMm: number,
): TangentDistances {
  const frame = clampFrame(setup.hold)
  const { pivot, slideMm, slide = ALONG_U } = rodPoseAt(setup, side, heightMm)
  const x = frame.x + pivot.u * frame.cos + pivot.v * frame.sin
  const y = frame.y + pivot.v * frame.cos - pivot.u * frame.sin
  const slideX = slide.u * frame.cos + slide.v * frame.sin
  const slideY = slide.v * frame.cos - slide.u * frame.sin
  const [distances, overBlade] = [new Float64Array(tangents.count), new Float64Array(tangents.count)]
  for (let i = 0; i < tangents.count; i++) {
    overBlade[i] = pivot.w
    const [nx, ny] = [tangents.normalX[i]!, tangents.normalY[i]!]
    let distance = tangents.offset[i]! - nx * x - ny * y
    if (slideMm > 0) {
      // The foot slides along its slot to where the rod is square to the edge, as far as the slot goes.
      const point = nth(edgePoints, i).point
      const square = (ny * (point[0] - x) - nx * (point[1] - y)) / (ny * slideX - nx * slideY)
      const slid = Number.isFinite(square) ? Math.min(slideMm, Math.max(-slideMm, square)) : 0
      distance -= slid * (nx * slideX + ny * slideY)
      overBlade[i]! += slid * slide.w
    }
    distances[i] = distance
  }
  return { distance: distances, overBlade }
}

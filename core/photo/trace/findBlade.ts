import { lastOf, nth, bothOf } from '../../math/list'
import { cornersOf } from '../../math/curve/corners'
import { fitPoints } from '../../math/curve/fitPoints'
import { edgePointAt } from '../../math/curve/edgePoints'
import { crossing } from '../../math/vector/crossing'
import { leastSquaresLine } from '../../math/vector/line'
import { areaOf } from '../../math/vector/polygon'
import { add, dot, leftOf, length, scale, subtract, type Vec2 } from '../../math/vector/vec2'
import { BORDER_MM, brightnessAt, darkOutline, flattened } from './flatSheet'
import type { PictureScale, SheetSize } from './pictureScale'
import type { GrayPicture } from '../picture/grayPicture'

/** Marks for a blade, as a hand would set them, pixels. */
export interface BladeFound {
  /** Two points on the spine's straight part, heel first. */
  readonly spine: [Vec2, Vec2]
  /** From heel to tip. */
  readonly edge: Vec2[]
}

/** What a hand has said: that the edge is on the other side, or the tip at the other end, than was found. */
export interface OtherWay {
  readonly otherSide?: boolean
  readonly otherEnd?: boolean
}

/** Profiles across the blade are taken every so many millimetres. */
const EVERY_MM = 1
/** A handle is told from the steel by so many levels, and by so many times what each of them varies. */
const HANDLE = { levels: 18, times: 2.5, leastShare: 0.08 } as const
/** The heel stands out by so much of the width within so many millimetres. */
const STEP = { share: 0.1, withinMm: 4, upToShare: 0.6 } as const
/** Nearer to an end than this an outline that widens is that end, mm. */
const CLEAR_OF_END_MM = 8
/** A bevel is looked for so far within the outline, and the steel behind it; told by so many levels more than there. */
const BEVEL = { atMm: [0.6, 0.8, 1], behindMm: [2.5, 3, 3.5], levels: 6, times: 1.6 } as const
/** The heel's corner lies no further from where the steel ends, mm. */
const HEEL_WITHIN_MM = 2.5
/**
 * An end that is wider than so much of the blade so far before it is blunt. Of a pointed one edge and spine are run on
 * from their last lines, by no more than so much.
 */
const TIP = { bluntMm: 1.5, bluntShare: 0.3, lineMm: [1, 3.5], mostMm: 1 } as const
/** An end is looked at so far, as a share of all. */
const END_SHARE = 0.04
/** Marks along the edge, besides its corners. */
const MARKS = 9
const CORNER_DEG = 18
const FITTED_MM = 0.5

/**
 * The blade that lies on a sheet: the largest dark thing on it, the axis that it lies along, its tip where it is
 * narrow, its heel where the handle's brightness ends or the edge stands out; null where nothing stands out from the
 * paper. The edge is on the side where the heel stands out, else where a bevel shows, else on the one that comes round
 * to the tip the further. Source: docs/geometry.md, "Tracing a photograph".
 */
export function findBlade(
  picture: GrayPicture,
  on: PictureScale,
  size: SheetSize,
  { otherSide = false, otherEnd = false }: OtherWay = {},
): BladeFound | null {
  const sheet = flattened(picture, on, size)
  const outline = darkOutline(sheet)
  if (!outline) return null
  const blade = alongItsAxis(outline, size, otherEnd)
  const profile = profileOf(blade)
  const heel = heelOf(blade, profile, (at) => brightnessAt(sheet, at))
  const deepest = blade.local.reduce((best, [t], i, all) => (t > nth(all, best)[0] ? i : best), 0)
  const [one, other] = bothOf([1, -1], (step) => chainFrom(blade.local, deepest, step, heel.alongMm))
  if (one.length < MARKS || other.length < MARKS) return null
  const mean = (chain: readonly Vec2[]) => chain.reduce((sum, [, n]) => sum + n, 0) / chain.length
  const turned: [Vec2[], Vec2[]] = mean(one) > mean(other) ? [one, other] : [other, one]
  const sides = bothOf(turned, (chain, i) => fromItsCorner(chain, i === 0 ? 1 : -1, heel.alongMm))
  const bevel = bevelSide(sides, (at) => brightnessAt(sheet, blade.back(at)))
  const comesRoundMore = comesRound(sides[0]) >= comesRound(sides[1]) ? 1 : -1
  const side = (heel.side ?? bevel ?? comesRoundMore) * (otherSide ? -1 : 1)
  const [edge, spine] = withTheirTip(...(side > 0 ? sides : ([sides[1], sides[0]] as const)))
  return {
    edge: edgeMarks(edge).map((at) => on.toPicture(blade.back(at))),
    spine: bothOf(spineMarks(spine), (at) => on.toPicture(blade.back(at))),
  }
}

/** An outline as it lies along its own axis: along it towards the tip, and across, mm. */
interface LyingBlade {
  readonly local: readonly Vec2[]
  readonly back: (local: Vec2) => Vec2
}

function alongItsAxis(outline: readonly Vec2[], size: SheetSize, otherEnd: boolean): LyingBlade {
  const { at, direction } = leastSquaresLine(outline)
  const seenFrom = (along: Vec2): LyingBlade => ({
    local: outline.map((point) => {
      const away = subtract(point, at)
      return [dot(away, along), dot(away, leftOf(along))]
    }),
    back: ([t, n]) => add(at, add(scale(along, t), scale(leftOf(along), n))),
  })
  const [one, other] = [seenFrom(direction), seenFrom([-direction[0], -direction[1]])]
  return tipIsAhead(one, size) !== otherEnd ? one : other
}

/** Whether the end ahead is the tip: the narrower one, and never the one that runs off the sheet. */
function tipIsAhead({ local, back }: LyingBlade, size: SheetSize): boolean {
  const [least, most] = extent(local.map(([t]) => t))
  const near = (end: number) => local.filter(([t]) => Math.abs(t - end) < END_SHARE * (most - least))
  const leaves = (end: number) =>
    near(end).some((at) => back(at).some((mm, axis) => mm < BORDER_MM + 1 || mm > nth(size, axis) - BORDER_MM - 1))
  const [behind, ahead] = [leaves(least), leaves(most)]
  if (behind !== ahead) return behind
  return areaOf(near(most)) < areaOf(near(least))
}

const extent = (values: readonly number[]): [number, number] => [
  values.reduce((a, b) => Math.min(a, b), Infinity),
  values.reduce((a, b) => Math.max(a, b), -Infinity),
]

/** How far the outline reaches to either side, every so many millimetres from its end to its tip. */
interface Profile {
  readonly fromMm: number
  readonly low: number[]
  readonly high: number[]
}

function profileOf({ local }: LyingBlade): Profile {
  const [least, most] = extent(local.map(([t]) => t))
  const count = Math.max(2, Math.floor((most - least) / EVERY_MM))
  const at = Array.from({ length: count }, (_, i) =>
    extent(local.flatMap(([t, n]) => (Math.floor((t - least) / EVERY_MM) === i ? [n] : []))),
  )
  for (let i = 0; i < count; i++) if (!Number.isFinite(nth(at, i)[0])) at[i] = at[i - 1] ?? [0, 0]
  return { fromMm: least, low: at.map(([low]) => low), high: at.map(([, high]) => high) }
}

interface Heel {
  readonly alongMm: number
  /** On which side the edge stands out there; null where on neither. */
  readonly side: 1 | -1 | null
}

/** Where the steel ends behind, and where its edge stands out. */
function heelOf({ back }: LyingBlade, { fromMm, low, high }: Profile, bright: (at: Vec2) => number): Heel {
  const alongAt = (i: number) => fromMm + (i + 0.5) * EVERY_MM
  const widest = Math.max(...high.map((one, i) => one - nth(low, i)))
  const steel = handleEnds(
    high.map((one, i) => {
      const shares = [0.25, 0.35, 0.45, 0.55, 0.65, 0.75]
      const across = shares.map((share) => bright(back([alongAt(i), nth(low, i) + share * (one - nth(low, i))])))
      return across.reduce((sum, value) => sum + value, 0) / across.length
    }),
  )
  let best: { i: number; side: 1 | -1; by: number } | null = null
  const within = Math.round(STEP.withinMm / EVERY_MM)
  for (const side of [1, -1] as const) {
    const out = side > 0 ? high : low.map((n) => -n)
    for (
      let i = Math.max(Math.round(CLEAR_OF_END_MM / EVERY_MM), steel - within);
      i + within < STEP.upToShare * out.length;
      i++
    ) {
      const by = nth(out, i + within) - nth(out, i)
      const stays = out.slice(i + within, i + 4 * within).every((n) => n > nth(out, i) + 0.7 * by)
      if (by > STEP.share * widest && stays && (!best || by > best.by)) best = { i, side, by }
    }
  }
  if (!best) return { alongMm: Math.max(alongAt(steel) - EVERY_MM / 2, fromMm + HEEL_WITHIN_MM), side: null }
  const out = best.side > 0 ? high : low.map((n) => -n)
  // Where it has come out nearly all of the way.
  let i = best.i
  while (nth(out, i) < nth(out, best.i) + 0.85 * best.by) i++
  return { alongMm: alongAt(i), side: best.side }
}

/** From where on it is steel: behind a handle of another brightness; 0 where none is told. */
function handleEnds(bright: readonly number[]): number {
  const n = bright.length
  const spread = (part: readonly number[]) => {
    const mean = part.reduce((sum, one) => sum + one, 0) / part.length
    return { mean, square: part.reduce((sum, one) => sum + (one - mean) ** 2, 0) }
  }
  let [least, at] = [Infinity, 0]
  for (let i = Math.ceil(HANDLE.leastShare * n); i < (1 - HANDLE.leastShare) * n; i++) {
    const within = spread(bright.slice(0, i)).square + spread(bright.slice(i)).square
    if (within < least) [least, at] = [within, i]
  }
  const [handle, steel] = [spread(bright.slice(0, at)), spread(bright.slice(at))]
  const differ = Math.abs(handle.mean - steel.mean)
  return at > 0 && differ > HANDLE.levels && differ > HANDLE.times * Math.sqrt(least / n) ? at : 0
}

/** The outline from its tip one way round, as far back as behind the heel; from there to the tip. */
function chainFrom(local: readonly Vec2[], tip: number, step: number, heelMm: number): Vec2[] {
  const chain: Vec2[] = []
  const [least] = extent(local.map(([t]) => t))
  for (let k = 0; k < local.length; k++) {
    const at = nth(local, (((tip + step * k) % local.length) + local.length) % local.length)
    if (at[0] < heelMm - HEEL_WITHIN_MM) break
    chain.unshift(at)
    if (at[0] === least) break
  }
  return chain
}

/**
 * The side on which a strip along the outline is of another brightness than the steel behind it: a bevel; null where
 * neither side shows one plainly more than the other.
 */
function bevelSide(sides: readonly [readonly Vec2[], readonly Vec2[]], bright: (at: Vec2) => number): 1 | -1 | null {
  const [left, right] = bothOf(sides, (chain, k) => {
    const inward = k === 0 ? -1 : 1
    const part = chain.slice(Math.floor(0.1 * chain.length), Math.floor(0.7 * chain.length))
    const mean = (depths: readonly number[]) =>
      part.reduce((sum, [t, n]) => sum + depths.reduce((all, depth) => all + bright([t, n + inward * depth]), 0), 0) /
      (part.length * depths.length)
    return Math.abs(mean(BEVEL.atMm) - mean(BEVEL.behindMm))
  })
  const [more, less] = left > right ? [left, right] : [right, left]
  return more < BEVEL.levels || more < BEVEL.times * less ? null : left > right ? 1 : -1
}

/** An edge from the corner of its heel on: what of it lies farthest out and back there. */
function fromItsCorner(chain: readonly Vec2[], side: number, heelMm: number): Vec2[] {
  const out = ([t, n]: Vec2) => (t < heelMm + HEEL_WITHIN_MM ? side * n - t : -Infinity)
  const corner = chain.reduce((best, at, i) => (out(at) > out(nth(chain, best)) ? i : best), 0)
  return chain.slice(corner)
}

/** How far a side's end lies off the line along its first half, mm. */
function comesRound(chain: readonly Vec2[]): number {
  const first = chain.slice(Math.floor(0.06 * chain.length), Math.floor(0.5 * chain.length))
  const { at, direction } = leastSquaresLine(first)
  const away = subtract(lastOf(chain), at)
  return Math.abs(away[0] * direction[1] - away[1] * direction[0])
}

/**
 * An edge and a spine with the tip that both run to: where their lines cross, for the outline of a picture rounds it
 * off; of a blunt end the corner on the edge's side.
 */
function withTheirTip(edge: readonly Vec2[], spine: readonly Vec2[]): [Vec2[], Vec2[]] {
  const end = lastOf(edge)
  const before = (chain: readonly Vec2[], mm: number) => chain.findLastIndex(([t]) => t < end[0] - mm)
  const [a, b] = [before(edge, TIP.bluntMm), before(spine, TIP.bluntMm)]
  const across = [...edge, ...spine].map(([, n]) => n)
  const widest = Math.max(...across) - Math.min(...across)
  if (a < 0 || b < 0) return [[...edge], [...spine]]
  if (Math.abs(nth(edge, a)[1] - nth(spine, b)[1]) < TIP.bluntShare * widest) {
    const ends = bothOf([edge, spine], (chain) =>
      chain.slice(Math.max(0, before(chain, TIP.lineMm[1])), Math.max(0, before(chain, TIP.lineMm[0]))),
    )
    if (ends.some((chain) => chain.length < 2)) return [[...edge], [...spine]]
    const [one, other] = bothOf(ends, leastSquaresLine)
    const tip = crossing(one.at, add(one.at, one.direction), other.at, add(other.at, other.direction))?.at
    return tip && length(subtract(tip, end)) < TIP.mostMm
      ? [
          [...edge, tip],
          [...spine, tip],
        ]
      : [[...edge], [...spine]]
  }
  const blunt = [...edge.slice(a + 1), ...spine.slice(b + 1).reverse()]
  const out = Math.sign(nth(edge, a)[1] - nth(spine, b)[1])
  const corner = blunt.reduce((best, [t, n], i) => {
    const [bestT, bestN] = nth(blunt, best)
    return t + out * n > bestT + out * bestN ? i : best
  }, 0)
  return [
    [...edge.slice(0, a + 1), ...blunt.slice(0, corner + 1)],
    [...spine.slice(0, b + 1), ...blunt.slice(corner).reverse()],
  ]
}

/** Places along an edge as a hand would press them: evenly, and on its corners. */
function edgeMarks(chain: readonly Vec2[]): Vec2[] {
  const { segments } = fitPoints(chain, FITTED_MM)
  const corners = cornersOf(segments).flatMap(({ fromHeelMm, turnDeg }) =>
    Math.abs(turnDeg) > CORNER_DEG ? [fromHeelMm] : [],
  )
  const along = [0]
  chain.slice(1).forEach((at, i) => along.push(nth(along, i) + length(subtract(at, nth(chain, i)))))
  const all = lastOf(along)
  const even = Array.from({ length: MARKS }, (_, i) => (all * i) / (MARKS - 1))
  const clear = all / (MARKS - 1) / 3
  const places = [
    ...even.filter((at, i) => i === 0 || i === MARKS - 1 || corners.every((corner) => Math.abs(corner - at) > clear)),
    ...corners,
  ].sort((a, b) => a - b)
  return places.map((at) => {
    if (corners.includes(at)) return edgePointAt(segments, at).point
    const i = Math.max(
      1,
      along.findIndex((mm) => mm >= at - 1e-9),
    )
    return nth(chain, i === 1 && at === 0 ? 0 : i)
  })
}

/** Two points on the line along a spine's rear half. */
function spineMarks(chain: readonly Vec2[]): [Vec2, Vec2] {
  const part = chain.slice(Math.floor(0.05 * chain.length), Math.ceil(0.55 * chain.length))
  const { at, direction } = leastSquaresLine(part)
  const onLine = (point: Vec2) => add(at, scale(direction, dot(subtract(point, at), direction)))
  return [onLine(nth(part, 0)), onLine(lastOf(part))]
}

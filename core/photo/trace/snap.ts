import { parabolaThrough } from '../../math/curve/parabolaThrough'
import { crossing } from '../../math/vector/crossing'
import { leastSquaresLine } from '../../math/vector/line'
import { radians } from '../../math/units/angle'
import { dot, subtract, type Vec2 } from '../../math/vector/vec2'

/** A picture's brightness, row by row. */
export interface GrayPicture {
  readonly width: number
  readonly height: number
  readonly pixels: Uint8Array | Uint8ClampedArray
}

/** An outline as it was found beside marks, pixels. */
export interface Snapped {
  readonly points: Vec2[]
  /** Of each point, whether the outline is plain to see there. */
  readonly sure: boolean[]
  /** How far found places scatter about the outline, one standard deviation, pixels. */
  readonly scatterPx: number
  /** The noise was taken out over so much to either side, pixels. */
  readonly overPx: number
}

/** A gap between places that were found wider than so many pixels is no outline that was seen. */
const MOST_GAP_PX = 20
/** Whether the outline is plain to see from the place before a place to it. */
export const sureUpTo = ({ points, sure }: Pick<Snapped, 'points' | 'sure'>, i: number): boolean => {
  const [[x, y], [toX, toY]] = [points[i - 1]!, points[i]!]
  return sure[i - 1]! && sure[i]! && Math.hypot(toX - x, toY - y) <= MOST_GAP_PX
}
/** The stretches where it is not, as they lie in the picture. */
export function unsureStretches(found: Pick<Snapped, 'points' | 'sure'>): Vec2[][] {
  const stretches: Vec2[][] = []
  for (let i = 1, begun = false; i < found.points.length; i++) {
    const unsure = !sureUpTo(found, i)
    if (unsure && !begun) stretches.push([found.points[i - 1]!])
    if (unsure) stretches.at(-1)!.push(found.points[i]!)
    begun = unsure
  }
  return stretches
}

/** The outline is looked at every so many pixels. */
const EVERY_PX = 4
/** The picture is averaged along the outline over these places, and across it over so many pixels to either side. */
const ALONG_PX = [-8, -6, -4, -2, 0, 2, 4, 6, 8] as const
const ACROSS_PX = 3
/** Places so far apart have nothing of what they were averaged over in common. */
const APART = 5
/** A jump in brightness weaker than this, or than so many times what the noise makes, is no outline. */
const LEAST_JUMP = 4
const TIMES_NOISE = 4
/** One that stands out by fewer times the noise is seen, but not followed to half a degree. */
const SURE_TIMES_NOISE = 7.5
/** From place to place the outline moves by no more than this across; more at a mark, where its direction changes. */
const MOST_STEP_PX = 2
const MOST_STEP_AT_MARK_PX = 6
/** A pixel of such a step weighs as much as this share of the usual jump. */
const STEP_WEIGHT = 0.08
/**
 * Another jump so far off could as well be the outline: a strong one, a plain one of the same kind, or one of the other
 * kind, which makes a dark band of what lies between: a shadow, where it is not as strong as that of the blade's other
 * side.
 */
const RIVAL = { beyondPx: 5, share: 0.5, shareOfOther: 0.25, mostOfOther: 0.8, timesLeast: 1.5 } as const
/**
 * So far outside of the outline a faint jump that goes along with it for so many places to either side is a bevel
 * nearly as bright as the paper: from so many levels on, and so many times what the noise makes of their mean.
 */
const FAINT = { beyondPx: 8, places: 20, least: 1.5, timesNoise: 5 } as const
/** Of two lines the one that was asked for counts so many times as much, where it is so strong against the other. */
const ASKED = { times: 4, share: 0.3, apartPx: 2 } as const
/** So far beyond its reach a jump is followed, to see how much brighter it gets in all. */
const BESIDE_PX = 8
/** What is averaged along the chain reaches beyond its ends and over its marks by so many places. */
const ENDS = 3
/** The noise is taken out over so many pixels to either side, by how much there is. */
const OVER_PX = { first: 40, least: 24, most: 260, perScatter: 500 } as const
/** A mark where the outline turns by more than this is a corner and stays sharp. */
const CORNER_DEG = 15
/** What stands off its neighbours by more deviations than this does not count. */
const MOST_DEVIATIONS = 3

interface Place {
  readonly at: Vec2
  readonly direction: Vec2
  readonly normal: Vec2
  /** A mark stands here: the direction may change. */
  readonly mark: boolean
}

/** What is known of an outline before it is looked for. */
export interface OutlineKnown {
  /** A place on its inner side, pixels. */
  readonly inside?: Vec2
  /** Where two lines run side by side, the one that it is: a bevel lies within the outer, a shadow beyond the inner. */
  readonly line?: 'outer' | 'inner' | null
}

/**
 * Moves a rough chain of points (pixels) onto the outline that runs beside it: of the jumps in brightness across the
 * chain, within `reachPx` of it, the row that is strongest and smoothest all along (dynamic programming), brighter on
 * one and the same side; to a fraction of a pixel. The noise is taken out by a parabola through the places around,
 * within each stretch between corners that were marked. Source: docs/geometry.md, "Tracing a photograph".
 */
export function snapToOutline(
  picture: GrayPicture,
  rough: readonly Vec2[],
  reachPx: number,
  { inside, line = null }: OutlineKnown = {},
): Snapped {
  const reach = Math.round(reachPx)
  const places = spaced(rough, EVERY_PX)
  /** Towards greater offsets (1) or smaller ones (-1); 0 where it is not known. */
  const outward = places.map(({ at, normal }) => (inside ? Math.sign(dot(subtract(at, inside), normal)) : 0))
  const wide = places.map((place) => jumpsAcross(picture, place, reach + BESIDE_PX))
  const seen = wide.map((across) => across.slice(BESIDE_PX, -BESIDE_PX))
  const jumps = line ? seen.map((across, i) => preferring(across, (line === 'outer' ? 1 : -1) * outward[i]!)) : seen
  // What is seen at one place and not a little further on is noise.
  const noise = deviationOf(seen.slice(APART).flatMap((across, i) => [...across].map((jump, k) => jump - seen[i]![k]!)))
  const least = Math.max(LEAST_JUMP, TIMES_NOISE * noise)
  const [up, down] = [1, -1].map((sign) => strongestRow(jumps, places, reach, sign, least))
  const [row, sign] = up!.strength >= down!.strength ? [up!.offsets, 1] : [down!.offsets, -1]
  const rivalled = wide.map((across, i) => hasRival(across, row[i]! + BESIDE_PX, least, line !== null))
  // Beyond the inner of two lines there is the outer.
  const faint = line === 'inner' ? [] : faintBeyond(seen, row, outward, noise)
  const found = places.flatMap(({ at, normal, mark }, i) => {
    const across = seen[i]!
    const best = row[i]!
    if (sign * across[best]! < least) return []
    const offset = best - reach + peakNear(across, best, sign)
    const point: Vec2 = [at[0] + normal[0] * offset, at[1] + normal[1] * offset]
    const plain = sign * across[best]! > SURE_TIMES_NOISE * noise
    return [{ point, sure: plain && !rivalled[judgedAt(places, i)]! && !faint[i], mark }]
  })
  return smoothed(found)
}

/** Around an end or a corner of the chain there is something else beside it, which is no rival: judged further in. */
function judgedAt(places: readonly Place[], i: number): number {
  for (let off = 0; off < ENDS; off++)
    for (const at of [i - off, i + off]) {
      const [a, b] = [places[at - 1]?.direction, places[at]?.direction]
      const turns = !a || !b || dot(a, b) < Math.cos(radians(CORNER_DEG))
      const further = i < at ? at - ENDS - 1 : at + ENDS
      if (turns && places[further]) return further
    }
  return i
}

/**
 * Whether another jump within reach could as well be the outline as the best one; of the same kind none, where a hand
 * has said which of two lines it is.
 */
function hasRival(across: Float64Array, best: number, least: number, lineSaid: boolean): boolean {
  const sign = Math.sign(across[best]!)
  const jump = Math.abs(across[best]!)
  const same = Math.min(Math.max(RIVAL.share * jump, least), RIVAL.timesLeast * least)
  const opposite = Math.max(RIVAL.shareOfOther * jump, least)
  return across.some((other, k) => {
    const beside = k < BESIDE_PX || k >= across.length - BESIDE_PX
    if (beside || Math.abs(k - best) <= RIVAL.beyondPx) return false
    return sign * other > 0 ? !lineSaid && sign * other > same : -sign * other > opposite && isShadow(across, best, k)
  })
}

/**
 * Whether a jump of the other kind is that from a shadow to the blade, not that from the blade's other side to the
 * paper: by how much brighter it gets over all of it, which is less than at the outline.
 */
function isShadow(across: Float64Array, best: number, other: number): boolean {
  const [here, there] = [wholeJump(across, best), wholeJump(across, other)]
  return Math.abs(there) < RIVAL.mostOfOther * Math.abs(here)
}

/** How much brighter it gets over a jump, from where it begins to where it ends, as far as that is in sight. */
function wholeJump(across: Float64Array, at: number): number {
  const sign = Math.sign(across[at]!)
  let sum = across[at]!
  for (const step of [-1, 1]) {
    for (let k = at + step; sign * (across[k] ?? 0) > 0; k += step) sum += across[k]!
  }
  return sum
}

/** Jumps of which those with another as strong, of the same kind, on the side that was asked for count for less. */
function preferring(across: Float64Array, side: number): Float64Array {
  return across.map((jump, k) => {
    for (let j = k + side * (ASKED.apartPx + 1); side !== 0 && j >= 0 && j < across.length; j += side)
      if (across[j]! * jump > 0 && Math.abs(across[j]!) > ASKED.share * Math.abs(jump)) return jump / ASKED.times
    return jump
  })
}

/** Of each place, whether a faint jump goes along with the outline on its outer side. */
function faintBeyond(
  jumps: readonly Float64Array[],
  row: readonly number[],
  outward: readonly number[],
  noise: number,
): boolean[] {
  const { beyondPx, places, least, timesNoise } = FAINT
  return jumps.map((across, i) => {
    if (outward[i] === 0) return false
    const [from, to] = [Math.max(0, i - places), Math.min(jumps.length, i + places + 1)]
    const limit = Math.max(least, (timesNoise * noise) / Math.sqrt(Math.max(1, (to - from) / APART)))
    for (let off = beyondPx; off < across.length; off++) {
      let [sum, count] = [0, 0]
      for (let j = from; j < to; j++) {
        const jump = jumps[j]![row[j]! + outward[j]! * off]
        if (jump === undefined) continue
        sum += jump
        count++
      }
      if (count > (to - from) / 2 && Math.abs(sum / count) > limit) return true
    }
    return false
  })
}

/** How much brighter it is on one side of each offset than on the other, averaged along the chain. */
function jumpsAcross(picture: GrayPicture, { at, direction, normal }: Place, reach: number): Float64Array {
  const from = -reach - ACROSS_PX
  const profile = new Float64Array(2 * (reach + ACROSS_PX) + 1)
  for (const along of ALONG_PX)
    for (let k = 0; k < profile.length; k++)
      profile[k]! +=
        brightness(
          picture,
          at[0] + direction[0] * along + normal[0] * (from + k),
          at[1] + direction[1] * along + normal[1] * (from + k),
        ) / ALONG_PX.length
  return Float64Array.from({ length: 2 * reach + 1 }, (_, i) => {
    let jump = 0
    for (let k = 1; k <= ACROSS_PX; k++) jump += profile[i + ACROSS_PX + k]! - profile[i + ACROSS_PX - k]!
    return jump / ACROSS_PX
  })
}

/** A robust standard deviation of values that are nearly all noise about 0. */
const deviationOf = (values: readonly number[]): number => middleOf(values.map(Math.abs)) / 0.6745
const middleOf = (values: readonly number[]): number =>
  values.length === 0 ? 0 : [...values].sort((a, b) => a - b)[Math.floor(values.length / 2)]!

/** The row of offsets, one a place, with the strongest jumps of a sign and the fewest steps. */
function strongestRow(
  jumps: readonly Float64Array[],
  places: readonly Place[],
  reach: number,
  sign: number,
  least: number,
): { offsets: number[]; strength: number } {
  const width = 2 * reach + 1
  const usual = middleOf(jumps.map((across) => Math.max(...across.map((jump) => sign * jump))))
  // Near the marks is likelier than far off.
  const near = Float64Array.from({ length: width }, (_, i) => Math.exp(-(((i - reach) / (1.2 * reach)) ** 2)))
  const score = (i: number, k: number) => Math.max(0, Math.min(2 * usual, sign * jumps[i]![k]!) - least / 2) * near[k]!
  let best = Float64Array.from({ length: width }, (_, k) => (jumps.length > 0 ? score(0, k) : 0))
  const from: Int16Array[] = []
  for (let i = 1; i < jumps.length; i++) {
    const atMark = places[i]!.mark
    const most = atMark ? MOST_STEP_AT_MARK_PX : MOST_STEP_PX
    const weight = STEP_WEIGHT * usual * (atMark ? 0.2 : 1)
    const next = new Float64Array(width)
    const came = new Int16Array(width)
    for (let k = 0; k < width; k++) {
      let [top, at] = [-Infinity, k]
      for (let step = -most; step <= most; step++) {
        const before = best[k + step]
        if (before === undefined) continue
        const value = before - weight * step * step
        if (value > top) [top, at] = [value, k + step]
      }
      next[k] = top + score(i, k)
      came[k] = at
    }
    best = next
    from.push(came)
  }
  let at = best.indexOf(Math.max(...best))
  const strength = best[at] ?? 0
  const offsets = [at]
  for (let i = from.length - 1; i >= 0; i--) offsets.unshift((at = from[i]![at]!))
  return { offsets, strength }
}

/** How far from a pixel the jump is highest, by a parabola through its neighbours; half a pixel at most. */
function peakNear(across: Float64Array, best: number, sign: number): number {
  const [before, here, after] = [-1, 0, 1].map((by) => sign * (across[best + by] ?? across[best]!)) as [
    number,
    number,
    number,
  ]
  const bend = before - 2 * here + after
  return bend >= 0 ? 0 : Math.max(-0.5, Math.min(0.5, (before - after) / (2 * bend)))
}

interface Found {
  readonly point: Vec2
  readonly sure: boolean
  readonly mark: boolean
}

/** Takes the noise out of found places, stretch by stretch between corners. */
function smoothed(found: readonly Found[]): Snapped {
  const scatterPx = scatterOf(found.map(({ point }) => point))
  const overPx = Math.max(OVER_PX.least, Math.min(OVER_PX.most, OVER_PX.perScatter * scatterPx))
  const corners = found.flatMap(({ mark }, i) => (mark && turnAt(found, i, overPx) > CORNER_DEG ? [i] : []))
  const points: Vec2[] = []
  const sure: boolean[] = []
  const ends = [0, ...corners, found.length]
  for (let s = 1; s < ends.length; s++) {
    const stretch = found.slice(ends[s - 1], ends[s]).map(({ point }) => point)
    const along = lengthsOf(stretch)
    stretch.forEach((_, i) => {
      points.push(parabolaAt(stretch, along, i, overPx))
      sure.push(found[ends[s - 1]! + i]!.sure)
    })
  }
  return { ...withoutLoops(points, sure), scatterPx, overPx }
}

/**
 * Where the marks' chain turns, what was found beside both of its legs overlaps: such small loops are cut off, and
 * places that an edge would have to turn back for are left out.
 */
function withoutLoops(points: readonly Vec2[], sure: readonly boolean[]): Pick<Snapped, 'points' | 'sure'> {
  const [kept, plain] = [[...points], [...sure]]
  for (let i = 0; i + 3 < kept.length; i++)
    for (let j = Math.min(kept.length - 2, i + MOST_LOOP); j > i + 1; j--) {
      const met = crossing(kept[i]!, kept[i + 1]!, kept[j]!, kept[j + 1]!)
      if (!met || ![met.along, met.alongOther].every((share) => share > 0 && share < 1)) continue
      kept.splice(i + 1, j - i, met.at)
      plain.splice(i + 1, j - i, plain[i]! && plain[j]!)
      break
    }
  for (let i = 1; i + 1 < kept.length;) {
    const [a, b, c] = [kept[i - 1]!, kept[i]!, kept[i + 1]!]
    if ((b[0] - a[0]) * (c[0] - b[0]) + (b[1] - a[1]) * (c[1] - b[1]) >= 0) i++
    else {
      kept.splice(i, 1)
      plain.splice(i, 1)
      i = Math.max(1, i - 1)
    }
  }
  return { points: kept, sure: plain }
}
/** A loop of more places than these is one that was marked. */
const MOST_LOOP = 30

/** How found places scatter about the parabolas through those around them, one robust standard deviation, pixels. */
function scatterOf(points: readonly Vec2[]): number {
  const along = lengthsOf(points)
  return deviationOf(
    points.map((point, i) => {
      const there = parabolaAt(points, along, i, OVER_PX.first)
      return Math.hypot(point[0] - there[0], point[1] - there[1])
    }),
  )
}

/** By how much the outline turns at a place, from the lines through what lies before and behind it, degrees. */
function turnAt(found: readonly Found[], i: number, overPx: number): number {
  const many = Math.max(3, Math.round(overPx / EVERY_PX))
  const [before, behind] = [found.slice(Math.max(0, i - many), i), found.slice(i, i + many)]
  if (before.length < 3 || behind.length < 3) return 0
  const [a, b] = [before, behind].map((side) => leastSquaresLine(side.map(({ point }) => point)).direction) as [
    Vec2,
    Vec2,
  ]
  return (Math.abs(Math.atan2(a[0] * b[1] - a[1] * b[0], a[0] * b[0] + a[1] * b[1])) * 180) / Math.PI
}

function lengthsOf(points: readonly Vec2[]): number[] {
  let sum = 0
  return points.map((point, i) => {
    const before = points[i - 1]
    return before ? (sum += Math.max(1e-6, Math.hypot(point[0] - before[0], point[1] - before[1]))) : 0
  })
}

/**
 * Where the parabola through the places around goes at one of them: across the line that they make, so that a step
 * along it counts for nothing. What stands far off the others is left out.
 */
function parabolaAt(points: readonly Vec2[], along: readonly number[], i: number, overPx: number): Vec2 {
  let [low, high] = [i, i]
  while (low > 0 && along[i]! - along[low - 1]! <= overPx) low--
  while (high < points.length - 1 && along[high + 1]! - along[i]! <= overPx) high++
  const around = points.slice(low, high + 1)
  if (around.length < 4) return points[i]!
  const [x, y] = leastSquaresLine(around).direction
  const here = points[i]!
  const local = around.map((point): Vec2 => {
    const [dx, dy] = [point[0] - here[0], point[1] - here[1]]
    return [dx * x + dy * y, dy * x - dx * y]
  })
  const fit = parabolaThrough(local)
  if (!fit) return here
  const off = local.map(([s, t]) => Math.abs(t - fit(s)))
  const most = MOST_DEVIATIONS * Math.max(0.05, deviationOf(off))
  const kept = local.filter((_, k) => off[k]! <= most)
  const across = ((kept.length >= 4 ? parabolaThrough(kept) : null) ?? fit)(0)
  return [here[0] - y * across, here[1] + x * across]
}

/** Places along a chain, evenly spaced, with the directions along and across it. */
function spaced(chain: readonly Vec2[], every: number): Place[] {
  const places: Place[] = []
  for (let i = 1; i < chain.length; i++) {
    const [from, to] = [chain[i - 1]!, chain[i]!]
    const size = Math.hypot(to[0] - from[0], to[1] - from[1])
    if (size < 1e-6) continue
    const direction: Vec2 = [(to[0] - from[0]) / size, (to[1] - from[1]) / size]
    const across = { direction, normal: [-direction[1], direction[0]] as Vec2 }
    const count = Math.max(1, Math.round(size / every))
    for (let k = 0; k < count; k++) {
      const at: Vec2 = [from[0] + (direction[0] * size * k) / count, from[1] + (direction[1] * size * k) / count]
      places.push({ at, ...across, mark: k === 0 && i > 1 })
    }
    if (i === chain.length - 1) places.push({ at: to, ...across, mark: false })
  }
  return places
}

/** Brightness between pixels, bilinear; the border goes on beyond the picture. */
function brightness({ width, height, pixels }: GrayPicture, x: number, y: number): number {
  const [cx, cy] = [Math.min(width - 1.001, Math.max(0, x)), Math.min(height - 1.001, Math.max(0, y))]
  const [ix, iy] = [Math.floor(cx), Math.floor(cy)]
  const [fx, fy] = [cx - ix, cy - iy]
  const row = iy * width + ix
  return (
    (pixels[row]! * (1 - fx) + pixels[row + 1]! * fx) * (1 - fy) +
    (pixels[row + width]! * (1 - fx) + pixels[row + width + 1]! * fx) * fy
  )
}

/** Brightness of an RGBA picture, by the usual weights of the three colours. */
export function toGray(rgba: Uint8Array | Uint8ClampedArray, width: number, height: number): GrayPicture {
  const pixels = new Uint8Array(width * height)
  for (let i = 0, k = 0; i < pixels.length; i++, k += 4)
    pixels[i] = (rgba[k]! * 77 + rgba[k + 1]! * 150 + rgba[k + 2]! * 29) >> 8
  return { width, height, pixels }
}

import { lastOf, nth } from '../../math/list'
import { refuse, type Refusal } from '../../schema/refusal'
import { radians } from '../../math/units/angle'
import type { BevelSection } from '../bevel/reprofile'
import { facesOf, ground, thinned, type Section } from '../section/section'
import type { Vec2 } from '../../math/vector/vec2'

/** A short stretch of one side of the edge: the bevel that is there, and the angle that it would be ground at. */
export interface PlannedPlace {
  readonly zone: number
  /** Of the edge that it stands for, mm. */
  readonly lengthMm: number
  /** Half of the thickness at the shoulder, or all of it where one side alone is bevelled. */
  readonly shoulderMm: number
  readonly primaryDeg: number
  /** Where the primary face is hollow or convex: its curve. */
  readonly face?: BevelSection['face']
  /** From the edge to the spine, mm. */
  readonly heightMm: number
  /** The face that is there: alike where it is flat. */
  readonly thereDeg: { readonly apex: number; readonly shoulder: number }
  /** What the rig gives there, so dialled. */
  readonly newDeg: number
}

/** What grinding one zone of a side comes to. */
export interface ZonePlan {
  readonly zone: number
  /** Means over the zone, degrees and mm. */
  readonly newDeg: number
  readonly beforeMm: number
  readonly afterMm: number
  readonly removedMm3: number
  /** The new face is a small bevel at the very edge: the old one stays behind it. */
  readonly atEdge: boolean
}

/** What grinding a whole side comes to. */
export interface SidePlan {
  readonly ok: true
  readonly zones: readonly ZonePlan[]
  readonly removedMm3: number
  /** Of the new face. */
  readonly faceMm2: number
}

/**
 * What a sharpening takes off a worn apex, along the centre plane. Source: docs/ink.md, "Follow, cut, or step by
 * step".
 */
export const APEX_WORN_MM = 0.02
/** A curved bevel, and a hollow or convex primary face, are made of so many straight ones. */
const PIECES = 6
const FACE_PIECES = 24

/** One side's section at a place. Source: docs/ink.md, "The section over the blade's life". */
export function sectionAt({ thereDeg, shoulderMm, primaryDeg, face, heightMm }: Omit<PlannedPlace, 'newDeg'>): Section {
  const pieces = thereDeg.apex === thereDeg.shoulder ? 1 : PIECES
  const angles = Array.from(
    { length: pieces },
    (_, i) => thereDeg.apex + ((thereDeg.shoulder - thereDeg.apex) * (i + 0.5)) / pieces,
  )
  const step = shoulderMm / angles.reduce((sum, deg) => sum + Math.sin(radians(deg)), 0)
  const points: Vec2[] = [[0, 0]]
  for (const deg of angles) {
    const [x, y] = lastOf(points)
    points.push([x + step * Math.cos(radians(deg)), y + step * Math.sin(radians(deg))])
  }
  const [x, y] = lastOf(points)
  const slope = Math.tan(radians(primaryDeg))
  if (face) {
    const { lengthMm, bowMm } = face
    for (let i = 1; i <= FACE_PIECES; i++) {
      const share = i / FACE_PIECES
      points.push([x + share * lengthMm, y + share * lengthMm * slope + 4 * bowMm * share * (1 - share)])
    }
    // Behind it the blade has its full thickness.
    const [end, thick] = lastOf(points)
    return [...points, [Math.max(heightMm, end + 1), thick]]
  }
  const far = Math.max(heightMm, 2 * x)
  return [...points, [far, y + (far - x) * slope]]
}

/**
 * What grinding one side along the edge comes to: steel, mm³, and bevel widths before and after, mm, zone by zone.
 * `lostMm`: how far the apex goes back, all along. 'flatter-than-primary' where the new angle is not steeper than the
 * flat of the blade (`limitDeg`): no bevel ends on it. Source: docs/ink.md, "Follow, cut, or step by step".
 */
export function planSide(places: readonly PlannedPlace[], lostMm = APEX_WORN_MM): SidePlan | Refusal {
  const zones = new Map<
    number,
    { length: number; deg: number; before: number; after: number; mm3: number; edge: number }
  >()
  for (const place of places) {
    const before = sectionAt(place)
    const { section, removedMm2 } = ground(before, place.newDeg, lostMm)
    const face = nth(facesOf(section), 0)
    const pastGrind = place.face !== undefined && face.endsAtMm! > before.at(-2)![0]
    if (place.newDeg <= place.primaryDeg || face.widthMm === null || pastGrind)
      return refuse('flatter-than-primary', { limitDeg: Math.max(...places.map(({ primaryDeg }) => primaryDeg)) })
    const sum = zones.get(place.zone) ?? { length: 0, deg: 0, before: 0, after: 0, mm3: 0, edge: 0 }
    sum.length += place.lengthMm
    sum.deg += place.newDeg * place.lengthMm
    sum.before += widthOf(before, place.shoulderMm) * place.lengthMm
    sum.after += face.widthMm * place.lengthMm
    sum.mm3 += removedMm2 * place.lengthMm
    sum.edge += (face.thicknessMm! / 2 < place.shoulderMm - 1e-6 ? 1 : 0) * place.lengthMm
    zones.set(place.zone, sum)
  }
  const all = [...zones].map(([zone, { length, deg, before, after, mm3, edge }]): ZonePlan & { faceMm2: number } => ({
    zone,
    newDeg: deg / length,
    beforeMm: before / length,
    afterMm: after / length,
    removedMm3: mm3,
    atEdge: edge > length / 2,
    faceMm2: after,
  }))
  return {
    ok: true,
    zones: all.map(({ faceMm2: _, ...zone }) => zone),
    removedMm3: all.reduce((sum, { removedMm3 }) => sum + removedMm3, 0),
    faceMm2: all.reduce((sum, { faceMm2 }) => sum + faceMm2, 0),
  }
}

/** Along the face from the apex to its shoulder, mm; of a curved one along its pieces. */
export const widthOf = (section: Section, shoulderMm: number): number => {
  let width = 0
  for (let i = 1; i < section.length && nth(section, i - 1)[1] < shoulderMm - 1e-9; i++)
    width += Math.hypot(nth(section, i)[0] - nth(section, i - 1)[0], nth(section, i)[1] - nth(section, i - 1)[1])
  return width
}

/**
 * How thick behind the edge a blade of such an edge angle is still right, both sides together, mm: between the uses
 * that the angle is usual for. A starting value, ours. Source: docs/ink.md, "Follow, cut, or step by step".
 */
export function thickEnoughMm(edgeAngleDeg: number): number {
  const [first, last] = [nth(THICK_ENOUGH, 0), lastOf(THICK_ENOUGH)]
  if (edgeAngleDeg <= first[0]) return first[1]
  for (let i = 1; i < THICK_ENOUGH.length; i++) {
    const [[from, low], [to, high]] = [nth(THICK_ENOUGH, i - 1), nth(THICK_ENOUGH, i)]
    if (edgeAngleDeg <= to) return low + ((high - low) * (edgeAngleDeg - from)) / (to - from)
  }
  return last[1]
}
const THICK_ENOUGH: readonly (readonly [deg: number, mm: number])[] = [
  [12, 0.35],
  [17, 0.55],
  [20, 0.8],
  [23, 1.1],
  [28, 1.8],
]

const MOST_SHARPENINGS = 999
/** No more of a blade's height is ground away than this share. */
const MOST_OF_HEIGHT = 0.25

/**
 * How many sharpenings of this kind a side has left at a place before it is too thick behind the edge (`mostMm`, of
 * this side alone), or a quarter of its height is gone; 0 where it is too thick already.
 */
export function sharpeningsLeft(place: PlannedPlace, mostMm: number): number {
  const section = sectionAt(place)
  const tooThick = (times: number): boolean => {
    const face = nth(facesOf(ground(section, place.newDeg, times * APEX_WORN_MM).section), 0)
    return face.thicknessMm === null || face.thicknessMm / 2 > mostMm
  }
  const most = Math.min(MOST_SHARPENINGS, Math.floor((MOST_OF_HEIGHT * place.heightMm) / APEX_WORN_MM))
  let [low, high] = [0, most + 1]
  while (high - low > 1) {
    const middle = (low + high) >> 1
    if (tooThick(middle)) high = middle
    else low = middle
  }
  return low
}

/** Thinning meets the old flat at this over its own angle. */
export const THINNED_OVER_DEG = 1

/** How far behind the edge thinning down to a thickness (of one side) ends, mm: nearer it would meet the edge. */
export const thinningStopsAtMm = ({ thereDeg }: Pick<PlannedPlace, 'thereDeg'>, mostMm: number): number =>
  mostMm / Math.tan(radians(thereDeg.apex))

/** What thinning one side down to a thickness behind the edge takes first, mm³; 0 where it is thin enough. */
export function thinningMm3(places: readonly PlannedPlace[], mostMm: number): number {
  return places.reduce((sum, place) => {
    if (place.shoulderMm <= mostMm) return sum
    const stopsAtMm = thinningStopsAtMm(place, mostMm)
    const { removedMm2 } = thinned(sectionAt(place), place.primaryDeg + THINNED_OVER_DEG, stopsAtMm)
    return sum + removedMm2 * place.lengthMm
  }, 0)
}

import type { Strokes } from '../../log/entry'
import type { Zone, ZoneKind } from '../../records/blade/zones'
import { clamp } from '../../math/units/figures'

/** A stretch of the edge, arc length from the heel, mm. */
interface Stretch {
  readonly fromMm: number
  readonly toMm: number
}
/** Strokes of a stone whose middle goes so far along the edge. */
type Pass = Pick<Strokes, 'count' | 'zone'>

/** What strokes are made on: the stretch of the edge that is worked, its zones, and the width of the stone. */
export interface Worked {
  readonly stretch: Stretch
  readonly zones: readonly Zone[]
  readonly stoneWidthMm: number
}

/** Full strokes that blend a local one into what is beside it. */
export const BLEND_STROKES = 3
/** A zone that got less steel taken off than this share of the middle is starved. */
const STARVED_SHARE = 0.8
/** Local strokes bring a starved zone up to this share: the rest is blended in. */
const EVEN_SHARE = 0.95

/**
 * The share of a stroke's time in which any part of the stone is over a place: its middle goes evenly along a stretch,
 * to both of its ends and no further (at the tip the stone is stopped when the tip is at its middle). 0 to 1.
 */
function timeOver(placeMm: number, { fromMm, toMm }: Stretch, stoneWidthMm: number): number {
  const half = stoneWidthMm / 2
  const lengthMm = Math.max(toMm - fromMm, 1e-6)
  const over = Math.min(placeMm + half, fromMm + lengthMm) - Math.max(placeMm - half, fromMm)
  return clamp(over / lengthMm, [0, 1])
}

/**
 * How much strokes took off along the edge, in full strokes: where the stone lies longest in a full stroke, each counts
 * one. A full stroke goes over all of the stretch that is worked, one on a zone over that zone alone, in the same time.
 * Gives the figure at a place, mm from the heel. Source: docs/stones.md, "Where the steel goes".
 */
export function steelAlong(strokes: readonly Pass[], { stretch, zones, stoneWidthMm }: Worked) {
  const middleMm = (stretch.fromMm + stretch.toMm) / 2
  const most = timeOver(middleMm, stretch, stoneWidthMm)
  const stretchesOf = (zone: ZoneKind | null): Stretch[] =>
    zone === null ? [stretch] : workedZones(zones, stretch).filter(({ kind }) => kind === zone)
  return (placeMm: number): number =>
    strokes.reduce((sum, { count, zone }) => {
      const each = stretchesOf(zone)
      return sum + each.reduce((all, on) => all + (count * timeOver(placeMm, on, stoneWidthMm)) / most / each.length, 0)
    }, 0)
}
/** The zones, or their parts, that are worked. */
const workedZones = (zones: readonly Zone[], { fromMm, toMm }: Stretch): Zone[] =>
  zones
    .map((zone) => ({ ...zone, fromMm: Math.max(zone.fromMm, fromMm), toMm: Math.min(zone.toMm, toMm) }))
    .filter((zone) => zone.toMm > zone.fromMm)

/** A zone that got too little, with the local strokes that bring it up to the rest. */
export interface Starved {
  readonly zone: ZoneKind
  /** Of what the middle of the edge got, 0 to 1. */
  readonly share: number
  readonly localStrokes: number
}

/**
 * The zones that got too little, the worst first. None before anything was ground. Where zones of one kind differ, the
 * worst of them counts. Source: docs/stones.md, "Where the steel goes".
 */
export function starvedZones(strokes: readonly Pass[], worked: Worked): Starved[] {
  const { stretch, zones } = worked
  const got = steelAlong(strokes, worked)
  const middle = got((stretch.fromMm + stretch.toMm) / 2)
  if (middle <= 0) return []
  const starved = workedZones(zones, stretch).flatMap((zone) => {
    const mean = (along: (placeMm: number) => number) => meanOver(zone, along)
    const share = mean(got) / middle
    if (share >= STARVED_SHARE) return []
    const ofOne = mean(steelAlong([{ count: 1, zone: zone.kind }], worked))
    return [{ zone: zone.kind, share, localStrokes: Math.ceil(((EVEN_SHARE - share) * middle) / ofOne) }]
  })
  const worstFirst = starved.sort((a, b) => a.share - b.share)
  return worstFirst.filter(({ zone }, i) => worstFirst.findIndex((one) => one.zone === zone) === i)
}

const PLACES = 8
const meanOver = ({ fromMm, toMm }: Stretch, along: (placeMm: number) => number): number =>
  Array.from({ length: PLACES }, (_, i) => along(fromMm + ((i + 0.5) / PLACES) * (toMm - fromMm))).reduce(
    (sum, one) => sum + one / PLACES,
    0,
  )

/** Full strokes that are still owed for local ones, each worth three: they are to be made after them. Oldest first. */
export const strokesOwed = (strokes: readonly Pass[]): number =>
  strokes.reduce(
    (owed, { count, zone }) => (zone === null ? Math.max(0, owed - count) : owed + BLEND_STROKES * count),
    0,
  )

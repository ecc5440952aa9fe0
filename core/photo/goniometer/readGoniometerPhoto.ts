import { failed, type Result } from '../../schema/result'
import { nth, bothOf } from '../../math/list'
import type { Finish } from '../../log/choices'
import type { ShownSide } from '../../observe/goniometer/pattern'
import { degreesOn, lengthOn, type Screen } from '../../observe/goniometer/scale'
import { otherSide, type Side } from '../../records/common/side'
import type { ColourPicture } from '../picture/colourPicture'
import { add, dot, leftOf, length, scale, subtract, unit, type Vec2 } from '../../math/vector/vec2'
import { spotsOn, type Spot } from './spots'
import { placeOn, scaleOf, type PictureScale, type Tick, type TickProblem } from './ticks'

export interface GoniometerPhotoAsk {
  readonly picture: ColourPicture
  readonly ticks: readonly Tick[]
  readonly screen: Screen
}

/** What something bright on the screen is: of the edge, of a primary face, the beam's own glare, or none of them. */
export const MARK_KINDS = ['edge', 'primary', 'glare', 'other'] as const
export type MarkKind = (typeof MARK_KINDS)[number]

/** Something bright on the screen as it was read; degrees along the scale, with their sign. */
export interface ScreenMark {
  readonly kind: MarkKind
  readonly finish: Finish
  readonly fromDeg: number
  readonly middleDeg: number
  readonly toDeg: number
  /** In the picture, pixels: its middle, and its ends. */
  readonly at: Vec2
  readonly from: Vec2
  readonly to: Vec2
}

export type GoniometerPhotoReading = Result<{ readonly marks: readonly ScreenMark[] }, TickProblem | 'no-light'>

/** The pattern's middle lies no further from the scale's zero, degrees. */
const MOST_ASKEW_DEG = 5
/** A primary face is no steeper than this; an edge is hardly ever flatter. */
const STEEPEST_PRIMARY_DEG = 7.5

/**
 * What stands on a goniometer's screen in a photograph: spots, hazes and lines along its scale, each with what it is.
 * Nothing bright: 'no-light'. Source: docs/goniometer.md, "From a photograph".
 */
export function readGoniometerPhoto({ picture, ticks, screen }: GoniometerPhotoAsk): GoniometerPhotoReading {
  const scale = scaleOf(ticks, screen)
  if (!scale.ok) return scale
  const spots = spotsOn(picture, scale)
  if (spots.length === 0) return failed('no-light')
  const kinds = kindsOf(spots.map((spot) => ({ ...spot, deg: scale.degOf(spot.middlePx) })))
  return {
    ok: true,
    marks: spots.map((spot, i) => {
      const [from, to] = bothOf([spot.fromPx, spot.toPx], scale.degOf)
      return {
        kind: nth(kinds, i),
        finish: spot.finish,
        fromDeg: from,
        middleDeg: spot.finish === 'convex' ? (from + to) / 2 : scale.degOf(spot.middlePx),
        toDeg: to,
        at: placeOn(scale, spot.middlePx, spot.besidePx),
        from: placeOn(scale, spot.fromPx, spot.besidePx),
        to: placeOn(scale, spot.toPx, spot.besidePx),
      }
    }),
  }
}

type Placed = Spot & { readonly deg: number }

/** Inner spots are the primary faces, outer ones the edge; what is between the inner ones is the beam's own glare. */
function kindsOf(spots: readonly Placed[]): MarkKind[] {
  const middle = middleOf(spots)
  const kinds = spots.map((): MarkKind => 'other')
  if (middle.glare !== null) kinds[middle.glare] = 'glare'
  const byDistance = (side: number) =>
    spots
      .map((spot, i) => ({ i, from: side * (spot.deg - middle.deg), spot }))
      .filter(({ i, from }) => i !== middle.glare && from > 0)
      .sort((one, other) => one.from - other.from)
  for (const side of [-1, 1]) {
    const outward = byDistance(side)
    const primary = outward[0]?.spot.finish === 'crisp' && outward[0].from < STEEPEST_PRIMARY_DEG ? outward[0] : null
    if (primary) kinds[primary.i] = 'primary'
    // Of several beyond it the brightest in all is the bevel that was cut.
    const [edge] = outward
      .filter((one) => one !== primary)
      .sort((one, other) => lightOf(other.spot) - lightOf(one.spot))
    if (edge) kinds[edge.i] = 'edge'
  }
  return kinds
}
const lightOf = ({ overNoise, fromPx, toPx }: Spot): number => overNoise * (toPx - fromPx)

/** The middle of the pattern: its glare, or else half way between the innermost spots, or the scale's own zero. */
function middleOf(spots: readonly Placed[]): { deg: number; glare: number | null } {
  const near = spots.flatMap((spot, i) => (Math.abs(spot.deg) < MOST_ASKEW_DEG ? [i] : []))
  const widths = near.map((i) => nth(spots, i).toPx - nth(spots, i).fromPx)
  const widest = near[widths.indexOf(Math.max(...widths))]
  const between = (i: number) => near.includes(i - 1) && near.includes(i + 1)
  // A glare is no dot; a bright one may look like a third between the two primary spots.
  if (widest !== undefined && (nth(spots, widest).finish !== 'crisp' || between(widest)))
    return { deg: nth(spots, widest).deg, glare: widest }
  return { deg: 0, glare: null }
}

/** A mark with its middle, or one of its ends, laid at another place of the picture; its degrees follow. */
export function placedOn(scale: PictureScale, mark: ScreenMark, part: 'at' | 'from' | 'to', to: Vec2): ScreenMark {
  const degAt = (place: Vec2) => scale.degOf(dot(subtract(place, scale.from), scale.along))
  const by = subtract(to, mark[part])
  // The middle takes its ends along; of a line it lies between them.
  const moved = part === 'at' ? { at: to, from: add(mark.from, by), to: add(mark.to, by) } : { ...mark, [part]: to }
  const [fromDeg, toDeg] = [degAt(moved.from), degAt(moved.to)]
  const middleDeg = mark.finish === 'convex' ? (fromDeg + toDeg) / 2 : degAt(moved.at)
  const at = mark.finish === 'convex' && part !== 'at' ? middleOfEnds(moved.from, moved.to) : moved.at
  return { ...mark, from: moved.from, to: moved.to, at, fromDeg, middleDeg, toDeg }
}
const middleOfEnds = (a: Vec2, b: Vec2): Vec2 => [(a[0] + b[0]) / 2, (a[1] + b[1]) / 2]

/**
 * How far the edge's spots stand beside the line through the middle of a pattern, in degrees of the scale: from that
 * middle, the glare's or the primary spots', to the line through both of them. Null where one is missing. Source:
 * docs/goniometer.md, "An edge turned in the beam".
 */
export function besideDeg(marks: readonly ScreenMark[], screen: Screen): number | null {
  const of = (kind: MarkKind) => marks.filter((mark) => mark.kind === kind)
  const [edges, inner] = [of('edge'), of('primary').length === 2 ? of('primary') : of('glare')]
  const [one, other] = edges
  if (!one || !other || edges.length !== 2 || inner.length === 0) return null
  const across = subtract(other.at, one.at)
  const middle = scale(
    inner.reduce<Vec2>((sum, { at }) => add(sum, at), [0, 0]),
    1 / inner.length,
  )
  const away = Math.abs(dot(leftOf(unit(across)), subtract(middle, one.at)))
  const perPx = (lengthOn(screen, other.middleDeg) - lengthOn(screen, one.middleDeg)) / length(across)
  return degreesOn(screen, Math.abs(away * perPx))
}

/** The sides as a pattern of marks shows them: what lies at lower degrees than the middle is of one side. */
export function shownSides(marks: readonly ScreenMark[], lower: Side): ShownSide[] {
  const other: Side = otherSide(lower)
  return [
    { side: lower, sign: -1 },
    { side: other, sign: 1 },
  ].flatMap(({ side, sign }) => {
    const of = (kind: MarkKind) => marks.find((mark) => mark.kind === kind && sign * mark.middleDeg > 0)
    const edge = of('edge')
    if (!edge) return []
    const [one, other] = [sign * edge.fromDeg, sign * edge.toDeg]
    const ends: [number, number] = [Math.min(one, other), Math.max(one, other)]
    const primary = of('primary')
    const middle = sign * edge.middleDeg
    const [fromDeg, toDeg] = edge.finish === 'crisp' ? [middle, middle] : ends
    return [
      {
        side,
        finish: edge.finish,
        edgeDeg: middle,
        fromDeg,
        toDeg,
        primaryDeg: primary ? sign * primary.middleDeg : null,
      },
    ]
  })
}

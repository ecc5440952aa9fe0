import { knobEndsMm } from '#core/records/rig/knobEnds'
import { RIGS, restsOnTable } from '#core/records/rig/kinds'
import { crossSectionHalf } from '#core/records/blade/crossSection'
import type { Side } from '#core/records/common/side'
import type { SideSet } from '#core/uncertainty/evaluate'
import type { CentrePlane } from '#core/geometry/clamping/centring'
import { centrePlaneOf, type Setup } from '#core/geometry/setup/setup'
import { radians } from '#core/math/units/angle'
import { add, dot, rotate, scale, subtract, unit, type Vec2 } from '#core/math/vector/vec2'
import { dimension, type Dimension } from '~/drawing/dimension'
import { boundsOf, toPixels, type Bounds, type Viewport } from '~/drawing/viewport'

/** How the section stands on the sheet: blade-plane (outward, up) to the sheet's (x, y), both mm. */
interface Stance {
  readonly x: Vec2
  readonly y: Vec2
}

/**
 * A clamp lies flat, a table lies level under the tilted blade, an upright rig stands with the edge up and side A to
 * the right.
 */
function stanceOf(setup: Setup, side: Side, tilt: number): Stance {
  if (RIGS[setup.rig.kind].twoArms) return { x: [0, side === 'A' ? 1 : -1], y: [1, 0] }
  const level = restsOnTable(setup.rig) ? tilt : 0
  return { x: rotate([1, 0], -level), y: rotate([0, 1], -level) }
}

/** How steeply the blade's plane rises over the clamp's in a direction of its own, radians. */
const riseAlong = ({ tiltDeg, axisTurnDeg }: CentrePlane, direction: Vec2): number =>
  Math.asin(Math.sin(radians(tiltDeg)) * dot(direction, rotate([0, 1], radians(axisTurnDeg))))

const onSheet = (p: Vec2, stance: Stance): Vec2 => [dot(p, stance.x), dot(p, stance.y)]

interface SectionPoints {
  readonly stance: Stance
  /** From the clamp's own (outward, up) to the blade plane, apex at the origin. */
  readonly fromClamp: (v: number, w: number) => Vec2
  readonly pivot: Vec2
  /** On the clamp's plane (or the table), under the pivot. */
  readonly pivotFoot: Vec2
  /** The clamp's own way up. */
  readonly up: Vec2
  readonly faceDirection: Vec2
  readonly faceNormal: Vec2
}

function pointsOf(setup: Setup, set: SideSet, side: Side): SectionPoints {
  const { contact } = set
  const plane = centrePlaneOf(setup, side)
  const tilt = riseAlong(plane, contact.outward)
  const theta = radians(contact.edgeAngleDeg)
  // How far the tangent stands from the clamp's origin, square to the edge.
  const out = dot(contact.outward, contact.point)
  const alongEdge: Vec2 = [contact.outward[1], -contact.outward[0]]
  const offsetMm = plane.offsetMm + dot(alongEdge, contact.point) * Math.sin(riseAlong(plane, alongEdge))
  const up: Vec2 = [Math.sin(tilt), Math.cos(tilt)]
  const pivot: Vec2 = [-contact.distanceMm, contact.heightMm]
  return {
    stance: stanceOf(setup, side, tilt),
    fromClamp: (v, w) => {
      const above = w - offsetMm
      return [v * Math.cos(tilt) + above * Math.sin(tilt) - out, above * Math.cos(tilt) - v * Math.sin(tilt)]
    },
    pivot,
    pivotFoot: subtract(pivot, scale(up, set.pivotHeightMm)),
    up,
    faceDirection: [-Math.cos(theta), Math.sin(theta)],
    faceNormal: [Math.sin(theta), Math.cos(theta)],
  }
}

/** What the section must show, sheet mm. */
export function sectionBounds(setup: Setup, set: SideSet, side: Side): Bounds {
  const p = pointsOf(setup, set, side)
  const depth = setup.rig.jaws?.depthMm ?? 0
  const stoneOut = scale(p.faceDirection, -Math.min(setup.stone.lengthMm / 2, 45))
  const corners: Vec2[] = [
    p.pivot,
    [-setup.blade.widthMm, -2],
    stoneOut,
    add(stoneOut, scale(p.faceNormal, setup.stone.faceOffsetMm)),
    p.fromClamp(-depth, -8),
    p.pivotFoot,
    p.fromClamp(0, -14),
  ]
  return boundsOf(corners.map((corner) => onSheet(corner, p.stance)))
}

export interface SectionView {
  readonly blade: readonly Vec2[]
  readonly jaws: readonly (readonly Vec2[])[]
  readonly table: readonly Vec2[] | null
  readonly post: readonly [Vec2, Vec2]
  readonly pivot: Vec2
  readonly rod: readonly [Vec2, Vec2]
  readonly stone: readonly Vec2[]
  readonly face: readonly [Vec2, Vec2]
  readonly apex: Vec2
  readonly centrePlane: readonly [Vec2, Vec2]
  readonly clampPlane: readonly [Vec2, Vec2]
  readonly wantedRay: readonly [Vec2, Vec2]
  readonly arc: string
  readonly arcMiddle: Vec2
  readonly arcLabel: Vec2
  readonly pivotHeight: Dimension
  readonly distance: Dimension
  readonly bladeHeight: Dimension | null
  /** On the sheet: the way the pivot rises. */
  readonly pivotDirection: Vec2
}

/**
 * Radius of the angle's arc and the distance of its figure from the apex, mm of the drawing and the pixels they are
 * kept between.
 */
const ARC = { mm: 34, least: 44, most: 90 }
const LABEL = { mm: 58, least: 84, most: 150 }
/** The figure stands out over the stone, away from the lines it belongs to. */
const LABEL_OVER_FACE_DEG = 33

/**
 * The section square to the edge at the place looked at, in pixels: jaws or table, blade, pivot, rod, stone face, edge
 * angle.
 */
export function sectionView(
  setup: Setup,
  set: SideSet,
  side: Side,
  wantedDeg: number,
  viewport: Viewport,
): SectionView {
  const p = pointsOf(setup, set, side)
  const { blade, rig, stone } = setup
  const px = (point: Vec2) => toPixels(onSheet(point, p.stance), viewport)
  const { contact } = set
  const half = crossSectionHalf(blade, contact.edgeAngleDeg)
  const upper = half.map(([inward, up]): Vec2 => [-inward, up])
  const lower = half.map(([inward, up]): Vec2 => [-inward, blade.bevels === 'A' ? 0 : -up]).reverse()
  const rodCentre = scale(p.faceNormal, stone.faceOffsetMm)
  const rodEnd = add(rodCentre, scale(p.faceDirection, -(stone.lengthMm / 2 + 8)))
  const stoneEnd = (end: 1 | -1) => scale(p.faceDirection, (end * stone.lengthMm) / 2)
  const depth = rig.jaws?.depthMm ?? 0
  const j = rig.jaws?.halfThicknessMm ?? 0
  const inside = half.at(-1)?.[1] ?? 0
  const jaw = (sign: 1 | -1) =>
    [
      p.fromClamp(0, sign * inside),
      p.fromClamp(0, sign * j),
      p.fromClamp(-depth, sign * (j + 1.5)),
      p.fromClamp(-depth, sign * inside),
    ].map(px)
  const knob = (sign: 1 | -1): Vec2[][] => {
    const { knobHeightMm = null, knobBehindMm = null } = rig.jaws ?? {}
    if (!rig.jaws || knobHeightMm === null || knobBehindMm === null) return []
    const [front, back] = [-knobBehindMm, -knobEndsMm(knobBehindMm, rig.jaws)]
    const corners = [
      [front, j],
      [front, knobHeightMm],
      [back, knobHeightMm],
      [back, j],
    ] as const
    return [corners.map(([v, w]) => px(p.fromClamp(v, sign * w)))]
  }
  const wanted = radians(wantedDeg)
  const apex = px([0, 0])
  const bounded = ({ mm, least, most }: typeof ARC) => Math.min(most, Math.max(least, mm * viewport.scale))
  const arcRadius = bounded(ARC)
  const pixelsFrom = (direction: Vec2, by: number): Vec2 => {
    const [x, y] = unit(onSheet(direction, p.stance))
    return [apex[0] + x * by, apex[1] - y * by]
  }
  const arcStart = pixelsFrom([-1, 0], arcRadius)
  const arcEnd = pixelsFrom(p.faceDirection, arcRadius)
  const turn = (arcStart[0] - apex[0]) * (arcEnd[1] - apex[1]) - (arcStart[1] - apex[1]) * (arcEnd[0] - apex[0])
  const middle = radians(contact.edgeAngleDeg / 2)
  const over = radians(contact.edgeAngleDeg + LABEL_OVER_FACE_DEG)
  const sheetDirection = (direction: Vec2) => onSheet(direction, p.stance)
  const tableLine = rig.jaws
    ? null
    : [p.fromClamp(-12, 0), p.fromClamp(blade.widthMm + 6, 0), p.fromClamp(blade.widthMm + 6, -9), p.fromClamp(-12, -9)]
  // Dimension lines stand on the far side of the centre plane from the stone.
  const aside = side === 'A' ? 1 : -1
  const below = RIGS[rig.kind].twoArms ? -aside : 1
  return {
    blade: [...upper, ...lower].map(px),
    jaws: rig.jaws ? [...knob(1), ...knob(-1), jaw(1), jaw(-1)] : [],
    table: tableLine && tableLine.map(px),
    post: [px(subtract(p.pivotFoot, scale(p.up, 8))), px(p.pivot)],
    pivot: px(p.pivot),
    rod: [px(p.pivot), px(rodEnd)],
    stone: [stoneEnd(-1), stoneEnd(1), add(stoneEnd(1), rodCentre), add(stoneEnd(-1), rodCentre)].map(px),
    face: [px(stoneEnd(-1)), px(stoneEnd(1))],
    apex,
    centrePlane: [px([8, 0]), px([-contact.distanceMm, 0])],
    clampPlane: [px(p.pivotFoot), px(p.fromClamp(6, 0))],
    wantedRay: [apex, pixelsFrom([-Math.cos(wanted), Math.sin(wanted)], arcRadius * 1.6)],
    arc: `M${arcStart[0]} ${arcStart[1]} A${arcRadius} ${arcRadius} 0 0 ${turn > 0 ? 1 : 0} ${arcEnd[0]} ${arcEnd[1]}`,
    arcMiddle: pixelsFrom([-Math.cos(middle), Math.sin(middle)], arcRadius),
    arcLabel: pixelsFrom([-Math.cos(over), Math.sin(over)], bounded(LABEL)),
    pivotHeight: dimension(px(p.pivotFoot), px(p.pivot), RIGS[rig.kind].twoArms ? 26 * aside : -30),
    distance: dimension(px([-contact.distanceMm, 0]), px([0, 0]), 34 * below),
    bladeHeight: rig.jaws ? dimension(px(p.fromClamp(0, 0)), px([0, 0]), 60 * below) : null,
    pivotDirection: sheetDirection(p.up),
  }
}

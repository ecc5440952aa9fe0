import { lastOf, nth } from '../../math/list'
import { degrees, radians } from '../../math/units/angle'
import type { Vec2 } from '../../math/vector/vec2'

/**
 * One side of a blade's section: points from the apex to the spine, each (inward from the first apex, half-thickness),
 * mm, joined by straight faces.
 */
export type Section = readonly Vec2[]

/** A straight face of a section, from the apex on. The last runs on to the spine and has no end. */
export interface SectionFace {
  readonly angleDeg: number
  readonly widthMm: number | null
  /** Inward from the apex as it is to where it ends. */
  readonly endsAtMm: number | null
  /** Of the whole blade where it ends: both halves. */
  readonly thicknessMm: number | null
}

const SLIVER_MM = 1e-7

/** A section with one bevel up to its shoulder and the primary face behind it, as high as the blade. */
export function freshSection(of: {
  readonly edgeAngleDeg: number
  readonly shoulderMm: number
  readonly primaryHalfAngleDeg: number
  readonly heightMm: number
}): Section {
  const shoulderAt = of.shoulderMm / slope(of.edgeAngleDeg)
  const spine = of.shoulderMm + (of.heightMm - shoulderAt) * slope(of.primaryHalfAngleDeg)
  return [
    [0, 0],
    [shoulderAt, of.shoulderMm],
    [of.heightMm, spine],
  ]
}

/** What a piece of work leaves of a section, and the area that it takes off. */
export interface Worked {
  readonly section: Section
  readonly removedMm2: number
}

/**
 * A new bevel at an angle through an apex that is worn back so far: all that stands over it goes. Source: docs/ink.md,
 * "The section over the blade's life".
 */
export function ground(section: Section, angleDeg: number, apexWornMm: number): Worked {
  return cutBy(section, nth(section, 0)[0] + apexWornMm, 0, angleDeg)
}

/** Thinned at an angle, up to a place behind the edge where it stops, mm from the apex as it is. */
export function thinned(section: Section, angleDeg: number, stopsAtMm: number): Worked {
  const from = nth(section, 0)[0] + stopsAtMm
  return cutBy(section, from, halfThicknessAt(section, from), angleDeg)
}

/** The half-thickness at a place from the first apex, mm; 0 before the apex, the spine's behind it. */
function halfThicknessAt(section: Section, atMm: number): number {
  if (atMm <= nth(section, 0)[0]) return 0
  for (let i = 1; i < section.length; i++) {
    const [[x, y], [toX, toY]] = [nth(section, i - 1), nth(section, i)]
    if (atMm <= toX) return y + ((atMm - x) / (toX - x)) * (toY - y)
  }
  return lastOf(section)[1]
}

/** The faces of a section, from the apex on; those in one line are one. */
export function facesOf(section: Section): SectionFace[] {
  return section.slice(1).map(([x, y], i): SectionFace => {
    const [fromX, fromY] = nth(section, i)
    const last = i === section.length - 2
    return {
      angleDeg: degrees(Math.atan2(y - fromY, x - fromX)),
      widthMm: last ? null : Math.hypot(x - fromX, y - fromY),
      endsAtMm: last ? null : x - nth(section, 0)[0],
      thicknessMm: last ? null : 2 * y,
    }
  })
}

/** Cuts what stands over a line that begins at a point and rises at an angle towards the spine. */
function cutBy(section: Section, fromX: number, fromY: number, angleDeg: number): Worked {
  const line = (x: number) => fromY + (x - fromX) * slope(angleDeg)
  const end = lastOf(section)[0]
  const places = new Set([fromX, ...section.map(([x]) => x)])
  for (let i = 1; i < section.length; i++) {
    const [[x, y], [toX, toY]] = [nth(section, i - 1), nth(section, i)]
    const [over, toOver] = [y - line(x), toY - line(toX)]
    if (over * toOver < 0) places.add(x + (over / (over - toOver)) * (toX - x))
  }
  const kept = [...places].filter((x) => x >= nth(section, 0)[0] && x <= end).sort((a, b) => a - b)
  // Nothing stands before the point it begins at, where that is the apex.
  const begun = fromY === 0 ? kept.filter((x) => x >= fromX) : kept
  const cut = begun.map((x): Vec2 => {
    const before = halfThicknessAt(section, x)
    return [x, x < fromX ? before : Math.min(before, line(x))]
  })
  const left = straightened(cut)
  return { section: left, removedMm2: areaUnder(section) - areaUnder(left) }
}

/** Without slivers, and without points in the middle of a straight face. */
function straightened(points: readonly Vec2[]): Section {
  const kept: Vec2[] = []
  for (const point of points) {
    if (kept.length > 0 && point[0] - lastOf(kept)[0] < SLIVER_MM) continue
    while (kept.length >= 2 && inLine(kept.at(-2)!, lastOf(kept), point)) kept.pop()
    kept.push(point)
  }
  return kept
}

const inLine = ([ax, ay]: Vec2, [bx, by]: Vec2, [cx, cy]: Vec2): boolean =>
  Math.abs((by - ay) * (cx - bx) - (cy - by) * (bx - ax)) < 1e-9 * (cx - ax)

const areaUnder = (section: Section): number =>
  section.slice(1).reduce((sum, [x, y], i) => sum + ((x - nth(section, i)[0]) * (y + nth(section, i)[1])) / 2, 0)

const slope = (deg: number): number => Math.tan(radians(deg))

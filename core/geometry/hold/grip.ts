import type { Blade } from '../../records/blade/blade'
import { bladeHeightMm, moved } from '../clamping/bladeHeight'
import { clampFrame, toBladeFrame } from '../clamping/clampFrame'
import type { ClampPosition } from '../../records/job/clampPosition'
import { curveLength } from '../../math/curve/arcLength'
import { evenEdgePoints, type EdgePoint } from '../../math/curve/edgePoints'
import type { JawSet } from '../../records/rig/jawSet'
import type { Rig } from '../../records/rig/rig'
import { radians } from '../../math/units/angle'
import { clamp } from '../../math/units/figures'

/** Why jaws do not hold a blade so. */
export const GRIP_TROUBLES = ['off-the-blade', 'too-little-held', 'off-the-flat', 'into-the-edge'] as const
export type GripTrouble = (typeof GRIP_TROUBLES)[number]

/** Less steel than this between the jaws does not hold, mm. */
export const LEAST_HELD_MM = 4
/** The jaws stay at least this far from the edge, mm. */
const CLEAR_OF_EDGE_MM = 3
const ALONG_JAWS = 5
/** How finely another place is looked for, and how far within its limits it is chosen, mm. */
const STEP_MM = 1
const WITHIN_MM = 0.5

/**
 * How deep the jaws may reach onto a blade from its spine, mm: as far as its flat goes where it has one that holds (a
 * sabre or hollow grind), else half of its width.
 */
export function deepestHoldMm(of: Pick<Blade, 'widthMm' | 'primaryGrindHeightMm'>): number {
  const flat = of.widthMm - of.primaryGrindHeightMm
  return flat >= LEAST_HELD_MM ? flat : of.widthMm / 2
}

/** What a rig's jaws hold of a blade. On a table, nothing stands against a hold. Source: docs/geometry.md, "Limits". */
export interface Grip {
  /** What stands against a hold; null where the jaws hold the blade. */
  trouble(hold: ClampPosition): GripTrouble | null
  /** Whether any steel at all lies between the jaws. */
  touches(hold: ClampPosition): boolean
  /** How little and how much the jaws can reach over the spine at the place of a hold, mm; null where they cannot. */
  depthsMm(hold: ClampPosition): readonly [leastMm: number, mostMm: number] | null
  /**
   * The same as blade heights: how little and how much the edge at an edge point can stand out of the jaws here, mm.
   */
  heightsMm(hold: ClampPosition, edgePoint: EdgePoint): readonly [leastMm: number, mostMm: number] | null
  /** The nearest hold that can be, turned alike, on a stop where one will do; null where there is none. */
  nearest(hold: ClampPosition): ClampPosition | null
}

type HeldBlade = Pick<Blade, 'edge' | 'spine' | 'widthMm' | 'primaryGrindHeightMm'>

const ON_A_TABLE: Grip = {
  trouble: () => null,
  touches: () => true,
  depthsMm: () => [-Infinity, Infinity],
  heightsMm: () => [-Infinity, Infinity],
  nearest: (hold) => hold,
}

export function gripOf(blade: HeldBlade, { jaws, stops }: Pick<Rig, 'jaws' | 'stops'>): Grip {
  if (!jaws) return ON_A_TABLE
  const deepest = deepestHoldMm(blade)
  const outline = outlineOf(blade)
  const under = (hold: ClampPosition) => underJaws(hold, jaws, outline)

  function trouble(hold: ClampPosition): GripTrouble | null {
    for (const there of under(hold)) {
      if (!there) return 'off-the-blade'
      const { y, spine, edge } = there
      if (y - spine < LEAST_HELD_MM) return 'too-little-held'
      if (y > deepest + spine) return 'off-the-flat'
      if (y > edge - CLEAR_OF_EDGE_MM) return 'into-the-edge'
    }
    return null
  }
  function depthsMm(hold: ClampPosition): readonly [number, number] | null {
    let [least, most] = [-Infinity, Infinity]
    for (const there of under(hold)) {
      if (!there) return null
      const { y, spine, edge } = there
      least = Math.max(least, hold.bladeYMm + spine + LEAST_HELD_MM - y)
      most = Math.min(most, hold.bladeYMm + Math.min(deepest + spine, edge - CLEAR_OF_EDGE_MM) - y)
    }
    return least <= most ? [least, most] : null
  }
  function heightsMm(hold: ClampPosition, edgePoint: EdgePoint): readonly [number, number] | null {
    const depths = depthsMm(hold)
    const height = (depth: number) =>
      bladeHeightMm(edgePoint, hold) + (hold.bladeYMm - depth) * Math.cos(radians(hold.turnDeg))
    return depths && [height(depths[1]), height(depths[0])]
  }
  function nearest(hold: ClampPosition): ClampPosition | null {
    let best: { hold: ClampPosition; byMm: number } | null = null
    const farthest = curveLength(blade.edge) + jaws!.widthMm
    for (let along = 0; along <= Math.min(farthest, best?.byMm ?? Infinity); along += STEP_MM)
      for (const to of along === 0 ? [0] : [along, -along]) {
        const there = moved(hold, to, 0)
        const depths = depthsMm(there)
        if (!depths) continue
        const bladeYMm = depthNearest(there.bladeYMm, depths)
        const byMm = Math.hypot(to, bladeYMm - there.bladeYMm)
        if (!best || byMm < best.byMm) best = { hold: { ...there, bladeYMm }, byMm }
      }
    return best?.hold ?? null
  }
  function depthNearest(depthMm: number, [least, most]: readonly [number, number]): number {
    const can = stops.map((stop) => stop.depthMm).filter((depth) => depth >= least && depth <= most)
    const onStop = can.sort((a, b) => Math.abs(a - depthMm) - Math.abs(b - depthMm))[0]
    const within = Math.min(WITHIN_MM, (most - least) / 2)
    return onStop ?? clamp(depthMm, [least + within, most - within])
  }
  return {
    trouble,
    touches: (hold) => [...under(hold)].some((there) => there && there.y > there.spine),
    depthsMm,
    heightsMm,
    nearest,
  }
}

type Outline = (x: number) => { spine: number; edge: number } | null

/** Places along the front of the jaws: how far they reach, and where spine and edge are there, in the blade's frame. */
function* underJaws(hold: ClampPosition, { widthMm }: JawSet, outline: Outline) {
  const frame = clampFrame(hold)
  for (let i = 0; i < ALONG_JAWS; i++) {
    const [x, y] = toBladeFrame([widthMm * (i / (ALONG_JAWS - 1) - 0.5), 0], frame)
    const here = outline(x)
    yield here && { y, ...here }
  }
}

const TABLE = 200
const known = new WeakMap<HeldBlade, Outline>()

/** Where spine and edge stand over each place along a blade, mm; null beyond its ends. Worked out once for a blade. */
function outlineOf(of: HeldBlade): Outline {
  const before = known.get(of)
  if (before) return before
  const edge = sampled(evenEdgePoints(of.edge, TABLE))
  const spine = of.spine && curveLength(of.spine) > 0 ? sampled(evenEdgePoints(of.spine, TABLE)) : null
  const outline: Outline = (x) => {
    const onEdge = edge(x)
    return onEdge === null ? null : { edge: onEdge, spine: spine?.(x) ?? 0 }
  }
  known.set(of, outline)
  return outline
}

/** A curve's y by x: the last of its pieces over a place counts. */
function sampled(edgePoints: readonly EdgePoint[]): (x: number) => number | null {
  const xs = edgePoints.map((edgePoint) => edgePoint.point[0])
  const [least, most] = [Math.min(...xs), Math.max(...xs)]
  const bins = new Array<number | null>(TABLE + 1).fill(null)
  const bin = (x: number) => Math.round(((x - least) / Math.max(most - least, 1e-9)) * TABLE)
  for (const { point } of edgePoints) bins[bin(point[0])] = point[1]
  for (let i = 1; i <= TABLE; i++) bins[i] ??= bins[i - 1] ?? null
  return (x) => (x < least - 1e-9 || x > most + 1e-9 ? null : (bins[Math.min(TABLE, Math.max(0, bin(x)))] ?? null))
}

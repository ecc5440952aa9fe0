import { shoulderDepthMm } from '../../records/blade/shoulder'
import { bladeThere } from '../../records/blade/taper'
import type { Blade } from '../../records/blade/blade'
import type { Rest } from '../../records/job/clampPosition'
import { evenEdgePoints } from '../../math/curve/edgePoints'
import { nth } from '../../math/list'
import { degrees } from '../../math/units/angle'
import { turn } from '../../math/vector/polygon'
import type { Vec2 } from '../../math/vector/vec2'

/** The lines along a blade's lower face between which it is flat across, from the spine to the edge. */
type Line = 'spine' | 'grind-end' | 'shoulder'
const LINES = ['spine', 'grind-end', 'shoulder'] as const satisfies readonly Line[]

/** A place of a blade's lower face that can touch a table. */
interface SupportPlace {
  readonly line: Line
  /** Along the spine, mm, and as a share from heel (0) to tip (1). */
  readonly xMm: number
  readonly share: number
  /** Where the edge is, from the spine, mm: no line lies further out than the shoulder there. */
  readonly edgeYMm: number
}

/** The three places that a blade on a table stands on. */
export type SupportPlaces = readonly [SupportPlace, SupportPlace, SupportPlace]

/** What a blade lies on, and the three places that it rocks to when it is pressed elsewhere; null: it does not rock. */
export interface TableSupport {
  readonly rest: Rest
  readonly places: SupportPlaces
  readonly rocksTo: SupportPlaces | null
}

/** A plane in the blade's frame: how far it lies under the blade's centre plane at (0, 0), mm, and how that changes. */
export interface TablePlane {
  readonly depthMm: number
  readonly perX: number
  readonly perY: number
}

/** Less of parallel flats than this no blade lies on, mm. */
const LEAST_FLAT_MM = 1
/** So many places along the edge stand for all: its ends, and the belly between them. */
const STATIONS = 24
/** A face whose supporting planes differ by less than this from heel to tip is one plane, as a slope. */
const ONE_PLANE = 1e-4

/** Whether a blade has parallel flats to lie on; one with a flat back lies on that. */
export const hasFlats = (of: Pick<Blade, 'bevels' | 'widthMm' | 'primaryGrindHeightMm'>): boolean =>
  of.bevels === 'both' && of.widthMm - of.primaryGrindHeightMm >= LEAST_FLAT_MM

/** Where a place of the lower face is, from the spine, and how far under the centre plane, mm. */
function pointOf(of: Blade, { line, xMm, share, edgeYMm }: SupportPlace): LowerPoint {
  const { spineThicknessMm, thicknessBehindEdgeMm } = bladeThere(of, share)
  const grindEnd = of.widthMm - of.primaryGrindHeightMm
  const shoulderMm = shoulderDepthMm({ ...of, thicknessBehindEdgeMm })
  const shoulder = of.widthMm - shoulderMm
  const y = Math.min({ spine: 0, 'grind-end': grindEnd, shoulder }[line], edgeYMm - shoulderMm)
  const thins = Math.max(0, (y - grindEnd) / (shoulder - grindEnd))
  const rise = Math.max(0, spineThicknessMm - thicknessBehindEdgeMm)
  return { at: [xMm, y], depth: (thicknessBehindEdgeMm + rise * (1 - thins)) / 2 }
}
interface LowerPoint {
  readonly at: Vec2
  readonly depth: number
}

/** The plane through three places that a blade stands on. */
const tablePlaneOn = (of: Blade, places: SupportPlaces): TablePlane =>
  planeThrough(...mapped(places, (place) => pointOf(of, place)))

type Three<T> = readonly [T, T, T]
const mapped = <T, U>([a, b, c]: Three<T>, to: (one: T) => U): Three<U> => [to(a), to(b), to(c)]

function planeThrough(...[a, b, c]: Three<LowerPoint>): TablePlane {
  const [x1, y1, h1] = [b.at[0] - a.at[0], b.at[1] - a.at[1], b.depth - a.depth]
  const [x2, y2, h2] = [c.at[0] - a.at[0], c.at[1] - a.at[1], c.depth - a.depth]
  const area = x1 * y2 - x2 * y1
  const [perX, perY] = [(h1 * y2 - h2 * y1) / area, (h2 * x1 - h1 * x2) / area]
  return { depthMm: a.depth - perX * a.at[0] - perY * a.at[1], perX, perY }
}

export const depthAt = ({ depthMm, perX, perY }: TablePlane, [x, y]: Vec2): number => depthMm + perX * x + perY * y

/** Every place of a lower face that may touch the table. */
function supportPlaces({ edge }: Blade): SupportPlace[] {
  const along = evenEdgePoints(edge, STATIONS).map(({ point }) => point)
  const [from, to] = [nth(along, 0)[0], nth(along, along.length - 1)[0]]
  return along.flatMap(([xMm, edgeYMm]) =>
    LINES.map((line) => ({ line, xMm, edgeYMm, share: to > from ? (xMm - from) / (to - from) : 0 })),
  )
}

/** Where the weight of a blade lies, without its handle: by its thickness from spine to edge, station by station. */
function centreOfMass(of: Blade): Vec2 {
  const along = evenEdgePoints(of.edge, STATIONS).map(({ point }) => point)
  const [from, to] = [nth(along, 0)[0], nth(along, along.length - 1)[0]]
  const grindEnd = of.widthMm - of.primaryGrindHeightMm
  let [mass, momentX, momentY] = [0, 0, 0]
  for (let i = 1; i < along.length; i++) {
    const [[x0, y0], [x1, y1]] = [nth(along, i - 1), nth(along, i)]
    const [x, out, dx] = [(x0 + x1) / 2, (y0 + y1) / 2, x1 - x0]
    const there = bladeThere(of, to > from ? (x - from) / (to - from) : 0)
    const [thick, thin] = [there.spineThicknessMm, there.thicknessBehindEdgeMm]
    const flat = Math.min(out, Math.max(0, grindEnd))
    const face = out - flat
    const end = thick + ((thin - thick) * face) / of.primaryGrindHeightMm
    const [flatMass, faceMass] = [thick * flat * dx, ((thick + end) / 2) * face * dx]
    const middleOfFace = flat + (face * (thick + 2 * end)) / (3 * (thick + end))
    mass += flatMass + faceMass
    momentX += (flatMass + faceMass) * x
    momentY += flatMass * (flat / 2) + faceMass * middleOfFace
  }
  return [momentX / mass, momentY / mass]
}

/** Beyond every blade, mm, and far above it, so that no face is as steep as from there: where the search begins. */
const FAR_MM = 5000
const HIGH_MM = 100 * FAR_MM
/** A place under the plane by less than this lies on it, mm. */
const TOUCHES_MM = 1e-9

/**
 * The three places on which a body lies when it is pressed down at a place: of all triangles of them around it the one
 * that lies lowest there (the simplex method on the convex hull's lower side); null where the place is outside of all.
 */
function supportAt(of: Blade, places: readonly SupportPlace[], pressed: Vec2): SupportPlaces | null {
  const far = (x: number, y: number): LowerPoint => ({ at: [x, y], depth: -HIGH_MM })
  const points = [
    ...places.map((place) => pointOf(of, place)),
    far(-FAR_MM, -FAR_MM),
    far(3 * FAR_MM, -FAR_MM),
    far(-FAR_MM, 3 * FAR_MM),
  ]
  const n = places.length
  let on: Three<number> = [n, n + 1, n + 2]
  const pointsOf = (three: Three<number>) => mapped(three, (i) => nth(points, i))
  for (let step = 0; step < 200; step++) {
    const plane = planeThrough(...pointsOf(on))
    const above = points.map(({ at, depth }) => depth - depthAt(plane, at))
    const lowest = above.reduce((best, one, i) => (one > nth(above, best) ? i : best), 0)
    if (nth(above, lowest) <= TOUCHES_MM) break
    const [a, b, c] = on
    const next = (
      [
        [lowest, b, c],
        [a, lowest, c],
        [a, b, lowest],
      ] satisfies Three<number>[]
    )
      .map((three) => ({ three, inside: insideBy(pointsOf(three), pressed) }))
      .reduce((best, one) => (one.inside > best.inside ? one : best))
    on = next.three
  }
  return on.some((i) => i >= n) ? null : mapped(on, (i) => nth(places, i))
}

/** The least of a point's three shares in a triangle's corners: negative outside; -Infinity where they are in line. */
function insideBy(corners: Three<LowerPoint>, at: Vec2): number {
  const [a, b, c] = mapped(corners, (corner) => corner.at)
  const all = turn(a, b, c)
  return Math.abs(all) < 1e-9 ? -Infinity : Math.min(turn(at, b, c) / all, turn(a, at, c) / all, turn(a, b, at) / all)
}

/** Where on the face, from heel (0) to tip (1), a hand may press. */
const PRESSED = [0.1, 0.9] as const

/**
 * What a blade lies on, all of it as one solid: on the facet of its lower hull under the centre of its mass, or, where
 * a hand holds it on its face, under the middle of that; on its flats where it is said so. A face that is no plane,
 * since the blade thins along its length, has more than one facet: it rocks to another one when it is pressed near the
 * heel or the tip. A handle is not weighed. Source: docs/geometry.md, "Rigs", table with post.
 */
export function tableSupport(of: Blade, said: Rest | undefined): TableSupport {
  const bySaid = known.get(of) ?? new Map<Rest | undefined, TableSupport>()
  known.set(of, bySaid)
  const support = bySaid.get(said) ?? newSupport(of, said)
  bySaid.set(said, support)
  return support
}
/** A blade never changes; where it lies is asked for with every drag. */
const known = new WeakMap<Blade, Map<Rest | undefined, TableSupport>>()

function newSupport(of: Blade, said: Rest | undefined): TableSupport {
  const all = supportPlaces(of)
  const places = all.filter((place) => pointOf(of, place).at[1] >= 0)
  const [flats, mass] = [flatsOf(all), centreOfMass(of)]
  const byWeight = supportAt(of, places, mass)
  const isFlat = hasFlats(of) && (!byWeight || byWeight.every(({ line }) => line !== 'shoulder'))
  if (hasFlats(of) && (said ?? (isFlat ? 'flats' : 'face')) === 'flats')
    return { rest: 'flats', places: flats, rocksTo: null }
  const grindEnd = Math.max(0, of.widthMm - of.primaryGrindHeightMm)
  /** The middle of the face beside a place of the edge. */
  const onFace = ({ xMm, edgeYMm }: SupportPlace): Vec2 => [xMm, (Math.min(grindEnd, edgeYMm) + edgeYMm) / 2]
  const beside = (xMm: number) => all.reduce((best, one) => (away(one, xMm) < away(best, xMm) ? one : best))
  const lies = (isFlat ? null : byWeight) ?? supportAt(of, places, onFace(beside(mass[0]))) ?? flats
  const [other] = PRESSED.map((share) =>
    supportAt(of, places, onFace(nth(all, LINES.length * Math.round(share * (STATIONS - 1))))),
  )
    .flatMap((pressed) => (pressed ? [{ pressed, by: apart(of, lies, pressed) }] : []))
    .sort((a, b) => b.by - a.by)
  return { rest: 'face', places: lies, rocksTo: other && other.by > ONE_PLANE ? other.pressed : null }
}

/** Its flats from heel to tip: the spine's two ends, and where the grind ends over the heel. */
const flatsOf = (all: readonly SupportPlace[]): SupportPlaces => [
  nth(all, 0),
  nth(all, all.length - LINES.length),
  nth(all, 1),
]
const away = ({ xMm }: SupportPlace, x: number): number => Math.abs(xMm - x)

/** How far two planes that a blade lies on are aslant to each other, as a slope. */
function apart(of: Blade, one: SupportPlaces, other: SupportPlaces): number {
  const [a, b] = [tablePlaneOn(of, one), tablePlaneOn(of, other)]
  return Math.hypot(a.perX - b.perX, a.perY - b.perY)
}

/** How far a blade rocks on its face, degrees; 0 where it lies on one plane. */
export const rocksByDeg = (of: Blade, { places, rocksTo }: TableSupport): number =>
  rocksTo ? degrees(Math.atan(apart(of, places, rocksTo))) : 0

/** The plane that a blade lies on, rocked by so many degrees towards the other one. */
export function tablePlane(of: Blade, support: TableSupport, rockedDeg = 0): TablePlane {
  const lies = tablePlaneOn(of, support.places)
  if (rockedDeg === 0 || !support.rocksTo) return lies
  const other = tablePlaneOn(of, support.rocksTo)
  const share = rockedDeg / rocksByDeg(of, support)
  const between = (part: keyof TablePlane) => lies[part] + (other[part] - lies[part]) * share
  return { depthMm: between('depthMm'), perX: between('perX'), perY: between('perY') }
}

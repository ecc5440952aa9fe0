import { shoulderDepthMm } from '../../records/blade/shoulder'
import { bladeThere } from '../../records/blade/taper'
import type { Blade } from '../../records/blade/blade'
import type { Rest } from '../../records/job/clampPosition'
import { evenEdgePoints } from '../../math/curve/edgePoints'
import { lastOf, nth } from '../../math/list'
import { degrees } from '../../math/units/angle'
import { clamp } from '../../math/units/figures'
import {
  lowestFacet,
  mapThree,
  planeThrough,
  type DeepPlane,
  type DeepPoint,
  type Three,
} from '../../math/vector/lowestFacet'
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
export type SupportPlaces = Three<SupportPlace>

/** What a blade lies on, and the three places that it rocks to when it is pressed elsewhere; null: it does not rock. */
export interface TableSupport {
  readonly rest: Rest
  readonly places: SupportPlaces
  readonly rocksTo: SupportPlaces | null
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
function pointOf(of: Blade, { line, xMm, share, edgeYMm }: SupportPlace): DeepPoint {
  const { spineThicknessMm, thicknessBehindEdgeMm } = bladeThere(of, share)
  const grindEnd = of.widthMm - of.primaryGrindHeightMm
  const shoulderMm = shoulderDepthMm({ ...of, thicknessBehindEdgeMm })
  const shoulder = of.widthMm - shoulderMm
  const y = Math.min({ spine: 0, 'grind-end': grindEnd, shoulder }[line], edgeYMm - shoulderMm)
  const thins = Math.max(0, (y - grindEnd) / (shoulder - grindEnd))
  const rise = Math.max(0, spineThicknessMm - thicknessBehindEdgeMm)
  return { at: [xMm, y], depthMm: (thicknessBehindEdgeMm + rise * (1 - thins)) / 2 }
}

/** The plane through three places that a blade stands on. */
const tablePlaneOn = (of: Blade, places: SupportPlaces): DeepPlane =>
  planeThrough(mapThree(places, (place) => pointOf(of, place)))

/** Places along a blade's edge, and how far each is along the spine, from heel (0) to tip (1). */
function stationsOf({ edge }: Pick<Blade, 'edge'>): Omit<SupportPlace, 'line'>[] {
  const along = evenEdgePoints(edge, STATIONS).map(({ point }) => point)
  const [from, to] = [nth(along, 0)[0], lastOf(along)[0]]
  return along.map(([xMm, edgeYMm]) => ({ xMm, edgeYMm, share: to > from ? (xMm - from) / (to - from) : 0 }))
}

/** Where the weight of a blade lies, without its handle: by its thickness from spine to edge, station by station. */
function centreOfMass(of: Blade): Vec2 {
  const stations = stationsOf(of)
  const flatMm = Math.max(0, of.widthMm - of.primaryGrindHeightMm)
  let [mass, momentX, momentY] = [0, 0, 0]
  for (let i = 1; i < stations.length; i++) {
    const [one, other] = [nth(stations, i - 1), nth(stations, i)]
    const [x, out, dx] = [(one.xMm + other.xMm) / 2, (one.edgeYMm + other.edgeYMm) / 2, other.xMm - one.xMm]
    const there = bladeThere(of, (one.share + other.share) / 2)
    const [thick, thin] = [there.spineThicknessMm, there.thicknessBehindEdgeMm]
    const flat = Math.min(out, flatMm)
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
  const stations = stationsOf(of)
  const on =
    (line: Line) =>
    (station: (typeof stations)[number]): SupportPlace => ({ ...station, line })
  const places = LINES.flatMap((line) => stations.map(on(line))).filter((place) => pointOf(of, place).at[1] >= 0)
  const points = places.map((place) => pointOf(of, place))
  const pressedAt = (at: Vec2): SupportPlaces | null => {
    const facet = lowestFacet(points, at)
    return facet && mapThree(facet, (i) => nth(places, i))
  }
  const [heel, tip] = [nth(stations, 0), lastOf(stations)]
  const flats: SupportPlaces = [on('spine')(heel), on('spine')(tip), on('grind-end')(heel)]
  const mass = centreOfMass(of)
  const byWeight = pressedAt(mass)
  const tipsOver = byWeight?.some(({ line }) => line === 'shoulder') ?? false
  const rest = hasFlats(of) ? (said ?? (tipsOver ? 'face' : 'flats')) : 'face'
  if (rest === 'flats') return { rest, places: flats, rocksTo: null }
  const flatMm = Math.max(0, of.widthMm - of.primaryGrindHeightMm)
  /** Pressed on the middle of its face, so far from heel (0) to tip (1). */
  const pressedOnFace = (share: number) => {
    const { xMm, edgeYMm } = nth(stations, Math.round(share * (stations.length - 1)))
    return pressedAt([xMm, (Math.min(flatMm, edgeYMm) + edgeYMm) / 2])
  }
  const overMass = (mass[0] - heel.xMm) / Math.max(1, tip.xMm - heel.xMm)
  const lies = (tipsOver ? byWeight : pressedOnFace(clamp(overMass, [0, 1]))) ?? flats
  const others = PRESSED.map(pressedOnFace)
    .filter((its) => its !== null)
    .map((its) => ({ its, by: apart(of, lies, its) }))
    .filter(({ by }) => by > ONE_PLANE)
  return { rest, places: lies, rocksTo: others.toSorted((a, b) => b.by - a.by)[0]?.its ?? null }
}

/** How far two planes that a blade lies on are aslant to each other, as a slope. */
function apart(of: Blade, one: SupportPlaces, other: SupportPlaces): number {
  const [a, b] = [tablePlaneOn(of, one), tablePlaneOn(of, other)]
  return Math.hypot(a.perX - b.perX, a.perY - b.perY)
}

/** How far a blade rocks on its face, degrees; 0 where it lies on one plane. */
export const rocksByDeg = (of: Blade, { places, rocksTo }: TableSupport): number =>
  rocksTo ? degrees(Math.atan(apart(of, places, rocksTo))) : 0

/** The plane that a blade lies on, rocked by so many degrees towards the other one. */
export function tablePlane(of: Blade, support: TableSupport, rockedDeg = 0): DeepPlane {
  const lies = tablePlaneOn(of, support.places)
  if (rockedDeg === 0 || !support.rocksTo) return lies
  const other = tablePlaneOn(of, support.rocksTo)
  const share = rockedDeg / rocksByDeg(of, support)
  const between = (part: keyof DeepPlane) => lies[part] + (other[part] - lies[part]) * share
  return { depthMm: between('depthMm'), perX: between('perX'), perY: between('perY') }
}

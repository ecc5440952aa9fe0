import { contactAt } from '../angle/contact'
import { lowestAngleOverJawsDeg } from '../rig/jawClearance'
import type { Side } from '../clamping/centring'
import { clampFrame, toBladeFrame } from '../clamping/clampFrame'
import type { ClampPosition } from '../clamping/clampPosition'
import { curveLength } from '../curve/arcLength'
import { evenStations, type Station } from '../curve/stations'
import type { Blade } from '../blade/blade'
import { heightRange } from '../rig/dial'
import { reacherAt, type Setup } from '../setup/setup'

/** Why a blade cannot be held so. */
export type HoldTrouble =
  | 'off-the-blade'
  | 'too-little-held'
  | 'off-the-flat'
  | 'into-the-edge'
  | 'height-out-of-rig'
  | 'rod-too-short'
  | 'stops-too-near'
  | 'stone-meets-jaws'

/** Less steel than this between the jaws does not hold, mm. */
export const LEAST_HELD_MM = 4
/** The jaws stay at least this far from the edge, mm. */
const CLEAR_OF_EDGE_MM = 3
const ALONG_JAWS = 5
const ALONG_EDGE = 9

/**
 * How deep the jaws may reach onto a blade from its spine, mm: as far as its flat goes where it has one that holds (a
 * sabre or hollow grind), else half of its width.
 */
export function deepestHoldMm(of: Pick<Blade, 'widthMm' | 'primaryGrindHeightMm'>): number {
  const flat = of.widthMm - of.primaryGrindHeightMm
  return flat >= LEAST_HELD_MM ? flat : of.widthMm / 2
}

/**
 * Judges ways of holding a job's blade by what its jaws, its rod and its rig can do: answers what stands against one
 * (the jaws' grip first), or null. The places of the edge that must be reached are `stations`. Source:
 * docs/geometry.md, "Limits".
 */
export function holdLimits(
  setup: Setup,
  side: Side,
  stations: readonly Station[],
): (hold: ClampPosition, pivotHeightMm: number) => HoldTrouble | null {
  const { rig, blade } = setup
  const { lowestMm, highestMm } = heightRange(rig)
  const outline = outlineHeights(blade)
  const deepest = deepestHoldMm(blade)
  const every = Math.max(1, Math.floor((stations.length - 1) / (ALONG_EDGE - 1)))
  const reached = stations.filter((_, i) => i % every === 0 || i === stations.length - 1)
  return (hold, pivotHeightMm) => {
    const grip = rig.jaws ? gripTrouble(hold, rig.jaws.widthMm) : null
    if (grip) return grip
    if (pivotHeightMm < lowestMm - 1e-9 || pivotHeightMm > highestMm + 1e-9) return 'height-out-of-rig'
    const at = { ...setup, hold }
    const over = reacherAt(at, side, pivotHeightMm)
    for (const station of reached) {
      const contact = contactAt(station, hold, over)
      if (contact.ok) {
        const lowest = rig.jaws && lowestAngleOverJawsDeg(contact, rig.jaws, setup.stone, rig.stroke)
        if (lowest !== null && lowest > contact.edgeAngleDeg) return 'stone-meets-jaws'
      } else if (contact.reason === 'before-stop') return 'stops-too-near'
      else return 'rod-too-short'
    }
    return null
  }

  function gripTrouble(hold: ClampPosition, widthMm: number): HoldTrouble | null {
    const frame = clampFrame(hold)
    for (let i = 0; i < ALONG_JAWS; i++) {
      const [x, y] = toBladeFrame([widthMm * (i / (ALONG_JAWS - 1) - 0.5), 0], frame)
      const here = outline(x)
      if (!here) return 'off-the-blade'
      if (y - here.spine < LEAST_HELD_MM) return 'too-little-held'
      if (y > deepest + here.spine) return 'off-the-flat'
      if (y > here.edge - CLEAR_OF_EDGE_MM) return 'into-the-edge'
    }
    return null
  }
}

const TABLE = 200

/** Where spine and edge stand over each place along a blade, mm; null beyond its ends. */
function outlineHeights(of: Pick<Blade, 'edge' | 'spine'>): (x: number) => { spine: number; edge: number } | null {
  const edge = sampled(evenStations(of.edge, TABLE))
  const spine = of.spine && curveLength(of.spine) > 0 ? sampled(evenStations(of.spine, TABLE)) : null
  return (x) => {
    const onEdge = edge(x)
    return onEdge === null ? null : { edge: onEdge, spine: spine?.(x) ?? 0 }
  }
}

/** A curve's y by x: the last of its pieces over a place counts. */
function sampled(stations: readonly Station[]): (x: number) => number | null {
  const xs = stations.map((station) => station.point[0])
  const [least, most] = [Math.min(...xs), Math.max(...xs)]
  const bins = new Array<number | null>(TABLE + 1).fill(null)
  const bin = (x: number) => Math.round(((x - least) / Math.max(most - least, 1e-9)) * TABLE)
  for (const { point } of stations) bins[bin(point[0])] = point[1]
  for (let i = 1; i <= TABLE; i++) bins[i] ??= bins[i - 1] ?? null
  return (x) => (x < least - 1e-9 || x > most + 1e-9 ? null : (bins[Math.min(TABLE, Math.max(0, bin(x)))] ?? null))
}

import { seatedAt } from '../geometry/contact/contact'
import { edgeAngle } from '../math/edgeAngle/edgeAngle'
import { pedalAt } from '../geometry/contact/pedal'
import type { Blade } from '../records/blade/blade'
import { moved } from '../geometry/clamping/bladeHeight'
import type { Side } from '../records/common/side'
import type { GrippedHold } from '../geometry/clamping/centring'
import type { TableHold } from '../geometry/clamping/restingCentrePlane'
import { tableSupport } from '../geometry/clamping/tableSupport'
import { restsOnTable } from '../records/rig/kinds'
import { clampFrame } from '../geometry/clamping/clampFrame'
import type { EdgePoint } from '../math/curve/edgePoints'
import { rodPoseAt, type Setup } from '../geometry/setup/setup'
import { radians } from '../math/units/angle'
import { add, dot, leftOf, rotate, scale, subtract } from '../math/vector/vec2'
import type { MeasureId } from './measures'

/** How far measures are off what was written down, mm or degrees. */
export type Shifts = { readonly [id in MeasureId]?: number }

/** A bench whose measures are off by so much: the setup, and where its pivot stands. */
export interface ShiftedBench {
  readonly setup: Setup
  readonly pivotHeightMm: number
}

/**
 * Gives the bench as it is when measures are off by so much, on one side. Made once for many shifts, since samples ask
 * for thousands: each answer is the same bench, put off anew. Source: docs/geometry.md, "Uncertainty".
 */
export function benchShifter(setup: Setup, side: Side, pivotHeightMm: number): (shifts: Shifts) => ShiftedBench {
  const { rig, stone, hold, blade } = setup
  // However thick it is, it stands on the same places.
  const onTable = restsOnTable(rig) && blade.bevels === 'both' ? { support: tableSupport(blade, hold.restsOn) } : {}
  const heightId: MeasureId = side === 'B' && rig.pivotB !== null ? 'pivot-height-b' : 'pivot-height'
  const [pivot, pivotB] = [{ ...rig.pivot }, rig.pivotB && { ...rig.pivotB }]
  const off: { -readonly [K in keyof Setup]: Setup[K] } & {
    stone: { faceOffsetMm: number }
    hold: GrippedHold & TableHold
  } = {
    ...setup,
    rig: { ...rig, pivot, pivotB },
    stone: { ...stone },
    hold: { ...hold },
  }
  const bench = { setup: off, pivotHeightMm }
  return (shifts) => {
    const by = (id: MeasureId) => shifts[id] ?? 0
    pivot.setbackMm = rig.pivot.setbackMm + by('setback')
    pivot.alongMm = rig.pivot.alongMm + by('pivot-along')
    if (pivotB && rig.pivotB) {
      pivotB.setbackMm = rig.pivotB.setbackMm + by('setback-b')
      pivotB.alongMm = rig.pivotB.alongMm + by('pivot-along')
    }
    off.stone.faceOffsetMm = stone.faceOffsetMm + by('face-offset')
    const at = moved(hold, by('blade-along'), by('blade-height'))
    off.hold = {
      ...at,
      turnDeg: at.turnDeg + by('turn'),
      centreOffsetMm: at.centreOffsetMm + by('centre-offset'),
      tiltDeg: at.tiltDeg + by('tilt'),
      twistDeg: by('twist'),
      ...onTable,
      rockedDeg: by('rocking'),
    }
    off.blade = thicker(blade, by('spine-thickness'), by('thickness-behind-edge'), by('grind-height'))
    bench.pivotHeightMm = pivotHeightMm + by(heightId) + by('pivot-play')
    return bench
  }
}

/** A blade as it is when its thicknesses and the height of its grind are off by so much, mm. */
function thicker(of: Blade, spine: number, behindEdge: number, grindHeight: number): Blade {
  if (spine === 0 && behindEdge === 0 && grindHeight === 0) return of
  const more = (mm: number | null, by: number) => mm && mm + by
  return {
    ...of,
    spineThicknessMm: of.spineThicknessMm + spine,
    spineThicknessTipMm: more(of.spineThicknessTipMm, spine),
    thicknessBehindEdgeMm: Math.max(0, of.thicknessBehindEdgeMm + behindEdge),
    thicknessBehindEdgeTipMm: more(of.thicknessBehindEdgeTipMm, behindEdge),
    primaryGrindHeightMm: of.primaryGrindHeightMm + grindHeight,
  }
}

/**
 * An edge point of an edge that runs so much more towards the spine there, degrees, and lies so much further out, mm.
 */
function edgeOff(edgePoint: EdgePoint, deg: number, outMm: number): EdgePoint {
  if (deg === 0 && outMm === 0) return edgePoint
  return {
    ...edgePoint,
    point: add(edgePoint.point, scale(leftOf(edgePoint.heading), outMm)),
    heading: rotate(edgePoint.heading, -radians(deg)),
  }
}

/**
 * Gives the edge angle (degrees) at an edge point when measures are off by so much; null where there is none. Reach
 * does not count: a rod that is a little short does not change the angle. Source: as above.
 */
export function edgeAngleShifter(
  setup: Setup,
  side: Side,
  pivotHeightMm: number,
  edgePoint: EdgePoint,
): (shifts: Shifts) => number | null {
  const shifted = benchShifter(setup, side, pivotHeightMm)
  const seated = seatedAt(edgePoint, rodPoseAt(setup, side, pivotHeightMm))
  return (shifts) => {
    const { setup: off, pivotHeightMm: standsMm } = shifted(shifts)
    const over = rodPoseAt(off, side, standsMm)
    const there = edgeOff(seated, shifts['edge-heading'] ?? 0, shifts['edge-place'] ?? 0)
    const { point, foot, distanceMm, heightMm } = pedalAt(there, clampFrame(off.hold), over, shifts['slot-place'] ?? 0)
    const angle = edgeAngle(heightMm, distanceMm, over.faceOffsetMm)
    if (!angle.ok) return null
    const tiltedFace = shifts['face-shape'] ?? 0
    if (tiltedFace === 0) return angle.edgeAngleDeg
    // A face tilted along the rod turns about the tangent: by more than its tilt where the rod runs aslant to that.
    const away = subtract(point, foot)
    const acrossMm2 = distanceMm ** 2 + heightMm ** 2 - over.faceOffsetMm ** 2
    const alongMm2 = dot(away, away) - distanceMm ** 2
    return angle.edgeAngleDeg + tiltedFace * Math.sqrt(1 + Math.max(0, alongMm2) / acrossMm2)
  }
}

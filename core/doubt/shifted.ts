import { edgeAngle } from '../angle/edgeAngle'
import { pedalAt } from '../angle/pedal'
import { moved } from '../clamping/bladeHeight'
import type { Side } from '../clamping/centring'
import { clampFrame } from '../clamping/clampFrame'
import type { Station } from '../curve/stations'
import { reacherAt, type Job } from '../setup/job'
import { dot, subtract } from '../vector/vec2'
import type { MeasureId } from './measures'

/** How far measures are off what was written down, mm or degrees. */
export type Shifts = { readonly [id in MeasureId]?: number }

/**
 * The edge angle (degrees) at a station when measures are off by so much; null where there is none. Reach does not count: a
 * rod that is a little short does not change the angle. Source: docs/geometry.md, "How sure is it".
 */
export function edgeAngleShifted(job: Job, side: Side, pivotHeightMm: number, station: Station, shifts: Shifts): number | null {
  const { rig, stone } = job
  const ownArm = side === 'B' && rig.pivotB !== null
  const by = (id: MeasureId) => shifts[id] ?? 0
  const place = (of: { setbackMm: number; alongMm: number }, setback: MeasureId) => ({ setbackMm: of.setbackMm + by(setback), alongMm: of.alongMm + by('pivot-along') })
  const at = moved(job.held, by('blade-along'), by('blade-height'))
  const held = {
    ...at,
    turnDeg: at.turnDeg + by('turn'),
    centreOffsetMm: at.centreOffsetMm + by('centre-offset'),
    tiltDeg: at.tiltDeg + by('tilt'),
  }
  const off: Job = {
    ...job,
    rig: { ...rig, pivot: place(rig.pivot, 'setback'), pivotB: rig.pivotB && place(rig.pivotB, 'setback-b') },
    stone: { ...stone, faceOffsetMm: stone.faceOffsetMm + by('face-offset') },
    held,
  }
  const over = reacherAt(off, side, pivotHeightMm + by(ownArm ? 'pivot-height-b' : 'pivot-height') + by('pivot-play'))
  const { distanceMm, point, foot } = pedalAt(station, clampFrame(held), over.pivot, over.slideMm)
  const angle = edgeAngle(over.pivot.w, distanceMm, over.faceOffsetMm)
  if (!angle.ok) return null
  const tiltedFace = by('face-shape')
  if (tiltedFace === 0) return angle.edgeAngleDeg
  // A face tilted along the rod tilts the bevel as far as the rod is square to the edge.
  const away = subtract(point, foot)
  return angle.edgeAngleDeg + tiltedFace * (distanceMm / Math.sqrt(dot(away, away)))
}

import type { Station } from '../curve/stations'
import type { DialSetting } from '../rig/heightReading'
import { contactFor, type Job } from '../setup/job'

export const SIDE_CAUSES = ['centre-offset', 'tilt', 'arms', 'pivot-along', 'dials'] as const
export type SideCause = (typeof SIDE_CAUSES)[number]

export interface SideDifference {
  /** The edge angle on A less the one on B, degrees; null where a side has none. */
  readonly differenceDeg: number | null
  /**
   * What each cause adds to it: what would go if that cause alone were put right. Causes that add nothing are left out.
   */
  readonly shares: readonly { readonly cause: SideCause; readonly deg: number }[]
}

/** Less than this is not told. */
const LEAST_DEG = 0.005

/** How far the two sides differ at a station, and why. Source: docs/geometry.md, "The two sides". */
export function sideDifference(
  job: Job,
  dialled: { a: DialSetting; b: DialSetting },
  station: Station,
): SideDifference {
  const between = (at: Job, dials = dialled): number | null => {
    const [a, b] = [contactFor(at, 'A', dials.a, station), contactFor(at, 'B', dials.b, station)]
    return a.ok && b.ok ? a.edgeAngleDeg - b.edgeAngleDeg : null
  }
  const differenceDeg = between(job)
  const { rig, held } = job
  const onMiddle = (place: Job['rig']['pivot']) => ({ ...place, alongMm: 0 })
  const without: Record<SideCause, () => number | null> = {
    'centre-offset': () => between({ ...job, held: { ...held, centreOffsetMm: 0 } }),
    tilt: () => between({ ...job, held: { ...held, tiltDeg: 0 } }),
    arms: () => between({ ...job, rig: { ...rig, pivotB: rig.pivotB && rig.pivot } }),
    'pivot-along': () =>
      between({ ...job, rig: { ...rig, pivot: onMiddle(rig.pivot), pivotB: rig.pivotB && onMiddle(rig.pivotB) } }),
    dials: () => between(job, { a: dialled.a, b: dialled.a }),
  }
  const shares = SIDE_CAUSES.flatMap((cause) => {
    const left = without[cause]()
    const deg = differenceDeg === null || left === null ? 0 : differenceDeg - left
    return Math.abs(deg) < LEAST_DEG ? [] : [{ cause, deg }]
  })
  return { differenceDeg, shares: shares.sort((a, b) => Math.abs(b.deg) - Math.abs(a.deg)) }
}

import type { PerSide } from '../../records/common/side'
import type { EdgePoint } from '../../math/curve/edgePoints'
import type { DialSetting } from '../../records/rig/dials/readings'
import { contactFor, type Setup } from '../setup/setup'

const SIDE_CAUSES = ['centre-offset', 'tilt', 'arms', 'pivot-along', 'dials'] as const
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

/** How far the two sides differ at an edge point, and why. Source: docs/geometry.md, "The two sides". */
export function sideDifference(setup: Setup, dialled: PerSide<DialSetting>, edgePoint: EdgePoint): SideDifference {
  const between = (at: Setup, dials = dialled): number | null => {
    const [a, b] = [contactFor(at, 'A', dials.A, edgePoint), contactFor(at, 'B', dials.B, edgePoint)]
    return a.ok && b.ok ? a.edgeAngleDeg - b.edgeAngleDeg : null
  }
  const differenceDeg = between(setup)
  const { rig, hold } = setup
  const onMiddle = (place: Setup['rig']['pivot']) => ({ ...place, alongMm: 0 })
  const without: Record<SideCause, () => number | null> = {
    'centre-offset': () => between({ ...setup, hold: { ...hold, centreOffsetMm: 0 } }),
    tilt: () => between({ ...setup, hold: { ...hold, tiltDeg: 0 } }),
    arms: () => between({ ...setup, rig: { ...rig, pivotB: rig.pivotB && rig.pivot } }),
    'pivot-along': () =>
      between({ ...setup, rig: { ...rig, pivot: onMiddle(rig.pivot), pivotB: rig.pivotB && onMiddle(rig.pivotB) } }),
    dials: () => between(setup, { A: dialled.A, B: dialled.A }),
  }
  const shares = SIDE_CAUSES.flatMap((cause) => {
    const left = without[cause]()
    const deg = differenceDeg === null || left === null ? 0 : differenceDeg - left
    return Math.abs(deg) < LEAST_DEG ? [] : [{ cause, deg }]
  })
  return { differenceDeg, shares: shares.sort((a, b) => Math.abs(b.deg) - Math.abs(a.deg)) }
}

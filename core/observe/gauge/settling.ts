import { nth } from '../../math/list'

/** What a gauge's last readings come to. */
export interface Settling {
  readonly deg: number
  /** Half-width of the range that holds 95 in 100 such means, degrees: noise, and how far it still creeps. */
  readonly uncertaintyDeg: number
  /** It has come to rest: what it shows can be held. */
  readonly settled: boolean
}

const WINDOW_MS = 1500
const LEAST_READINGS = 5
/** At rest it stays within this, and creeps no faster, degrees and degrees a second. */
const AT_REST = { withinDeg: 0.25, perSecondDeg: 0.05 }
/** Student’s factor for 95 in 100 with about seven readings. */
const OF_FEW = 2.4

/** Follows a needle until it has come to rest: give it each reading with its time. Source: docs/gauge-protocol.md. */
export function settling(): (atMs: number, deg: number) => Settling {
  let seen: { atMs: number; deg: number }[] = []
  return (atMs, deg) => {
    seen = [...seen.filter((one) => one.atMs > atMs - WINDOW_MS && one.atMs <= atMs), { atMs, deg }]
    const n = seen.length
    const mean = seen.reduce((sum, one) => sum + one.deg, 0) / n
    const middleMs = seen.reduce((sum, one) => sum + one.atMs, 0) / n
    const spread = seen.reduce((sum, one) => sum + (one.atMs - middleMs) ** 2, 0)
    const slope = spread > 0 ? seen.reduce((sum, one) => sum + (one.atMs - middleMs) * one.deg, 0) / spread : 0
    const perSecondDeg = Math.abs(slope) * 1000
    const sigma = Math.sqrt(seen.reduce((sum, one) => sum + (one.deg - mean) ** 2, 0) / Math.max(1, n - 1))
    const within = Math.max(...seen.map((one) => one.deg)) - Math.min(...seen.map((one) => one.deg))
    // The needle creeps up on its place: the newer half of what it showed is nearer to it.
    const newer = seen.slice(-Math.ceil(n / 2))
    return {
      deg: newer.reduce((sum, one) => sum + one.deg, 0) / newer.length,
      uncertaintyDeg: Math.hypot((OF_FEW * sigma) / Math.sqrt(newer.length), (perSecondDeg * WINDOW_MS) / 4000),
      settled:
        n >= LEAST_READINGS &&
        atMs - nth(seen, 0).atMs > WINDOW_MS / 2 &&
        within <= AT_REST.withinDeg &&
        perSecondDeg <= AT_REST.perSecondDeg,
    }
  }
}

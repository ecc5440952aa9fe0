import { randomLcg } from 'd3-random'
import { gaugeLines, type GaugeEvent } from '#core/observe/gauge/lines'
import { standInGauge } from '#core/simulation/standIn/gaugeLines'

/** What a gauge tells while it is read. */
export interface GaugeListener {
  onEvent(event: GaugeEvent): void
  /** Unplugged, or given up by the browser. */
  onGone(): void
}

/** A level gauge that sends lines of the protocol: plugged in, or make-believe. */
export interface LevelGauge {
  readonly name: string
  /** Begins to listen; refused with an error where it cannot. */
  start(listener: GaugeListener): Promise<void>
  stop(): Promise<void>
}

const EVERY_MS = 200
/** A good gauge that a bench's dust and a long cable did not make better. */
const STAND_IN = { noiseDeg: 0.04, zeroDeg: 0, driftPerMinuteDeg: 0.05, garbled: 0.02, lost: 0.02 }

/**
 * A stand-in for a gauge: comes to rest at what the bench would really show. `truthDeg`: asked for each line, so that
 * it follows the bench.
 */
export function simulatedGauge(truthDeg: () => number): LevelGauge {
  let timer: ReturnType<typeof setInterval> | undefined
  const seed = randomLcg()
  return {
    name: 'Simulated gauge',
    start({ onEvent }) {
      const [gauge, read, from] = [standInGauge({ ...STAND_IN, seed: seed() }), gaugeLines(), performance.now()]
      timer = setInterval(
        () => read(gauge(truthDeg(), performance.now() - from)).forEach((event) => onEvent(event)),
        EVERY_MS,
      )
      return Promise.resolve()
    },
    stop() {
      clearInterval(timer)
      return Promise.resolve()
    },
  }
}

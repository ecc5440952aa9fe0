/** A level gauge that sends what it reads, degrees. A real one would be another maker of this interface. */
export interface LevelGauge {
  readonly name: string
  /** Calls with each reading until it is stopped. */
  start(onReading: (deg: number) => void): void
  stop(): void
}

const EVERY_MS = 200
const NOISE_DEG = 0.04
/** How much of the way to its resting place the needle has left after each reading. */
const LEFT = 0.6

/**
 * A stand-in for a gauge: comes to rest at what the bench would really show, with a little noise.
 * truthDeg: asked at each reading, so that it follows the bench. random: from 0 to 1.
 */
export function simulatedGauge(truthDeg: () => number, random: () => number): LevelGauge {
  let timer: ReturnType<typeof setInterval> | undefined
  return {
    name: 'Simulated gauge',
    start(onReading) {
      let away = -truthDeg()
      timer = setInterval(() => {
        away *= LEFT
        onReading(truthDeg() + away + (random() - 0.5) * 2 * NOISE_DEG)
      }, EVERY_MS)
    },
    stop: () => clearInterval(timer),
  }
}

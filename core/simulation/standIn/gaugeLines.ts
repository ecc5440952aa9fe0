import { randomLcg, randomNormal, randomUniform } from 'd3-random'
import { gaugeLine } from '../../observe/gauge/lines'

export interface StandInGauge {
  readonly seed: number
  /** Standard deviation of a reading, what it shows too much, and what that grows by in a minute, degrees. */
  readonly noiseDeg: number
  readonly zeroDeg: number
  readonly driftPerMinuteDeg: number
  /** Shares of its lines that come in garbled, and that never come. */
  readonly garbled: number
  readonly lost: number
}

/** How much of the way to its resting place the needle has left after each line. */
const LEFT = 0.6
const NUMBERS = 65536

/**
 * A gauge that was just stood up: each call gives what it sends next, a line or a harmed one, or nothing where the line
 * is lost. `truthDeg`: what it would have to show; `atMs`: since it was stood up. The same for the same seed.
 */
export function standInGauge(of: StandInGauge): (truthDeg: number, atMs: number) => string {
  const source = randomLcg(of.seed)
  const normal = randomNormal.source(source)(0, 1)
  const uniform = randomUniform.source(source)(0, 1)
  let number = Math.floor(uniform() * NUMBERS)
  let away: number | null = null
  return (truthDeg, atMs) => {
    away = away === null ? -truthDeg : away * LEFT
    const drift = (of.driftPerMinuteDeg * atMs) / 60_000
    const deg = truthDeg + away + of.zeroDeg + drift + of.noiseDeg * normal()
    number = (number + 1) % NUMBERS
    const line = gaugeLine({ number, deg, rollDeg: null })
    if (uniform() < of.lost) return ''
    if (uniform() >= of.garbled) return line
    const at = 1 + Math.floor(uniform() * (line.length - 3))
    return `${line.slice(0, at)}?${line.slice(at + 1)}`
  }
}

import { randomLcg, randomNormal } from 'd3-random'

/** What is heard beside the strokes. */
export const HEARD_AROUND = ['nothing', 'talk', 'music', 'loud-shop', 'stone-being-flattened'] as const
export type HeardAround = (typeof HEARD_AROUND)[number]

export interface StrokeRecordingAsk {
  readonly seed: number
  readonly strokes: number
  readonly bothWays: boolean
  readonly around: HeardAround
  /** How much louder the strokes are than what hisses behind them, dB. */
  readonly overNoiseDb: number
  /** How unevenly the hand goes: deviation of pace and length, as a fraction. */
  readonly uneven: number
  /** The bench is knocked on after each stroke, this loud, of full scale; 0: it is not. */
  readonly knocks?: number
}

export interface StrokeRecording {
  readonly samples: Float32Array
  readonly rateHz: number
  /** When each stroke begins. */
  readonly startsAtS: readonly number[]
}

const RATE_HZ = 16000
const STROKE = 0.04

/**
 * A made-up recording of a bench, drawn from its seed: strokes as bursts of hiss in the band where a stone rubs, with
 * looks at the edge between them, knocks, and what else is heard. Source: docs/strokes-by-ear.md, "Stand-in".
 */
export function strokeRecording(ask: StrokeRecordingAsk): StrokeRecording {
  const uniform = randomLcg(ask.seed)
  const normal = randomNormal.source(uniform)(0, 1)
  const between = (low: number, high: number) => low + (high - low) * uniform()
  const long = ask.bothWays ? between(0.4, 0.8) : between(0.4, 0.9)
  const stop = ask.bothWays ? between(0.04, 0.1) : between(0.45, 0.9)
  const vary = (one: number) => one * Math.exp(ask.uneven * normal())
  const startsAtS: number[] = []
  const lengths: number[] = []
  const looks: [from: number, to: number][] = []
  let at = between(1, 2)
  let untilLook = Math.round(between(10, 25))
  for (let i = 0; i < ask.strokes; i++) {
    startsAtS.push(at)
    lengths.push(Math.max(0.2, vary(long)))
    at += lengths[i]! + Math.max(0.035, vary(stop))
    if (--untilLook > 0) continue
    const look = between(2, 5)
    looks.push([at, at + look])
    at += look
    untilLook = Math.round(between(10, 25))
  }
  const samples = new Float32Array(Math.ceil((at + 1.5) * RATE_HZ))
  const lay = (fromS: number, lengthS: number, sample: (s: number) => number) => {
    const from = Math.round(fromS * RATE_HZ)
    const end = Math.min(samples.length, from + Math.round(lengthS * RATE_HZ))
    for (let i = Math.max(0, from); i < end; i++) samples[i]! += sample((i - from) / RATE_HZ)
  }
  /** Hiss from one frequency to another, of mean square 1, nearly. */
  const hiss = (fromHz: number, toHz: number) => {
    const [slow, quick] = [fromHz, toHz].map((hz) => 1 - Math.exp((-2 * Math.PI * hz) / RATE_HZ)) as [number, number]
    let [low, high, low2, high2] = [0, 0, 0, 0]
    const scale = 1.3 / Math.sqrt((toHz - fromHz) / (RATE_HZ / 2))
    return () => {
      const white = normal()
      high += quick * (white - high)
      high2 += quick * (high - high2)
      low += slow * (high2 - low)
      low2 += slow * (high2 - low - low2)
      return scale * (high2 - low - low2)
    }
  }
  /** Rises and falls smoothly over a burst. */
  const swell = (s: number, lengthS: number) => Math.sin(Math.PI * Math.min(1, Math.max(0, s / lengthS))) ** 0.35

  const behind = hiss(100, 7000)
  lay(0, samples.length / RATE_HZ, () => STROKE * 10 ** (-ask.overNoiseDb / 20) * behind())
  startsAtS.forEach((from, i) => {
    const rub = hiss(1400, ask.bothWays && i % 2 === 1 ? 6000 : 5000)
    const loud = STROKE * Math.exp(0.15 * normal())
    lay(from, lengths[i]!, (s) => loud * swell(s, lengths[i]!) * rub())
  })
  const knocks = ask.knocks ?? 0
  if (knocks > 0)
    startsAtS.forEach((from, i) => {
      const wood = hiss(150, 900)
      const loud = knocks * Math.exp(0.2 * normal())
      lay(from + lengths[i]! + 0.02, 0.08, (s) => loud * Math.exp(-s / 0.012) * wood())
    })
  for (const [from, to] of looks) {
    // A knock, and a wipe with a cloth.
    lay(between(from, to), 0.05, (s) => 0.2 * Math.exp(-s / 0.012) * normal())
    const wipe = hiss(150, 900)
    if (uniform() < 0.5) lay(from + 0.5, 0.6, (s) => 0.06 * swell(s, 0.6) * wipe())
  }
  const tone = (hz: number, loud: number) => (s: number) => loud * Math.sin(2 * Math.PI * hz * s)
  const lengthS = samples.length / RATE_HZ
  if (ask.around === 'talk')
    for (let s = 0; s < lengthS; s += between(0.12, 0.3)) {
      if (uniform() < 0.3) s += between(0.3, 2)
      const [pitch, syllable] = [between(90, 220), between(0.08, 0.2)]
      for (let k = 1; k <= 24; k++) lay(s, syllable, tone(pitch * k, (0.03 / k) * swell(0.5, 1)))
      if (uniform() < 0.3) {
        const sibilant = hiss(3000, 7000)
        lay(s + syllable, 0.09, (t) => 0.01 * swell(t, 0.09) * sibilant())
      }
    }
  if (ask.around === 'music')
    for (let s = 0; s < lengthS; s += 0.28) {
      const pitch = 110 * 2 ** (Math.floor(between(0, 24)) / 12)
      for (let k = 1; k <= 8; k++) {
        const note = tone(pitch * k, 0.02 / k)
        lay(s, 0.6, (t) => Math.exp(-t / 0.2) * note(t))
      }
    }
  if (ask.around === 'loud-shop') {
    const motor = hiss(50, 400)
    lay(0, lengthS, (s) => 0.03 * motor() + tone(100, 0.05)(s))
  }
  if (ask.around === 'stone-being-flattened')
    for (let s = 0; s < lengthS; s += between(0.9, 1.3)) {
      const rub = hiss(800, 4000)
      lay(s, 0.7, (t) => (STROKE / 5) * swell(t, 0.7) * rub())
    }
  return { samples, rateHz: RATE_HZ, startsAtS }
}

import { BandMeter, FRAME_S, type Band, type BandPowers } from '../bandMeter'
import { decibel } from '../decibel'
import type { HeardStroke, Hearing } from '../hearing'
import { nth } from '../../math/list'
import { middleOf } from '../../math/statistics/robust'

/** A voice and a cloth are strong in the first band, a stone on steel in the other two. */
const BANDS: readonly Band[] = [
  [400, 1000],
  [2000, 3500],
  [3500, 5500],
]
/** Levels are means over so many frames: shorter than the stop between two strokes to and fro. */
const SMOOTHED = 5
/** What is around is the weakest fiftieth of so many seconds: a stone that rubs to and fro leaves hardly more. */
const [AROUND_S, AROUND_SHARE] = [20, 0.02]
/** It is worked out anew every so many frames. */
const AROUND_EVERY = 40
/** Rubbing stands out of what is around by this, dB. */
const STANDS_OUT_DB = 9
/** Against rubbing, a voice, a cloth or a knock on wood is stronger below by more than this, dB. */
const MOST_BELOW_DB = 8
/** And a voice is weaker above by more than this. */
const LEAST_ABOVE_DB = -7
/** What is around is unsteady: of its weakest, so much does not count. */
const UNSTEADY = 2.5
/** Between two strokes the level falls by this, and rises again by that. */
const [FALLS_DB, RISES_DB] = [8, 6]
/** No stroke is shorter or longer, s: knocks and clicks are shorter, a stone being flattened longer. */
const [SHORTEST_S, LONGEST_S] = [0.16, 4]
/** Once so many are heard, what is much shorter or weaker than these is none. */
const LEARNED = 10
const [SHORT_SHARE, WEAKER_DB, LOUDER_DB] = [0.4, 10, 12]
/** A stone that turns without a stop longer than this share of a stroke rubs to and fro. */
const TURNS_WITHIN = 0.5
/** Strokes that stand out by less than this may be missed, dB. */
const SURE_DB = 14

interface Frame {
  readonly levelDb: number
  readonly rubs: boolean
}
interface Burst {
  readonly fromFrame: number
  mostDb: number
  /** Since the level was highest. */
  leastDb: number
  leastFrame: number
  lastRubbed: number
  rubbed: number
}

/**
 * Counts strokes by ear: bursts of rubbing, told from voices, cloths, knocks and what is around by their bands, their
 * length and, once ten are heard, by how loud and long the others are. Give it samples as they come in (full scale is
 * 1); nothing of the sound is kept. Source: docs/strokes-by-ear.md.
 */
export class StrokeListener {
  private readonly meter: BandMeter
  private readonly recent: BandPowers[] = []
  private readonly past: (readonly number[])[] = []
  private around: readonly number[] | null = null
  private frame = 0
  private burst: Burst | null = null
  private readonly bursts: HeardStroke[] = []

  constructor(rateHz: number) {
    this.meter = new BandMeter(rateHz, BANDS)
  }

  take(samples: ArrayLike<number>): void {
    for (const powers of this.meter.take(samples)) this.hear(powers)
  }

  /** What was heard up to now. `ended`: the sound is over, and with it the stroke that was going on. */
  heard(ended = false): Hearing {
    if (ended) this.endBurst()
    const strokes = likeTheOthers(this.bursts)
    const level = middleOf(strokes.map(({ levelDb }) => levelDb))
    const overDb = strokes.length === 0 ? 0 : level - this.aroundDb()
    return {
      strokes,
      bothWays: strokes.length < LEARNED ? null : rubsToAndFro(strokes),
      confidence: strokes.length === 0 ? 0 : (Math.min(1, overDb / SURE_DB) * strokes.length) / this.bursts.length,
      trouble: strokes.length === 0 ? 'nothing-heard' : overDb < STANDS_OUT_DB + 2 ? 'too-loud-around' : null,
    }
  }

  private aroundDb(): number {
    return this.around ? decibel((this.around[1]! + this.around[2]!) / 2) : -120
  }

  private hear(powers: BandPowers): void {
    this.recent.push(powers)
    if (this.recent.length > SMOOTHED) this.recent.shift()
    const means = BANDS.map((_, k) => this.recent.reduce((sum, one) => sum + one[k]!, 0) / this.recent.length)
    if (this.frame % 2 === 0) {
      this.past.push(means)
      if (this.past.length > AROUND_S / (2 * FRAME_S)) this.past.shift()
    }
    if (!this.around || this.frame % AROUND_EVERY === 0) this.around = weakest(this.past)
    this.follow(this.frameOf(means))
    this.frame++
  }

  private frameOf(powers: BandPowers): Frame {
    const [below, here, above] = [nth(powers, 0), nth(powers, 1), nth(powers, 2)]
    const around = this.around!
    const level = (here + above) / 2
    const over = (power: number, k: number) => Math.max(1e-14, power - UNSTEADY * around[k]!)
    const rubbing = (over(here, 1) + over(above, 2)) / 2
    const standsOut = decibel(level) - this.aroundDb() > STANDS_OUT_DB
    const isVoiceOrCloth =
      decibel(over(below, 0)) - decibel(rubbing) > MOST_BELOW_DB ||
      decibel(over(above, 2)) - decibel(over(here, 1)) < LEAST_ABOVE_DB
    return { levelDb: decibel(level), rubs: standsOut && !isVoiceOrCloth }
  }

  private follow({ levelDb, rubs }: Frame): void {
    const burst = this.burst
    if (!burst) {
      if (rubs) this.burst = begun(this.frame, levelDb)
      return
    }
    if (rubs) {
      burst.rubbed++
      burst.lastRubbed = this.frame
    }
    if (levelDb > burst.mostDb) Object.assign(burst, { mostDb: levelDb, leastDb: levelDb, leastFrame: this.frame })
    if (levelDb < burst.leastDb) Object.assign(burst, { leastDb: levelDb, leastFrame: this.frame })
    const turned = burst.mostDb - burst.leastDb > FALLS_DB && levelDb - burst.leastDb > RISES_DB
    if (turned && rubs) {
      const from = burst.leastFrame
      this.endBurst(from)
      this.burst = begun(from, levelDb)
    } else if (this.frame - burst.lastRubbed > 2 * SMOOTHED) this.endBurst(burst.lastRubbed)
  }

  private endBurst(at = this.frame): void {
    const burst = this.burst
    this.burst = null
    if (!burst) return
    const [fromS, toS] = [burst.fromFrame * FRAME_S, at * FRAME_S]
    const mostlyRubs = burst.rubbed * FRAME_S > (toS - fromS) / 2
    if (mostlyRubs && toS - fromS >= SHORTEST_S && toS - fromS <= LONGEST_S)
      this.bursts.push({ fromS, toS, levelDb: burst.mostDb })
  }
}

const begun = (frame: number, levelDb: number): Burst => ({
  fromFrame: frame,
  mostDb: levelDb,
  leastDb: levelDb,
  leastFrame: frame,
  lastRubbed: frame,
  rubbed: 1,
})

function weakest(past: readonly (readonly number[])[]): number[] {
  const at = Math.floor(past.length * AROUND_SHARE)
  return BANDS.map((_, k) => past.map((one) => one[k]!).sort((a, b) => a - b)[at]!)
}

const lengthOf = ({ fromS, toS }: HeardStroke): number => toS - fromS

/** Without what is much shorter, weaker or louder than the others are. */
function likeTheOthers(bursts: readonly HeardStroke[]): HeardStroke[] {
  if (bursts.length < LEARNED) return [...bursts]
  const long = middleOf(bursts.map(lengthOf))
  const loud = middleOf(bursts.map(({ levelDb }) => levelDb))
  return bursts.filter(
    (one) => lengthOf(one) > SHORT_SHARE * long && one.levelDb > loud - WEAKER_DB && one.levelDb < loud + LOUDER_DB,
  )
}

function rubsToAndFro(strokes: readonly HeardStroke[]): boolean {
  const stops = strokes.slice(1).map(({ fromS }, i) => fromS - strokes[i]!.toS)
  return middleOf(stops) < TURNS_WITHIN * middleOf(strokes.map(lengthOf))
}

/** All of a sound at once. */
export function strokesIn(samples: ArrayLike<number>, rateHz: number): Hearing {
  const listener = new StrokeListener(rateHz)
  listener.take(samples)
  return listener.heard(true)
}

import { BandMeter, FRAME_S, type Band, type BandPowers } from '../bandMeter'
import { decibel } from '../decibel'
import { nth } from '../../math/list'
import { middleOf } from '../../math/statistics/robust'
import type { HeardStroke, Hearing } from '../hearing'

/** A knuckle on a bench is strongest here. */
const BAND: Band = [120, 1200]
/** What is around is the middle of the last so many frames, worked out anew every so many. */
const [AROUND, AROUND_EVERY] = [200, 20]
/** A knock stands out of what is around by this, and of the frames just before it by that, dB. */
const [STANDS_OUT_DB, RISES_DB] = [12, 11]
/** It rises out of so many frames, after a gap of so many. */
const [BEFORE, GAP] = [6, 3]
/** A knock has died away by this within that time: a voice, a motor or a stone lasts longer. */
const [FALLS_DB, WITHIN_S] = [14, 0.12]
/** Two knocks are no nearer to each other, s. */
const APART_S = 0.18
/** Once so many are heard, what is weaker than the usual one by this is none, dB. */
const [LEARNED, WEAKER_DB] = [6, 12]
/** Knocks that stand out by less than this may be missed, dB. */
const SURE_DB = 24

/**
 * Counts knocks on the bench, one for each stroke, where strokes are too quiet to be heard: short sounds that rise at
 * once and die away at once. Give it samples as they come in (full scale is 1); nothing of the sound is kept. Source:
 * docs/strokes-by-ear.md, "Knocks".
 */
export class KnockListener {
  private readonly meter: BandMeter
  private readonly past: number[] = []
  private frame = 0
  private aroundDb = Infinity
  private rising: { readonly frame: number; mostDb: number; readonly overDb: number } | null = null
  private lastAt = -Infinity
  private readonly knocks: (HeardStroke & { readonly overDb: number })[] = []

  constructor(rateHz: number) {
    this.meter = new BandMeter(rateHz, [BAND])
  }

  take(samples: ArrayLike<number>): void {
    for (const powers of this.meter.take(samples)) this.hear(powers)
  }

  /** What was heard up to now; which way the stone goes is not in it. */
  heard(): Hearing {
    const loud = middleOf(this.knocks.map(({ levelDb }) => levelDb))
    const strokes =
      this.knocks.length < LEARNED ? this.knocks : this.knocks.filter(({ levelDb }) => levelDb > loud - WEAKER_DB)
    const overDb = middleOf(strokes.map((one) => one.overDb))
    return {
      strokes,
      bothWays: null,
      confidence: strokes.length === 0 ? 0 : (Math.min(1, overDb / SURE_DB) * strokes.length) / this.knocks.length,
      trouble: strokes.length === 0 ? 'nothing-heard' : null,
    }
  }

  private hear(powers: BandPowers): void {
    const levelDb = decibel(nth(powers, 0))
    if (this.frame > BEFORE + GAP && this.frame % AROUND_EVERY === 0) this.aroundDb = middleOf(this.past)
    const before = Math.max(...this.past.slice(-BEFORE - GAP, -GAP))
    if (this.rising) this.follow(levelDb)
    else if (levelDb - this.aroundDb > STANDS_OUT_DB && levelDb - before > RISES_DB)
      this.rising = { frame: this.frame, mostDb: levelDb, overDb: levelDb - this.aroundDb }
    this.past.push(levelDb)
    if (this.past.length > AROUND) this.past.shift()
    this.frame++
  }

  private follow(levelDb: number): void {
    const rising = this.rising!
    rising.mostDb = Math.max(rising.mostDb, levelDb)
    const hasFallen = rising.mostDb - levelDb > FALLS_DB
    if (!hasFallen && (this.frame - rising.frame) * FRAME_S < WITHIN_S) return
    this.rising = null
    const [fromS, toS] = [rising.frame * FRAME_S, this.frame * FRAME_S]
    if (!hasFallen || fromS - this.lastAt < APART_S) return
    this.lastAt = fromS
    this.knocks.push({ fromS, toS, levelDb: rising.mostDb, overDb: rising.overDb })
  }
}

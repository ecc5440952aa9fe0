/** How strong each band of a sound is over a short while: mean squares, of full scale. */
export type BandPowers = readonly number[]

/** Frames of so many seconds. */
export const FRAME_S = 0.005

/** From one frequency to another, Hz. */
export type Band = readonly [fromHz: number, toHz: number]

/** Two filters of second order make one of fourth. Source: Butterworth. */
const BUTTERWORTH_Q = [0.5412, 1.3066]

/** A filter of second order with what it remembers. */
interface Biquad {
  readonly b0: number
  readonly b1: number
  readonly a1: number
  readonly a2: number
  x1: number
  x2: number
  y1: number
  y2: number
}

/**
 * Measures how strong some bands of a sound are, frame by frame, as its samples come in: for each band a high-pass and
 * a low-pass of fourth order. A band beyond half of the sound's rate is silent. Source: R. Bristow-Johnson, Cookbook
 * formulae for audio EQ biquad filter coefficients.
 */
export class BandMeter {
  private readonly bands: { readonly filters: readonly Biquad[]; sum: number }[]
  private readonly perFrame: number
  private filled = 0

  constructor(rateHz: number, bands: readonly Band[]) {
    this.perFrame = Math.round(rateHz * FRAME_S)
    this.bands = bands.map(([fromHz, toHz]) => ({
      filters:
        toHz >= rateHz / 2
          ? []
          : BUTTERWORTH_Q.flatMap((q) => [biquad('high', fromHz / rateHz, q), biquad('low', toHz / rateHz, q)]),
      sum: 0,
    }))
  }

  /** The frames that these samples fill, oldest first; what is left over waits for the next ones. */
  take(samples: ArrayLike<number>): BandPowers[] {
    const frames: BandPowers[] = []
    for (let i = 0; i < samples.length; i++) {
      for (const band of this.bands) {
        let now = samples[i]!
        for (const filter of band.filters) {
          const { b0, b1, a1, a2, x1, x2, y1, y2 } = filter
          filter.y1 = b0 * (now + x2) + b1 * x1 - a1 * y1 - a2 * y2
          filter.y2 = y1
          filter.x2 = x1
          filter.x1 = now
          now = filter.y1
        }
        if (band.filters.length > 0) band.sum += now * now
      }
      if (++this.filled < this.perFrame) continue
      frames.push(this.bands.map(({ sum }) => sum / this.perFrame))
      for (const band of this.bands) band.sum = 0
      this.filled = 0
    }
    return frames
  }
}

/** `at`: of the sound's rate. */
function biquad(pass: 'high' | 'low', at: number, q: number): Biquad {
  const cos = Math.cos(2 * Math.PI * at)
  const alpha = Math.sin(2 * Math.PI * at) / (2 * q)
  const a0 = 1 + alpha
  const edge = pass === 'low' ? 1 - cos : -(1 + cos)
  const rest = { x1: 0, x2: 0, y1: 0, y2: 0 }
  return { b0: Math.abs(edge) / 2 / a0, b1: edge / a0, a1: (-2 * cos) / a0, a2: (1 - alpha) / a0, ...rest }
}

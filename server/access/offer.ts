import { randomBytes, randomInt, timingSafeEqual } from 'node:crypto'

/** What the bench's own screen shows to let one device in. */
export interface Offer {
  /** Eight digits, to be typed. */
  readonly code: string
  /** The same in a picture, to be photographed. */
  readonly key: string
  readonly until: Date
}

export const OFFERED_FOR_MS = 5 * 60_000
/** So many wrong tries end an offer. */
export const MOST_TRIES = 8

const alike = (a: string, b: string): boolean =>
  a.length === b.length && timingSafeEqual(Buffer.from(a), Buffer.from(b))

/** One offer at a time, for a few minutes and for one device. */
export class Offers {
  private open: (Offer & { tries: number }) | null = null

  make(now: Date): Offer {
    const code = String(randomInt(0, 100_000_000)).padStart(8, '0')
    const key = randomBytes(24).toString('base64url')
    this.open = { code, key, until: new Date(now.getTime() + OFFERED_FOR_MS), tries: 0 }
    const { until } = this.open
    return { code, key, until }
  }

  withdraw(): void {
    this.open = null
  }

  /** Whether a code or a key is the one on offer: then it is used up. Wrong ones end the offer after a while. */
  redeem(shown: string, now: Date): boolean {
    const { open } = this
    if (!open || now > open.until) return false
    const text = shown.replace(/[\s-]/g, '')
    if (alike(text, open.code) || alike(shown, open.key)) {
      this.open = null
      return true
    }
    if (++open.tries >= MOST_TRIES) this.open = null
    return false
  }
}

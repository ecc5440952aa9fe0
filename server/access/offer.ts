import { randomBytes, randomInt } from 'node:crypto'
import { alike } from './alike'

/** What the bench's own screen shows to let one device in. */
export interface Offer {
  /** Eight digits, to be typed. */
  readonly code: string
  /** The same in a picture, to be photographed. */
  readonly key: string
  readonly until: Date
}

export const OFFERED_FOR_MS = 5 * 60_000
/** So many wrong tries an address has; and so many all have together, before the digits are no longer taken. */
export const MOST_TRIES = 8
export const MOST_TRIES_OF_ALL = 64

/** One offer at a time, for a few minutes and for one device. */
export class Offers {
  private open: Offer | null = null
  /** Wrong tries since it was made, by the address they came from. */
  private readonly tries = new Map<string, number>()

  make(now: Date): Offer {
    const code = String(randomInt(0, 100_000_000)).padStart(8, '0')
    const key = randomBytes(24).toString('base64url')
    this.tries.clear()
    return (this.open = { code, key, until: new Date(now.getTime() + OFFERED_FOR_MS) })
  }

  withdraw(): void {
    this.open = null
  }

  /** How often an address was wrong since the offer was made. */
  wrongTries(from: string): number {
    return this.tries.get(from) ?? 0
  }

  /**
   * Whether what an address shows is the code or the key on offer: then it is used up. Who is wrong too often has no
   * more tries at the digits, and neither has anyone once all were; nobody guesses the key, which goes on.
   */
  redeem(shown: string, from: string, now: Date): boolean {
    const { open } = this
    if (!open || now > open.until) return false
    const all = [...this.tries.values()].reduce((sum, one) => sum + one, 0)
    const takesDigits = this.wrongTries(from) < MOST_TRIES && all < MOST_TRIES_OF_ALL
    if (alike(shown, open.key) || (takesDigits && alike(shown.replace(/[\s-]/g, ''), open.code))) {
      this.open = null
      return true
    }
    if (takesDigits) this.tries.set(from, this.wrongTries(from) + 1)
    return false
  }
}

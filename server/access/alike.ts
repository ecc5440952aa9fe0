import { timingSafeEqual } from 'node:crypto'

/** Whether what is shown is a secret, in a time that tells nothing of how much of it is right. */
export function alike(shown: string, secret: string): boolean {
  const [one, other] = [Buffer.from(shown), Buffer.from(secret)]
  return one.length === other.length && timingSafeEqual(one, other)
}

import type { H3Event } from 'h3'
import { refusal } from './refusal'

/** How far a backup that is being brought back has come: rows done, and of how many. */
export interface Progress {
  readonly rows: number
  readonly of: number
}
let now: Progress | null = null
/** Of the one under way; null where none is. */
export const progressNow = (): Progress | null => now

/** Tells how far it has come, and ends it with what it throws once its sender has hung up: all is as it was then. */
export function followed(event: H3Event, of: number): { onPart(rows: number): void; end(): void } {
  let gone = false
  event.node.res.once('close', () => (gone = !event.node.res.writableEnded))
  now = { rows: 0, of }
  return {
    onPart(rows) {
      now = { rows, of }
      if (gone) throw refusal(499, 'cancelled')
    },
    end: () => (now = null),
  }
}

import type { H3Event } from 'h3'
import { notedAsker } from '../access/access'
import { refusal } from './refusal'

/** Refuses who is not the bench's own screen. */
export function benchAlone(event: H3Event): void {
  if (notedAsker(event.node.req) !== 'bench') throw refusal(403, 'bench-alone')
}

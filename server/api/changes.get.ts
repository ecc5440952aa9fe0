import { createEventStream } from 'h3'
import { notedAsker } from '../access/access'
import { watchChanges } from '../database/changes'

/** So that what stands between never takes the line for dead. */
const SIGN_OF_LIFE_MS = 25_000

/** Tells of each change as it happens (server-sent events): by which page and in which collection, not what it was. */
export default defineEventHandler((event) => {
  const stream = createEventStream(event)
  const mayWatch = () => notedAsker(event.node.req) !== 'stranger'
  const end = () => {
    unwatch()
    void stream.close()
  }
  const unwatch = watchChanges({ changed: (by) => void stream.push(by), end, mayWatch })
  const signOfLife = () => (mayWatch() ? void stream.push({ event: 'living', data: '' }) : end())
  // The first one opens the line at once.
  signOfLife()
  const living = setInterval(signOfLife, SIGN_OF_LIFE_MS)
  stream.onClosed(() => {
    clearInterval(living)
    unwatch()
  })
  return stream.send()
})

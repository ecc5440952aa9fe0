import { createEventStream } from 'h3'
import { watchChanges } from '../database/changes'

/** So that what stands between never takes the line for dead. */
const SIGN_OF_LIFE_MS = 25_000

/** Tells of each change as it happens (server-sent events): by which page and in which collection, not what it was. */
export default defineEventHandler((event) => {
  const stream = createEventStream(event)
  const unwatch = watchChanges({ changed: (by) => void stream.push(by), end: () => void stream.close() })
  const signOfLife = () => void stream.push({ event: 'living', data: '' })
  // The first one opens the line at once.
  signOfLife()
  const living = setInterval(signOfLife, SIGN_OF_LIFE_MS)
  stream.onClosed(() => {
    clearInterval(living)
    unwatch()
  })
  return stream.send()
})

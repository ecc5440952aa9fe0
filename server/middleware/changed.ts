import { getRequestHeader } from 'h3'
import { announceChange } from '../database/changes'

/** Once a change is answered, the other pages hear of it: by which page, and in which collection. */
export default defineEventHandler((event) => {
  if (event.method === 'GET' || event.method === 'HEAD' || !event.path.startsWith('/api/')) return
  const by = getRequestHeader(event, 'x-jaw-tilt-page') ?? ''
  event.node.res.once('finish', () => {
    if (event.node.res.statusCode < 300) announceChange(`${by.slice(0, 60)} ${event.path.split(/[/?]/)[2] ?? ''}`)
  })
})

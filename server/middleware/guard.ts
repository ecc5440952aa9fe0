import { getQuery, setResponseHeaders } from 'h3'
import { unkeepable } from '../../core/schema/keepable'
import { refusedFields } from '../http/refusal'

/**
 * Every answer carries the headers that keep it to itself, and nothing is asked with text that no database takes; who
 * is let in at all is told at the door (http/door).
 */
export default defineEventHandler((event) => {
  setResponseHeaders(event, {
    'x-content-type-options': 'nosniff',
    'x-frame-options': 'DENY',
    'referrer-policy': 'no-referrer',
    'cross-origin-opener-policy': 'same-origin',
    'cross-origin-resource-policy': 'same-origin',
    'permissions-policy': 'camera=(self), geolocation=(), microphone=(self), payment=(), usb=()',
  })
  if (!event.path.startsWith('/api/')) return
  setResponseHeaders(event, { 'cache-control': 'no-store', 'content-security-policy': "default-src 'none'" })
  const wrong = unkeepable(getQuery(event))
  if (wrong) throw refusedFields([wrong])
})

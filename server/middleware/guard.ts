import { getRequestHeader, setResponseHeaders } from 'h3'
import { refusal } from '../http/refusal'

const LOOPBACK = /^(localhost|127(\.\d+){3}|\[::1\])(:\d+)?$/

/**
 * Before every answer: a server bound to this machine answers only to this machine's own names (so no foreign name can
 * be pointed at it), and every answer carries the headers that keep it to itself.
 */
export default defineEventHandler((event) => {
  const bound = process.env.HOST || '127.0.0.1'
  if (LOOPBACK.test(bound) && !LOOPBACK.test(getRequestHeader(event, 'host') ?? '')) throw refusal(421, 'foreign-name')
  setResponseHeaders(event, {
    'x-content-type-options': 'nosniff',
    'x-frame-options': 'DENY',
    'referrer-policy': 'no-referrer',
    'cross-origin-opener-policy': 'same-origin',
    'cross-origin-resource-policy': 'same-origin',
    'permissions-policy': 'camera=(), geolocation=(), microphone=(), payment=(), usb=()',
  })
  if (event.path.startsWith('/api/'))
    setResponseHeaders(event, { 'cache-control': 'no-store', 'content-security-policy': "default-src 'none'" })
})

import { setResponseHeaders } from 'h3'

/** Every answer carries the headers that keep it to itself; who is let in at all is told at the door (http/door). */
export default defineEventHandler((event) => {
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

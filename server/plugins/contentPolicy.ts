import { randomBytes } from 'node:crypto'
import { setResponseHeaders } from 'h3'

/** The page runs its own scripts and nothing else: inline ones carry a nonce that lives for one answer. */
export default defineNitroPlugin((nitro) => {
  nitro.hooks.hook('render:html', (html, { event }) => {
    const nonce = randomBytes(16).toString('base64')
    const signed = (parts: string[]) => parts.map((part) => part.replace(/<script\b/g, `<script nonce="${nonce}"`))
    html.head = signed(html.head)
    html.bodyPrepend = signed(html.bodyPrepend)
    html.bodyAppend = signed(html.bodyAppend)
    html.body = signed(html.body)
    setResponseHeaders(event, {
      'cache-control': 'no-store',
      'content-security-policy': [
        "default-src 'none'",
        `script-src 'self' 'nonce-${nonce}'`,
        // The interface kit sets colours and places popups by style elements and attributes.
        "style-src 'self' 'unsafe-inline'",
        "img-src 'self' data: blob:",
        "font-src 'self'",
        "connect-src 'self'",
        "worker-src 'self' blob:",
        "manifest-src 'self'",
        "base-uri 'none'",
        "form-action 'self'",
        "frame-ancestors 'none'",
      ].join('; '),
    })
  })
})

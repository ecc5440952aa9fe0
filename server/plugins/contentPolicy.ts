import { createHash, randomBytes } from 'node:crypto'
import { setResponseHeaders } from 'h3'

/** The one script that the interface kit adds to the page itself, when it takes over its first colours. */
const KIT_SCRIPT = "document.head.removeChild(document.querySelector('[data-nuxt-ui-colors]'))"
const KIT_HASH = createHash('sha256').update(KIT_SCRIPT).digest('base64')

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
        `script-src 'self' 'nonce-${nonce}' 'sha256-${KIT_HASH}'`,
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

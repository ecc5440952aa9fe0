import { randomBytes } from 'node:crypto'
import type { IncomingMessage, ServerResponse } from 'node:http'
import { setTimeout as pause } from 'node:timers/promises'
import { COOKIE } from './access'
import type { Devices } from './devices'
import type { Offers } from './offer'

export const SIGN_IN = '/let-in'
const MOST_BYTES = 4000
const YEAR_S = 365 * 24 * 3600
/** Each wrong try is answered later than the one before, up to this. */
const LATEST_MS = 8000

/** What a stranger gets, whatever it asks for: the sign-in page, and nothing else. */
export class SignIn {
  constructor(
    private readonly devices: Devices,
    private readonly offers: Offers,
    private readonly secure: boolean,
  ) {}

  async answer(request: IncomingMessage, response: ServerResponse): Promise<void> {
    const { pathname } = new URL(request.url ?? '/', 'http://bench')
    if (pathname === SIGN_IN && request.method === 'POST') return this.tried(request, response)
    if (pathname === SIGN_IN) return page(response, 200, '')
    if (request.method === 'GET' && request.headers.accept?.includes('text/html')) {
      response.writeHead(302, { location: SIGN_IN, 'cache-control': 'no-store' })
      return void response.end()
    }
    response.writeHead(401, { 'content-type': 'application/json', 'cache-control': 'no-store' })
    response.end(JSON.stringify({ code: 'not-let-in', fields: [] }))
  }

  private async tried(request: IncomingMessage, response: ServerResponse): Promise<void> {
    let body = ''
    const pieces: AsyncIterable<Buffer> = request
    for await (const piece of pieces) {
      body += piece.toString('utf8')
      if (body.length > MOST_BYTES) return page(response, 413, 'That is too long.')
    }
    const typed = new URLSearchParams(body)
    const name = (typed.get('name') ?? '').trim().slice(0, 60) || 'A device'
    const now = new Date()
    const from = request.socket.remoteAddress ?? ''
    if (!this.offers.redeem((typed.get('code') ?? '').trim(), from, now)) {
      await pause(Math.min(LATEST_MS, 125 * 2 ** this.offers.wrongTries(from)))
      return page(
        response,
        403,
        'That is not the code on the bench’s screen, or it has run out. Ask for a new one there.',
      )
    }
    const key = this.devices.letIn(name, now)
    response.writeHead(303, {
      location: '/',
      'cache-control': 'no-store',
      'set-cookie': `${COOKIE}=${key}; Path=/; HttpOnly; SameSite=Strict; Max-Age=${YEAR_S}${this.secure ? '; Secure' : ''}`,
    })
    response.end()
  }
}

/** One page without anything of the application: a code is typed, or comes with the picture's address. */
function page(response: ServerResponse, status: number, wrong: string): void {
  const nonce = randomBytes(16).toString('base64')
  response.writeHead(status, {
    'content-type': 'text/html; charset=utf-8',
    'cache-control': 'no-store',
    'x-content-type-options': 'nosniff',
    'x-frame-options': 'DENY',
    // With none at all the form would be sent as from nowhere, and turned away.
    'referrer-policy': 'same-origin',
    'content-security-policy': `default-src 'none'; style-src 'nonce-${nonce}'; script-src 'nonce-${nonce}'; form-action 'self'; base-uri 'none'; frame-ancestors 'none'`,
  })
  response.end(`<!doctype html>
<html lang="en">
<meta charset="utf-8">
<meta name="viewport" content="width=device-width, initial-scale=1">
<title>Jaw Tilt: let this device in</title>
<style nonce="${nonce}">
body { font: 18px/1.5 system-ui, sans-serif; background: #efeae2; color: #26241f; margin: 0; padding: 2rem 1rem; }
main { max-width: 26rem; margin: auto; background: #fbfaf5; border: 1px solid #cfc8bb; padding: 1.5rem; }
h1 { font-size: 1.4rem; margin: 0 0 1rem; }
label { display: block; margin: 1rem 0 .25rem; font-weight: 600; }
input, button { font: inherit; box-sizing: border-box; width: 100%; min-height: 3rem; padding: 0 .75rem; border: 1px solid #6f695e; border-radius: 2px; background: #fff; color: inherit; }
button { margin-top: 1.25rem; background: #84300f; border-color: #84300f; color: #fff; font-weight: 600; }
:focus-visible { outline: 3px solid #1d4fa0; outline-offset: 2px; }
p.wrong { color: #a11313; }
@media (prefers-color-scheme: dark) {
  body { background: #17181a; color: #efece6; } main { background: #202225; border-color: #44474c; }
  input { background: #17181a; border-color: #8b8f96; } button { background: #f0905f; border-color: #f0905f; color: #17181a; } p.wrong { color: #ff9a8f; }
}
</style>
<main>
<h1>Let this device in</h1>
<p>On the bench’s own screen: Preferences, Other devices, “Let a device in”.</p>
${wrong && `<p class="wrong" role="alert">${wrong}</p>`}
<form method="post" action="${SIGN_IN}">
<label for="code">The code there</label>
<input id="code" name="code" autocomplete="one-time-code" required maxlength="40">
<label for="name">What this device is called</label>
<input id="name" name="name" required maxlength="60" value="Phone">
<button>Let it in</button>
</form>
</main>
<script nonce="${nonce}">
const key = location.hash.slice(1)
if (key) { document.getElementById('code').value = key; history.replaceState(null, '', location.pathname); document.getElementById('name').focus() }
</script>
</html>`)
}

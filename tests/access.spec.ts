import { chromiumPath } from '../bin/lib/setUp.mjs'
import { demoFolder, expect, test } from './bench'
import { freePort, startServer, stopServer } from './builtServer'

const PORT = await freePort()
const bench = `http://127.0.0.1:${PORT}`
/** The same machine under a name that is not its own: as another device at the bench sees it. */
const elsewhere = `http://bench.example:${PORT}`
test.use({
  launchOptions: {
    executablePath: chromiumPath(),
    args: ['--no-sandbox', '--host-resolver-rules=MAP bench.example 127.0.0.1'],
  },
})

test('opened to a network: a stranger gets the sign-in page alone; a code lets a device in, and it can be shut out', async ({
  page,
  browser,
}) => {
  const server = startServer(PORT, { JAW_TILT_DATA: demoFolder(), HOST: '0.0.0.0' })
  await server.ready()
  try {
    expect(server.said()).toContain('devices that were let in at its screen')
    expect(server.said()).toContain('Not encrypted')

    const context = await browser.newContext()
    const phone = await context.newPage()
    const seen: string[] = []
    phone.on('response', (response) => seen.push(`${response.status()} ${new URL(response.url()).pathname}`))
    await phone.goto(`${elsewhere}/jobs`)
    await expect(phone.getByRole('heading', { name: 'Let this device in' })).toBeVisible()
    expect(seen.filter((one) => !/^(302|401) |^200 \/let-in$/.test(one))).toEqual([])
    for (const path of ['/api/jobs', '/api/backup', '/favicon.svg', '/manifest.webmanifest', '/api/devices'])
      expect(await phone.evaluate(async (at) => (await fetch(at)).status, path).catch(() => 'refused')).not.toBe(200)

    await page.goto(bench)
    await page.getByRole('button', { name: 'Preferences' }).click()
    await page.getByRole('button', { name: 'Allow a device' }).click()
    const offer = page.getByTestId('offer')
    await expect(offer).toBeVisible()
    const code = (await offer.locator('b.figure').innerText()).trim()

    await phone.getByLabel('The code there').fill('1234 5678')
    await phone.getByRole('button', { name: 'Let it in' }).click()
    await expect(phone.getByRole('alert')).toContainText('not the code on the bench’s screen')
    await phone.getByLabel('The code there').fill(code)
    await phone.getByLabel('What this device is called').fill('<b>Phone</b>')
    await phone.getByRole('button', { name: 'Let it in' }).click()
    await expect(phone.getByRole('link', { name: 'Vine hooks' })).toBeVisible()
    const [cookie] = await context.cookies()
    expect(cookie).toMatchObject({ httpOnly: true, sameSite: 'Strict' })

    const devices = page.getByTestId('devices').getByRole('listitem')
    await expect(devices).toContainText('<b>Phone</b>')
    await expect(offer).toBeHidden()
    // What it was listening to ends at once.
    const listening = new Promise((resolve) =>
      phone.on('requestfinished', (one) => one.url().endsWith('/api/changes') && resolve('ended')),
    )
    await page.getByRole('button', { name: 'Remove <b>Phone</b>' }).click()
    await expect(devices).toHaveCount(0)
    expect(await listening).toBe('ended')
    await phone.reload()
    await expect(phone.getByRole('heading', { name: 'Let this device in' })).toBeVisible()
    await context.close()
    // The bench's page asks nothing more of a server that is about to end.
    await page.goto('about:blank')
  } finally {
    await stopServer(server)
  }
})

import { demoFolder, expect, ledger, saved, test as onBench } from './bench'
import { freePort, startServer, stopServer, type BuiltServer } from './builtServer'

const PORT = await freePort()
const url = (path: string) => `http://127.0.0.1:${PORT}${path}`
const started: BuiltServer[] = []
onBench.afterEach(() => started.splice(0).forEach(({ child }) => child.kill('SIGKILL')))
async function start(env: Record<string, string>): Promise<BuiltServer> {
  const server = startServer(PORT, env)
  started.push(server)
  await server.ready()
  return server
}
// What the worker keeps is kept in a profile of its own.
const test = onBench.extend({
  context: async ({ browser, viewport }, use) => {
    const context = await browser.newContext({ viewport, serviceWorkers: 'allow' })
    await use(context)
    await context.close()
  },
})
test.use({
  allowed: [/ERR_CONNECTION_REFUSED|ERR_FAILED|no-response|Failed to (load|fetch)|status of 503/],
})

test('on a home screen it opens without the server what was opened last, and sends on what was changed', async ({
  page,
}) => {
  const data = { JAW_TILT_DATA: demoFolder() }
  const server = await start(data)
  await page.goto(url('/'))
  const manifest = (await (await page.request.get(url('/manifest.webmanifest'))).json()) as { icons: { src: string }[] }
  for (const { src } of manifest.icons) expect((await page.request.get(url(src))).ok()).toBe(true)
  await page.getByRole('link', { name: 'Vine hooks' }).click()
  await expect(ledger(page, 'set', 'A')).toHaveText('23.5°')
  await page.waitForFunction(() => navigator.serviceWorker.controller !== null)
  // Opened once more, all that it needs has gone through the worker.
  await page.reload()
  await expect(ledger(page, 'set', 'A')).toHaveText('23.5°')
  const isKept = (path: string) => page.evaluate(async (at) => !!(await caches.match(at, { ignoreSearch: true })), path)
  for (const path of ['/api/jobs', '/api/blades', '/api/log', '/api/preferences'])
    await expect.poll(() => isKept(path), path).toBe(true)
  await stopServer(server)

  await page.goto(url('/'))
  await expect(page.getByText('The server is out of reach: this is what was opened last.')).toBeVisible()
  await page.getByRole('link', { name: 'Vine hooks' }).click()
  await expect(ledger(page, 'set', 'A')).toHaveText('23.5°')
  await page.keyboard.press('w')
  await page.getByTestId('wanted-A').fill('21')
  await page.keyboard.press('Enter')
  await expect(ledger(page, 'wanted', 'A')).toHaveText('21.0°')
  await expect(page.getByTestId('save-state')).toHaveAttribute('data-state', 'waiting')

  await start(data)
  await saved(page)
  await expect(page.getByText('The server is out of reach')).toBeHidden({ timeout: 30_000 })
  const { records } = (await (await page.request.get(url('/api/jobs'))).json()) as {
    records: { name: string; wanted: { deg: { A: number } } }[]
  }
  expect(records.find((job) => job.name === 'Vine hooks')!.wanted.deg.A).toBe(21)
})

import { cpSync, mkdtempSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { expect, test as base, type BrowserContext, type Locator, type Page } from '@playwright/test'
import { ROOMS, sheetPath, tabsOf, type SheetKey } from '../app/navigation/stations'
import type { JobRecord } from '../core/records/storage/kinds'
import { freePort, startServer, stopServer, type BuiltServer } from './builtServer'

/** A folder with the demo data in it, that no one else has. */
export function demoFolder(): string {
  const data = mkdtempSync(join(tmpdir(), 'jaw-tilt-browser-'))
  cpSync(process.env.JAW_TILT_TEST_DATA!, data, { recursive: true })
  return data
}

/** Serves each test file its own copy of the demo data, so that no file finds what another left. */
class OwnServer {
  private now: { file: string; server: BuiltServer } | null = null
  constructor(private readonly port: number) {}

  get url(): string {
    return `http://127.0.0.1:${this.port}`
  }

  async for(file: string): Promise<string> {
    if (this.now?.file !== file) {
      await this.stop()
      this.now = { file, server: startServer(this.port, { JAW_TILT_DATA: demoFolder() }) }
      await this.now.server.ready()
    }
    return this.url
  }

  async stop(): Promise<void> {
    if (this.now) await stopServer(this.now.server)
    this.now = null
  }
}

/**
 * A test on a server of its file's own; it fails on any console error, page error, failed request or icon that could
 * not be drawn.
 */
export const test = base.extend<
  { noTrouble: undefined; allowed: RegExp[] },
  { ownServer: OwnServer; profile: BrowserContext }
>({
  ownServer: [
    // eslint-disable-next-line no-empty-pattern -- the runner reads the pattern
    async ({}, use) => {
      const server = new OwnServer(await freePort())
      await use(server)
      await server.stop()
    },
    { scope: 'worker' },
  ],
  baseURL: async ({ ownServer }, use, { file }) => use(await ownServer.for(file)),
  // One browser profile for the tests of a worker: what they load is compiled once. Each finds it empty.
  profile: [
    async ({ browser, ownServer }, use, { project }) => {
      const { viewport, contextOptions, serviceWorkers } = project.use
      const profile = await browser.newContext({ baseURL: ownServer.url, viewport, serviceWorkers, ...contextOptions })
      await use(profile)
      await profile.close()
    },
    { scope: 'worker' },
  ],
  context: async ({ profile, ownServer }, use) => {
    await use(profile)
    await Promise.all(profile.pages().map(closeSaved))
    const storage = await profile.newCDPSession(await profile.newPage())
    await storage.send('Storage.clearDataForOrigin', { origin: ownServer.url, storageTypes: 'all' })
    await profile.pages()[0]!.close()
    await profile.clearCookies()
  },
  allowed: [[], { option: true }],
  noTrouble: [
    async ({ page, allowed }, use) => {
      const trouble: string[] = []
      // The runner keeps workers out, and says so on the page's console.
      const ignored = [...allowed, /^Service Worker registration blocked by Playwright$/]
      const note = (text: string) => ignored.some((pattern) => pattern.test(text)) || trouble.push(text)
      page.on('console', (message) => ['error', 'warning'].includes(message.type()) && note(message.text()))
      page.on('pageerror', (error) => note(error.message))
      page.on('requestfailed', (request) => {
        const why = request.failure()?.errorText ?? ''
        // Leaving a page ends what it was still fetching ahead: that is no failure.
        if (why !== 'net::ERR_ABORTED') note(`${request.url()} ${why}`)
      })
      page.on('response', (response) => response.status() >= 400 && note(`${response.status()} ${response.url()}`))
      await use(undefined)
      expect(trouble, 'the console and the network are quiet').toEqual([])
    },
    { auto: true },
  ],
})
export { expect }

/**
 * Closes a page when what was changed on it is kept: its storage is emptied after it, so that what it was still sending
 * would be lost, and the tests after it would find half of it. A page that cannot save is closed after three seconds.
 */
async function closeSaved(page: Page) {
  const saving = page.getByTestId('save-state').and(page.locator(':not([data-state="saved"])'))
  await saving.waitFor({ state: 'detached', timeout: 3000 }).catch(() => undefined)
  await page.close()
}

/** Opens a job of the demo at its clamp station, by its address. */
export async function openJob(page: Page, name: string) {
  const { records } = (await (await page.request.get('/api/jobs')).json()) as { records: JobRecord[] }
  await page.goto(sheetPath(records.find((job) => job.name === name)!.id, 'clamp', ''))
  await expect(page.getByRole('region', { name: 'The bench, drawn to scale' })).toBeVisible()
}

/** Goes to a sheet of the job that is open, by the links that a hand would take. */
export async function openSheet(page: Page, key: SheetKey) {
  const [roomId, sheetId] = key.split('/')
  const room = ROOMS.find((one) => one.id === roomId)!
  const sheet = room.sheets.find((one) => one.id === sheetId)!
  await page
    .getByRole('navigation', { name: 'The way through this job' })
    .getByRole('link', { name: new RegExp(`^(± )?${room.word}\\b`) })
    .click()
  if (tabsOf(room).length > 1)
    await page
      .getByRole('navigation', { name: /^Sheets/ })
      .getByRole('link', { name: sheet.word, exact: true })
      .click()
  await expect(page).toHaveTitle(new RegExp(`^${sheet.title.replace(/[?]/g, '\\?')} · `))
}

/** A figure of the ledger: side A or B of one of the four angles. */
export const ledger = (page: Page, angle: 'wanted' | 'set' | 'read' | 'proved', side: 'A' | 'B'): Locator =>
  page.locator(`[data-angle="${angle}"] [data-side="${side}"]`)

/** The degrees that a figure of the ledger shows; waits until it shows any. */
export async function degrees(figure: Locator): Promise<number> {
  await expect(figure).toHaveText(/\d/)
  return Number.parseFloat(((await figure.textContent()) ?? '').replace('−', '-'))
}

/** A figure comes to stand at so many degrees, to within so much. */
export const comesTo = (figure: Locator, deg: number, within: number) =>
  expect.poll(async () => Math.abs((await degrees(figure)) - deg)).toBeLessThan(within)

export const saved = (page: Page) => expect(page.getByTestId('save-state')).toHaveAttribute('data-state', 'saved')

/** A measure's field, by its name. */
export const measure = (page: Page, name: string): Locator =>
  page.getByRole('region', { name: 'Measures' }).getByLabel(name, { exact: true })

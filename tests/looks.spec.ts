import AxeBuilder from '@axe-core/playwright'
import type { Locator, Page } from '@playwright/test'
import { STATIONS, stationPath } from '../app/stations'
import { expect, openJob, test } from './bench'

const WCAG = ['wcag2a', 'wcag2aa', 'wcag21aa', 'wcag22aa', 'best-practice']

/** By night only the colours are others. Legacy mode, which leaves frames out: there are none. */
async function accessible(page: Page, what: string) {
  const axe = () => new AxeBuilder({ page }).setLegacyMode().options({ resultTypes: ['violations'] })
  for (const [theme, check] of [
    ['dark', axe().withRules(['color-contrast'])],
    ['light', axe().withTags(WCAG)],
  ] as const) {
    await page.emulateMedia({ colorScheme: theme })
    await expect(page.locator('html')).toContainClass(theme)
    const { violations } = await check.analyze()
    expect(
      violations.map((v) => `${what}, ${theme}: ${v.id}: ${v.nodes.map((n) => n.target.join(' ')).join(', ')}`),
    ).toEqual([])
  }
}

test('every view passes axe, by day and by night', async ({ page }) => {
  test.slow()
  await page.goto('/')
  await expect(page.getByRole('heading', { name: 'On the bench' })).toBeVisible()
  await accessible(page, 'jobs')
  await openJob(page, 'Pocket knife from the gate')
  await accessible(page, 'clamp')
  for (const station of STATIONS) {
    await page.getByRole('navigation').getByRole('link', { name: station.word }).first().click()
    await page.waitForTimeout(200)
    await accessible(page, station.id)
    for (const sheet of station.sheets.slice(1)) {
      await page
        .getByRole('navigation', { name: /^Sheets/ })
        .getByRole('link', { name: sheet.word, exact: true })
        .click()
      await page.waitForTimeout(500)
      await accessible(page, sheet.id)
    }
  }
  await page.keyboard.press('1')
  await page.getByRole('button', { name: 'New rig' }).click()
  for (let i = 1; i <= 6; i++) {
    await page.getByRole('button', { name: new RegExp(`^${i}: `) }).click()
    await accessible(page, `describing a rig, step ${i}`)
  }
  await page
    .getByRole('navigation', { name: 'The way through this job' })
    .getByRole('link', { name: /^2 Blade/ })
    .click()
  await page.getByRole('button', { name: 'New blade' }).click()
  for (const step of ['Thickness', 'What it is for', 'The edge']) {
    await page.getByRole('button', { name: step, exact: true }).click()
    await accessible(page, `describing a blade: ${step}`)
  }
  await page
    .getByRole('navigation', { name: 'The way through this job' })
    .getByRole('link', { name: /^1 Rig/ })
    .click()
  const opened = async (what: string, panel: Locator, open: () => Promise<void>) => {
    await open()
    await expect(panel).toBeVisible()
    await page.waitForTimeout(300)
    await accessible(page, what)
    await page.keyboard.press('Escape')
  }
  const press = (name: string) => () => page.getByRole('button', { name }).click()
  await opened('wear log', page.getByRole('form', { name: 'New line of the log' }), press('Wear log'))
  await opened('stone', page.getByRole('form', { name: 'Stone' }), press('New stone'))
  await expect(page.getByRole('button', { name: 'New stone' })).toBeFocused()
  const howSure = page.getByRole('region', { name: 'How sure is the set angle' })
  await opened('how sure', howSure, () => page.keyboard.press('e'))
  await expect(howSure).toBeHidden()
  await page.keyboard.press('w')
  await expect(page.getByTestId('wanted-A')).toBeFocused()
  await accessible(page, 'wanted angle')
  await page.keyboard.press('Escape')
  await opened('preferences', page.getByRole('dialog', { name: 'Preferences' }), press('Preferences'))
  await opened('commands', page.getByPlaceholder('What do you want to do?'), () => page.keyboard.press('Control+k'))
})

test('nothing runs over the side on a phone, a laptop or a large screen, and the ledger stays in sight', async ({
  page,
}) => {
  test.slow()
  await openJob(page, 'Vine hooks')
  const jobId = new URL(page.url()).pathname.split('/')[2]!
  const ledger = page.getByRole('region', { name: 'The four angles' })
  for (const [station, sheet] of STATIONS.flatMap((s) =>
    (s.sheets.length > 0 ? s.sheets : [{ id: '' }]).map((one) => [s.id, one.id] as const),
  )) {
    await page.goto(stationPath(jobId, station, sheet))
    for (const [width, height] of [
      [390, 844],
      [1280, 800],
      [1920, 1080],
    ] as const) {
      await page.setViewportSize({ width, height })
      await expect(ledger).toBeVisible()
      await page.waitForTimeout(250)
      expect(
        await page.evaluate(() => document.documentElement.scrollWidth - document.documentElement.clientWidth),
        `${station} ${sheet} at ${width}`,
      ).toBe(0)
      await page.mouse.wheel(0, 3000)
      await expect(ledger).toBeInViewport()
    }
  }
})

test('every icon is drawn from what ships with the application', async ({ page }) => {
  const asked: string[] = []
  page.on('request', (request) => asked.push(request.url()))
  await openJob(page, 'Vine hooks')
  await page.keyboard.press('Control+k')
  await expect(page.getByPlaceholder('What do you want to do?')).toBeVisible()
  const empty = await page
    .locator('.iconify')
    .evaluateAll((icons) =>
      icons
        .filter(
          (icon) => getComputedStyle(icon).maskImage === 'none' && getComputedStyle(icon).backgroundImage === 'none',
        )
        .map((icon) => icon.className),
    )
  expect(empty).toEqual([])
  expect(asked.filter((url) => !url.startsWith('http://127.0.0.1') && !url.startsWith('data:'))).toEqual([])
})

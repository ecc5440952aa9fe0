import AxeBuilder from '@axe-core/playwright'
import type { Page } from '@playwright/test'
import { STATIONS } from '../app/stations'
import { expect, openJob, test } from './bench'

const accessible = async (page: Page, what: string) => {
  const { violations } = await new AxeBuilder({ page }).withTags(['wcag2a', 'wcag2aa', 'wcag21aa', 'wcag22aa', 'best-practice']).analyze()
  expect(violations.map((v) => `${what}: ${v.id}: ${v.nodes.map((n) => n.target.join(' ')).join(', ')}`)).toEqual([])
}

for (const theme of ['light', 'dark'] as const) {
  test(`every view passes axe, ${theme} theme`, async ({ page }) => {
    test.slow()
    await page.emulateMedia({ colorScheme: theme, reducedMotion: 'reduce' })
    await page.goto('/')
    await expect(page.getByRole('heading', { name: 'On the bench' })).toBeVisible()
    await accessible(page, 'jobs')
    await openJob(page, 'Pocket knife from the gate')
    await accessible(page, 'clamp')
    for (const station of STATIONS) {
      await page.getByRole('navigation').getByRole('link', { name: station.word }).click()
      await page.waitForTimeout(200)
      await accessible(page, station.id)
    }
    await page.keyboard.press('1')
    await page.getByRole('button', { name: 'New stone' }).click()
    await expect(page.getByRole('form', { name: 'Stone' })).toBeVisible()
    await page.waitForTimeout(300)
    await accessible(page, 'stone')
    await page.keyboard.press('Escape')
    await expect(page.getByRole('form', { name: 'Stone' })).toBeHidden()
    await page.keyboard.press('e')
    await expect(page.getByRole('region', { name: 'How sure is the set angle' })).toBeVisible()
    await accessible(page, 'how sure')
    await page.keyboard.press('Escape')
    await expect(page.getByRole('region', { name: 'How sure is the set angle' })).toBeHidden()
    await page.keyboard.press('w')
    await expect(page.getByTestId('wanted-A')).toBeFocused()
    await accessible(page, 'wanted angle')
    await page.keyboard.press('Escape')
    await page.getByRole('button', { name: 'Preferences' }).click()
    await expect(page.getByRole('dialog', { name: 'Preferences' })).toBeVisible()
    await page.waitForTimeout(300)
    await accessible(page, 'preferences')
    await page.keyboard.press('Escape')
    await page.keyboard.press('Control+k')
    await expect(page.getByPlaceholder('What do you want to do?')).toBeVisible()
    await page.waitForTimeout(300)
    await accessible(page, 'commands')
  })
}

for (const [width, height] of [[390, 844], [1280, 800], [1920, 1080]] as const) {
  test(`nothing runs over the side at ${width} by ${height}, and the ledger stays in sight`, async ({ page }) => {
    await page.setViewportSize({ width, height })
    await openJob(page, 'Vine hooks')
    for (const station of STATIONS) {
      await page.getByRole('navigation').getByRole('link', { name: station.word }).click()
      await page.waitForTimeout(150)
      expect(await page.evaluate(() => document.documentElement.scrollWidth - document.documentElement.clientWidth), station.id).toBe(0)
      await page.mouse.wheel(0, 3000)
      await expect(page.getByRole('region', { name: 'The four angles' })).toBeInViewport()
    }
  })
}

test('every icon is drawn from what ships with the application', async ({ page }) => {
  const asked: string[] = []
  page.on('request', (request) => asked.push(request.url()))
  await openJob(page, 'Vine hooks')
  await page.keyboard.press('Control+k')
  await expect(page.getByPlaceholder('What do you want to do?')).toBeVisible()
  const empty = await page.locator('.iconify').evaluateAll((icons) => icons.filter((icon) => getComputedStyle(icon).maskImage === 'none' && getComputedStyle(icon).backgroundImage === 'none').map((icon) => icon.className))
  expect(empty).toEqual([])
  expect(asked.filter((url) => !url.startsWith('http://127.0.0.1') && !url.startsWith('data:'))).toEqual([])
})

import type { Page } from '@playwright/test'
import { expect, measure, openJob, openSheet, saved, test } from './bench'

/** Switches the unit from wherever one is, and leaves the preferences again. */
async function workIn(page: Page, unit: 'Inches' | 'Millimetres') {
  await page.getByRole('button', { name: 'Preferences' }).click()
  await page.getByText(unit).click()
  await page.keyboard.press('Escape')
}

test('what was typed keeps its meaning when the unit is switched, and after a reload', async ({ page }) => {
  await openJob(page, 'Chef’s knife, weekly')
  await openSheet(page, 'doubt/sides')
  const recipe = page.getByRole('region', { name: 'Find the centring error' })
  const heights = recipe.getByRole('group', { name: 'The edge over the bench' }).getByRole('textbox')
  await heights.nth(0).fill('31,5')
  await heights.nth(1).fill('30.5')
  await expect(page.getByTestId('found')).toContainText(/0\.\d mm/)
  const found = await page.getByTestId('found').innerText()
  await workIn(page, 'Inches')
  await expect(heights.nth(0)).toHaveValue('1.24016')
  await expect(page.getByTestId('found')).not.toContainText('mm')
  await page.reload()
  await expect(heights.nth(1)).toHaveValue('1.20079')
  await workIn(page, 'Millimetres')
  await expect(heights.nth(0)).toHaveValue('31.5')
  await expect(page.getByTestId('found')).toHaveText(found, { useInnerText: true })
})

test('a scale is dialled in what is engraved on it, whatever unit its user works in', async ({ page }) => {
  await openJob(page, 'Grafting knife, spring')
  const dial = page.getByTestId('dial')
  await expect(dial).toHaveText(/^scale\d+\.\dmm$/)
  const inMm = await dial.innerText()
  await workIn(page, 'Inches')
  await expect(measure(page, 'Pivot height')).toHaveValue(/^\d\.\d{3}$/)
  await expect(dial).toHaveText(inMm, { useInnerText: true })
  await openSheet(page, 'clamp/card')
  await expect(page.getByRole('img', { name: 'The clamp card' })).toContainText('dial in scale, mm')
  await workIn(page, 'Millimetres')
})

test('Enter takes a figure and leaves its field, Escape takes it back; single keys work at once', async ({ page }) => {
  await openJob(page, 'Chef’s knife, weekly')
  const turn = measure(page, 'Turn in the jaws')
  await turn.fill('−1,5')
  await turn.press('Enter')
  await expect(turn).toHaveValue('−1.5')
  await expect(turn).not.toBeFocused()
  await page.keyboard.press('s')
  await expect(page.getByRole('button', { name: 'B', exact: true })).toHaveAttribute('aria-pressed', 'true')
  await page.keyboard.press('s')
  await turn.fill('7')
  await turn.press('Escape')
  await expect(turn).toHaveValue('−1.5')
  await expect(turn).not.toBeFocused()
  // A figure that cannot be keeps the hand in the field, with what it said.
  await turn.fill('about 2')
  await turn.press('Enter')
  await expect(page.getByText('“about 2” is no angle.')).toBeVisible()
  await expect(turn).toBeFocused()
  await turn.press('Escape')
  await page.keyboard.press('Control+z')
  await expect(turn).toHaveValue('0.0')
  await saved(page)
})

test('the palette finds what a person would type, and says so where it finds nothing', async ({ page }) => {
  await openJob(page, 'Chef’s knife, weekly')
  const found = page.getByRole('listbox', { name: 'Commands' })
  for (const [typed, command] of [
    ['flip', 'Turn to the other side'],
    ['print', 'Clamp card'],
    ['dark', 'Night theme'],
    ['backup', 'Preferences'],
    ['centring', 'Two sides'],
    ['new rig', 'Describe a new rig'],
    ['2000', 'Put Plain No. 6 on the rod'],
  ] as const) {
    await page.keyboard.press('Control+k')
    await page.getByPlaceholder('What do you want to do?').fill(typed)
    await expect(found.getByRole('option').filter({ hasText: command })).toBeVisible()
    await page.keyboard.press('Escape')
  }
  await page.keyboard.press('Control+k')
  await page.getByPlaceholder('What do you want to do?').fill('zzzz')
  await expect(page.getByText('Nothing here does “zzzz”.')).toBeVisible()
})

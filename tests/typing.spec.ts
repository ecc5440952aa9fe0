import type { Page } from '@playwright/test'
import { expect, ledger, measure, openJob, openSheet, saved, test } from './bench'

/** Switches the unit from wherever one is, and leaves the preferences again. */
async function workIn(page: Page, unit: 'Inches' | 'Millimetres') {
  await page.getByRole('button', { name: 'Preferences' }).click()
  await page.getByText(unit === 'Inches' ? 'Inches, 1.188' : unit).click()
  await page.keyboard.press('Escape')
}

test('what was typed keeps its meaning when the unit is switched, and after a reload', async ({ page }) => {
  await openJob(page, 'Chef’s knife, weekly')
  await openSheet(page, 'uncertainty/sides')
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
  // What is typed replaces what stands there, however the field was entered.
  const height = measure(page, 'Blade height')
  const plan = page.getByRole('group', { name: 'Plan of the blade in the rig' })
  for (const [enter, typed] of [
    [() => page.keyboard.press('b'), '16'],
    [() => height.click(), '17'],
    [() => plan.getByText('17.0 mm', { exact: true }).click(), '18'],
  ] as const) {
    await enter()
    await expect(height).toBeFocused()
    await page.keyboard.type(typed)
    await page.keyboard.press('Enter')
    await expect(height).toHaveValue(`${typed}.0`)
  }
  // Left, it is still in sight: arrows step it, and Tab goes on to the next.
  await page.keyboard.press('ArrowUp')
  await expect(height).toHaveValue('18.5')
  await page.keyboard.press('Tab')
  await expect(measure(page, 'Clamp position')).toBeFocused()
  await turn.fill('−1,5')
  await turn.press('Enter')
  await expect(turn).toHaveValue('−1.5')
  await expect(turn).not.toBeFocused()
  expect(await page.evaluate(() => document.activeElement?.textContent)).toContain('Turn in the jaws')
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
  await expect(page.getByText('“about 2” is not a number.')).toBeVisible()
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
    ['print', 'Print the clamp card'],
    ['dark', 'Night theme'],
    ['backup', 'Preferences'],
    ['centring', 'Centring error'],
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
  await expect(page.getByText('Nothing found for “zzzz”.')).toBeVisible()
  await page.getByPlaceholder('What do you want to do?').fill('vine')
  await found.getByRole('option').filter({ hasText: 'Vine hooks' }).click()
  await expect(page).toHaveTitle(/Vine hooks/)
})

test('the place along the edge goes to heel and tip by Home and End, and to a typed figure', async ({ page }) => {
  await openJob(page, 'Chef’s knife, weekly')
  const slider = page.getByRole('slider', { name: /^Place along the edge/ })
  const edgeMm = (await slider.getAttribute('aria-valuemax'))!
  await slider.focus()
  await page.keyboard.press('End')
  await expect(measure(page, 'Point on the edge')).toHaveValue(Number(edgeMm).toFixed(1))
  await page.keyboard.press('Home')
  await expect(measure(page, 'Point on the edge')).toHaveValue('0.0')
  await page.keyboard.press('l')
  await expect(measure(page, 'Point on the edge')).toBeFocused()
  await measure(page, 'Point on the edge').fill('500')
  await page.keyboard.press('Enter')
  await expect(page.getByText(/^The edge goes from the heel to 210\.\d mm from it\.$/)).toBeVisible()
  await measure(page, 'Point on the edge').fill('100')
  await page.keyboard.press('Enter')
  await expect(slider).toHaveAttribute('aria-valuenow', '100')
})

test('each press of an arrow in the drawing is a step of its own, and what is undone is said', async ({ page }) => {
  await openJob(page, 'Chef’s knife, weekly')
  const at = Number(await measure(page, 'Clamp position').inputValue())
  await page.getByRole('slider', { name: /^Clamp position, from the heel/ }).focus()
  for (let i = 0; i < 3; i++) await page.keyboard.press('ArrowRight')
  const moved = Number(await measure(page, 'Clamp position').inputValue())
  const step = (moved - at) / 3
  expect(Math.abs(step)).toBeGreaterThan(0.05)
  await page.keyboard.press('Control+z')
  await expect(measure(page, 'Clamp position')).toHaveValue((moved - step).toFixed(1))
  await expect(page.getByRole('region', { name: /^Notifications/ }).getByText('Undone: move the blade')).toBeVisible()
  for (let i = 0; i < 2; i++) await page.keyboard.press('Control+z')
  await expect(measure(page, 'Clamp position')).toHaveValue(at.toFixed(1))

  // Where a rig is described nothing of the job is seen: nothing of it is undone.
  await measure(page, 'Turn in the jaws').fill('2')
  await measure(page, 'Turn in the jaws').press('Enter')
  await openSheet(page, 'rig/')
  await page.getByRole('button', { name: 'New rig' }).click()
  await page.getByRole('heading', { name: 'What kind of rig?' }).click()
  await page.keyboard.press('Control+z')
  await openSheet(page, 'clamp/')
  await expect(measure(page, 'Turn in the jaws')).toHaveValue('2.0')
})

test('stones, centring, the best hold and the printed card have keys', async ({ page }) => {
  await page.addInitScript(() => (window.print = () => document.body.setAttribute('data-printed', '')))
  await openJob(page, 'Chef’s knife, weekly')
  await page.keyboard.press('.')
  await expect(page.getByRole('button', { name: 'Plain No. 5', pressed: true })).toBeVisible()
  await page.keyboard.press(',')
  await expect(page.getByRole('button', { name: 'Plain No. 4', pressed: true })).toBeVisible()
  await page.keyboard.press('o')
  await expect(page.getByLabel('Off centre, towards A', { exact: true })).toBeVisible()
  await page.keyboard.press('Escape')
  await page.keyboard.press('f')
  await expect(page.getByTestId('placement')).toBeVisible()
  await page.keyboard.press('k')
  await expect(page.locator('body')).toHaveAttribute('data-printed')
  // No key stands for two commands.
  await page.keyboard.press('?')
  const rows = page.getByRole('dialog', { name: 'Keys' }).locator('section:not(:last-child) dd')
  await expect(rows.filter({ hasText: 'O' })).toHaveCount(1)
  const keys = await rows.allInnerTexts()
  expect(new Set(keys).size).toBe(keys.length)
})

test('Enter leaves any field with its figure, Escape takes it back, and single keys work at once', async ({ page }) => {
  await openJob(page, 'Vine hooks')
  await openSheet(page, 'clamp/gauge')
  const read = page.getByTestId('gauge-A')
  await read.fill('22.4')
  await read.press('Enter')
  await expect(read).not.toBeFocused()
  await expect(ledger(page, 'read', 'A')).toHaveText('22.4°')
  await read.fill('19')
  await read.press('Escape')
  await expect(read).toHaveValue('22.4')
  await expect(read).not.toBeFocused()
  await expect(ledger(page, 'read', 'A')).toHaveText('22.4°')
  const name = page.getByLabel('Name of this job')
  await name.fill('Vine hooks, autumn')
  await name.press('Enter')
  await page.keyboard.press('w')
  await expect(page.getByTestId('wanted-A')).toBeVisible()
  // What is typed in a dialog that is left is there when it is opened again, and is thrown away knowingly.
  await page.getByTestId('wanted-A').fill('19.5')
  await page.keyboard.press('Escape')
  await expect(page.getByTestId('wanted-A')).toBeHidden()
  await page.reload()
  await expect(ledger(page, 'wanted', 'A')).toHaveText('22.0°')
  await page.keyboard.press('w')
  await expect(page.getByTestId('wanted-A')).toHaveValue('19.5')
  await page.getByRole('button', { name: 'Start over' }).click()
  await expect(page.getByTestId('wanted-A')).toHaveValue('22')
  await expect(ledger(page, 'wanted', 'A')).toHaveText('22.0°')
})

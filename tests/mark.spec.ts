import { expect, ledger, openJob, test } from './bench'

test('a look at four zones takes few keys, says what is there, is struck out and comes back', async ({ page }) => {
  await openJob(page, 'Chef’s knife, weekly')
  let presses = 0
  const press = async (...keys: string[]) => {
    for (const key of keys) await page.keyboard.press(key)
    presses += keys.length
  }
  await press('4')
  await expect(page).toHaveTitle(/Which bevel is there/)
  const strip = page.getByRole('group', { name: 'The bevel from heel to tip' })
  await strip.getByRole('button', { name: /heel/ }).focus()
  // Shoulder a quarter bare at the heel, the middle as that; all of the belly; at the edge, 35 %, at the tip.
  await press('ArrowDown', 'ArrowRight', '=')
  await press('ArrowRight', 'ArrowDown', 'ArrowDown', 'ArrowDown', 'ArrowDown')
  await expect(strip.getByRole('button', { name: 'belly: bare all of it' })).toBeFocused()
  await press('ArrowRight', '=', 'ArrowDown', '+', '+')
  await expect(strip.getByRole('button', { name: 'tip: bare at the edge, 35 %' })).toBeFocused()
  await expect(strip.getByRole('button', { name: 'middle: bare at the shoulder, 25 %' })).toBeVisible()

  // A reload in the middle of it loses nothing.
  await page.reload()
  await expect(strip.getByRole('button', { name: 'tip: bare at the edge, 35 %' })).toBeVisible()
  await strip.getByRole('button', { name: /heel/ }).focus()
  await press('Enter')
  expect(presses).toBeLessThan(25)

  const looks = page.getByTestId('looks').getByRole('listitem')
  await expect(looks).toHaveCount(1)
  await expect(looks.first()).toContainText('tip, set')
  const belly = page.getByTestId('says-belly')
  await expect(belly).toHaveText(/^\d+(\.\d)?°, \d+(\.\d)?° to \d+(\.\d)?°$/)
  const [said] = /[\d.]+/.exec(await belly.innerText())!
  const set = Number(/[\d.]+/.exec(await strip.getByText(/^set/).nth(2).innerText())![0])
  expect(Math.abs(Number(said) - set)).toBeLessThan(0.8)
  await expect(page.getByTestId('ink-next').getByRole('button', { name: /for the next look/ })).toBeVisible()
  await expect(page.getByText('Look on at the ink of A')).toBeVisible()

  await page.getByRole('button', { name: /^Strike out the look at A/ }).click()
  await expect(page.getByText('None yet.')).toBeVisible()
  await expect(belly).toHaveText('not looked at')
  await page.keyboard.press('Control+z')
  await expect(looks).toHaveCount(1)
  await expect(belly).toHaveText(/°/)

  await page.getByRole('button', { name: /as proved by ink/ }).click()
  await expect(ledger(page, 'proved', 'A')).toHaveText(/°/)
  await expect(page.getByText(/^By ink: /)).toBeVisible()
})

test('nothing said is told so; the simulated blade shows itself, and what is dialled next is dialled', async ({
  page,
}) => {
  await openJob(page, 'Chef’s knife, weekly')
  await page.keyboard.press('4')
  await page.getByRole('button', { name: 'B', exact: true }).click()
  await page.getByRole('button', { name: 'Note the look' }).click()
  await expect(page.getByText('Say of one zone at least what is bare.')).toBeVisible()
  await page.getByRole('button', { name: 'Let the simulated blade show it' }).click()
  await page.getByRole('button', { name: 'Note the look' }).click()
  await expect(page.getByRole('heading', { name: 'What the ink says of B' })).toBeVisible()
  await expect(page.getByTestId('says-tip')).toHaveText(/°/)
  const before = await ledger(page, 'set', 'B').innerText()
  await page.getByRole('button', { name: /for the next look/ }).click()
  await expect(page.getByText('It stands there: ink')).toBeVisible()
  await expect(ledger(page, 'set', 'B')).not.toHaveText(before)
})

test('looks that cannot both be true are named with what most likely went wrong', async ({ page }) => {
  await openJob(page, 'Pocket knife from the gate')
  await page.keyboard.press('4')
  const heel = page.getByRole('group', { name: 'The bevel from heel to tip' }).getByRole('button', { name: /heel/ })
  const say = async (steps: number) => {
    await heel.focus()
    for (let i = 0; i < steps; i++) await page.keyboard.press('ArrowDown')
    await page.keyboard.press('Enter')
  }
  await say(1)
  await expect(page.getByTestId('says-heel')).toHaveText(/°/)
  await say(5)
  await expect(page.getByTestId('ink-against')).toContainText('heel: “at the edge” at')
  await expect(page.getByTestId('ink-against')).toContainText('can hardly be true with the other looks.')
  await page
    .getByRole('button', { name: /^Strike out the look at A/ })
    .first()
    .click()
  await expect(page.getByTestId('says-heel')).toHaveText(/°/)
  await expect(page.getByTestId('ink-against')).toHaveCount(0)
  // The job is left as it was found.
  await page.getByRole('button', { name: /^Strike out the look at A/ }).click()
  await expect(page.getByText('None yet.')).toBeVisible()
})

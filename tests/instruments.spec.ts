import { expect, ledger, openJob, test } from './bench'

test('an instrument on the shelf gives its doubt and takes its zero off what is read with it', async ({ page }) => {
  await page.goto('/shelf?new=instrument')
  const form = page.getByRole('form', { name: 'Instrument' })
  await form.getByRole('button', { name: 'Keep' }).click()
  await expect(form.getByText('Give it a name.')).toBeVisible()
  await form.getByLabel('Name').fill('Screen by the door')
  await form.getByLabel('Kind').click()
  await page.getByRole('option', { name: 'Goniometer, flat screen' }).click()
  await expect(form.getByText('Measure it and write it here.')).toBeVisible()
  await form.getByLabel(/^Edge to screen/).fill('250')
  await form.getByLabel(/^Known to/).fill('0.4')
  // Left in the middle, it stands as it was.
  await page.reload()
  await page.goto('/shelf?new=instrument')
  await expect(form.getByLabel(/^Edge to screen/)).toHaveValue('250')
  await form.getByLabel(/^Shows too much/).fill('0,5')
  await form.getByRole('button', { name: 'Keep' }).click()
  await expect(page.getByRole('radio', { name: /Screen by the door/ })).toBeChecked()

  await openJob(page, 'Vine hooks')
  await page.getByRole('link', { name: /Prove/ }).click()
  await page.getByTestId('instrument-proof').click()
  await page.getByRole('option', { name: 'Screen by the door' }).click()
  await expect(page.getByText('0.5° taken off on A, 0.5° added on B')).toBeVisible()
  await expect(page.getByLabel(/^Known to/)).toHaveAttribute('placeholder', '0.4')
  for (const side of ['A', 'B']) {
    await page.getByRole('radio', { name: side, exact: true }).click()
    await page.getByTestId('proof-deg').fill('20')
    await page.getByRole('button', { name: 'Note it' }).click()
  }
  await expect(page.getByTestId('noted').getByText('Proved, with Screen by the door')).toHaveCount(2)
  await expect(page.getByTestId('noted').getByText('± 0.4°')).toHaveCount(2)
  await expect(ledger(page, 'proved', 'A')).toHaveText(/19\.5/)
  await expect(ledger(page, 'proved', 'B')).toHaveText(/20\.5/)
})

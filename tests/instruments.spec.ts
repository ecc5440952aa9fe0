import { expect, ledger, openJob, test } from './bench'

test('an instrument on the shelf gives its uncertainty and takes its zero off what is read with it', async ({
  page,
}) => {
  await page.goto('/shelf?new=instrument')
  const form = page.getByRole('form', { name: 'Instrument' })
  await form.getByRole('button', { name: 'Save', exact: true }).click()
  await expect(form.getByText('Give it a name.')).toBeVisible()
  await form.getByLabel('Name').fill('Screen by the door')
  await form.getByLabel('Kind').click()
  await page.getByRole('option', { name: 'Goniometer, flat screen' }).click()
  await expect(form.getByText('Measure it and enter it here.')).toBeVisible()
  await form.getByLabel(/^Edge to screen/).fill('250')
  await form.getByLabel(/^Known to/).fill('0.4')
  // Left in the middle, it stands as it was.
  await page.reload()
  await page.goto('/shelf?new=instrument')
  await expect(form.getByLabel(/^Edge to screen/)).toHaveValue('250')
  await form.getByLabel('On side A, °').fill('18,5')
  await form.getByLabel('Turned end for end').fill('17.5')
  await expect(form.getByText('The bevel is 18.0°; the instrument’s own zero is +0.5°: each ± 0.3°.')).toBeVisible()
  await form.getByRole('button', { name: 'Apply' }).click()
  await expect(form.getByLabel(/^Shows too much/)).toHaveValue('0.5')
  await form.getByRole('button', { name: 'Save', exact: true }).click()
  await expect(page.getByRole('radio', { name: /Screen by the door/ })).toBeChecked()

  await openJob(page, 'Vine hooks')
  await page.getByRole('link', { name: /Prove/ }).click()
  await page.getByTestId('instrument-proof').click()
  await page.getByRole('option', { name: 'Screen by the door' }).click()
  await expect(page.getByText('0.5° taken off on A, 0.5° added on B')).toBeVisible()
  for (const side of ['A', 'B']) await page.getByTestId(`gonio-${side}-edge`).fill('20')
  // Without primary spots the blade may stand askew by half a degree; the screen may stand 2 mm off, and the edge not
  // quite square: all that comes on top of the instrument's own 0.4.
  await expect(page.getByTestId('gonio-says').getByText('± 0.7°')).toHaveCount(2)
  await page.getByRole('button', { name: 'Record it' }).click()
  await expect(page.getByTestId('noted').getByText('Proved, with Screen by the door')).toHaveCount(2)
  await expect(page.getByTestId('noted').getByText('± 0.7°')).toHaveCount(2)
  await expect(ledger(page, 'proved', 'A')).toHaveText(/19\.5/)
  await expect(ledger(page, 'proved', 'B')).toHaveText(/20\.5/)

  // A second instrument tells the same place: what they come to is their mean, by how well each tells it.
  await page.getByTestId('instrument-proof').click()
  await page.getByRole('option', { name: 'Potting-shed goniometer' }).click()
  await page.getByTestId('gonio-A-edge').fill('19.7')
  await page.getByRole('button', { name: 'Record it' }).click()
  await expect(page.getByTestId('noted').getByText('Proved, with Potting-shed goniometer')).toHaveCount(1)
  await expect(ledger(page, 'proved', 'A')).toHaveText(/19\.6/)

  await page.getByRole('button', { name: 'Watch the simulated screen' }).click()
  const spots = page.getByTestId('simulated-screen').locator('ellipse')
  await expect(spots).toHaveCount(5)
  const places = () => spots.evaluateAll((all) => all.map((one) => Number(one.getAttribute('cx'))))
  const before = await places()
  await page.getByLabel('Turn the blade in the beam').press('ArrowRight')
  await expect.poll(async () => (await places()).every((x, i) => x > before[i]!)).toBe(true)
})

import { comesTo, degrees, expect, ledger, measure, openJob, openSheet, saved, test } from './bench'
import type { Page } from '@playwright/test'

const heelMm = async (page: Page) =>
  Number(await page.getByRole('slider', { name: /^Place along the edge/ }).getAttribute('aria-valuenow'))

test('how sure: the ranked budget, the samples that agree with it, and a measure known better', async ({ page }) => {
  await openJob(page, 'Packing-room cutter')
  await openSheet(page, 'uncertainty/')
  const total = async () => Number(/\d+\.\d+/.exec((await page.getByTestId('known-to').textContent())!)![0])
  const before = await total()
  await expect(page.getByRole('img', { name: /^What adds to the uncertainty, largest first/ })).toBeVisible()
  await page.getByRole('button', { name: 'Draw the samples' }).click()
  await expect(page.getByTestId('sampled')).toBeVisible()
  await expect
    .poll(async () => Math.abs(Number(await page.getByTestId('sampled-half').textContent()) - before))
    .toBeLessThanOrEqual(0.02)
  const tilt = page
    .getByRole('region', { name: 'How well is the hold known, to ±' })
    .getByLabel('Tilt', { exact: true })
  await tilt.fill('0')
  await tilt.press('Enter')
  await expect.poll(total).toBeLessThan(before)
  // What was drawn for the other set-up is gone.
  await expect(page.getByTestId('sampled')).toBeHidden()
})

test('samples can be stopped', async ({ page }) => {
  await openJob(page, 'Vine hooks')
  await openSheet(page, 'uncertainty/')
  await expect(page.getByRole('button', { name: 'Draw the samples' })).toBeVisible()
  // Within the page, in the frame in which it appears: from outside the samples are sometimes drawn before Stop is hit.
  await page.evaluate(async () => {
    const button = (text: string) =>
      [...document.querySelectorAll('button')].find((one) => one.textContent?.trim() === text)
    button('Draw the samples')!.click()
    while (!button('Stop')) await new Promise(requestAnimationFrame)
    button('Stop')!.click()
  })
  await expect(page.getByRole('button', { name: 'Draw the samples' })).toBeVisible()
  await expect(page.getByTestId('sampled')).toBeHidden()
})

test('what if: the point is dragged and stepped, and the angle follows the lines', async ({ page }) => {
  await openJob(page, 'Chef’s knife, weekly')
  await openSheet(page, 'uncertainty/what-if')
  const point = page.getByRole('slider', { name: /^The rig as it stands/ })
  const before = await degrees(ledger(page, 'set', 'A'))
  const box = (await point.boundingBox())!
  const [x, y] = [box.x + box.width / 2, box.y + box.height / 2]
  await page.mouse.move(x, y)
  await page.mouse.down()
  await page.mouse.move(x, y - 60, { steps: 8 })
  await page.mouse.up()
  const raised = await degrees(ledger(page, 'set', 'A'))
  expect(raised).toBeGreaterThan(before + 1)
  await point.press('ArrowDown')
  await expect.poll(() => degrees(ledger(page, 'set', 'A'))).toBeLessThanOrEqual(raised)
  await point.press('Shift+ArrowRight')
  await expect.poll(() => degrees(ledger(page, 'set', 'A'))).toBeLessThan(raised)
  await page.keyboard.press('Control+z')
  await page.keyboard.press('Control+z')
  await page.keyboard.press('Control+z')
  await expect.poll(() => degrees(ledger(page, 'set', 'A'))).toBe(before)
  // The figure told for a millimetre is what a millimetre does.
  const told = Number(
    (await page
      .getByRole('row', { name: /^Blade height/ })
      .locator('td')
      .last()
      .textContent())!
      .replace('−', '-')
      .replace('°', ''),
  )
  await page.keyboard.press('3')
  const out = Number(await measure(page, 'Blade height').inputValue())
  await measure(page, 'Blade height').fill(String(out - 8))
  await measure(page, 'Blade height').press('Enter')
  await comesTo(ledger(page, 'set', 'A'), before - 8 * told, 0.2)
})

test('the gauge: where it reads the edge angle, what it must read elsewhere, and why it read otherwise', async ({
  page,
}) => {
  await openJob(page, 'Chef’s knife, weekly')
  // The sheets go round: two back from the first is the last but one.
  await page.keyboard.press('[')
  await expect(page).toHaveURL(/\/clamp\/card$/)
  await page.keyboard.press('[')
  await expect(page).toHaveURL(/\/clamp\/gauge$/)
  await page.getByRole('button', { name: 'Look there' }).click()
  const must = page.getByTestId('must-read')
  await expect(must).toHaveText((await ledger(page, 'set', 'A').textContent())!)
  const place = page.getByRole('slider', { name: /^Place along the edge/ })
  const square = await heelMm(page)
  for (let i = 0; i < 16; i++) await place.press('Shift+ArrowLeft')
  await expect.poll(() => heelMm(page)).toBeLessThan(square - 70)
  const set = await degrees(ledger(page, 'set', 'A'))
  await expect.poll(() => degrees(must)).toBeLessThan(set - 0.5)

  const onCentre = await degrees(must)
  const [a, b] = [onCentre, onCentre]
  await page.getByText('On the blade’s flat', { exact: true }).click()
  await expect.poll(() => degrees(must)).toBeLessThan(onCentre - 0.5)
  const onFlat = await degrees(must)
  await page.getByText('On the blade’s centre plane', { exact: true }).click()
  // Read as if it had been zeroed on the flat: that is the first cause named.
  for (const [side, deg] of [
    ['A', a],
    ['B', b],
  ] as const) {
    await page.getByTestId(`gauge-${side}`).fill((deg - (onCentre - onFlat)).toFixed(1))
    await page.getByTestId(`gauge-${side}`).press('Tab')
  }
  await expect(page.getByTestId('causes').getByRole('listitem').first()).toContainText('zeroed on the blade’s flat')
  await expect(ledger(page, 'read', 'A')).toHaveText(`${(a - (onCentre - onFlat)).toFixed(1)}°`)

  await page.getByRole('button', { name: 'Read with the simulated gauge' }).click()
  await expect.poll(async () => Math.abs((await degrees(page.getByTestId('live'))) - onCentre)).toBeLessThan(1.5)
  await expect(page.getByTestId('at-rest')).toContainText('at rest')
  await page.getByRole('button', { name: 'Hold for A' }).click()
  await expect.poll(async () => Math.abs((await degrees(ledger(page, 'read', 'A'))) - onCentre)).toBeLessThan(1.5)
  await page.getByTestId('gauge-A').fill('steep')
  await page.getByTestId('gauge-A').press('Tab')
  await expect(page.getByText('Enter the angle as a number, such as 17.5.')).toBeVisible()
})

test('two sides: the centring error is found by turning over, explained, and corrected per side', async ({ page }) => {
  await openJob(page, 'Packing-room cutter')
  await page.keyboard.press('Control+k')
  await expect(page.getByPlaceholder('What do you want to do?')).toBeFocused()
  await page.keyboard.type('Two sides')
  await page.keyboard.press('Enter')
  await expect(page.getByTestId('differ')).toHaveText('0.0°')
  const pair = async (name: string, a: string, b: string) => {
    await page.getByTestId(`${name}-A`).fill(a)
    await page.getByTestId(`${name}-B`).fill(b)
  }
  await pair('flat', '-1.5', '-2.5')
  await expect(page.getByTestId('tilt-found')).toContainText('Tilted by 0.5° towards A; each flat falls 2.0°')
  await pair('edge', '41.2', '40')
  // Half of 1.2 mm, less what half a degree lifts an edge so far out.
  await expect(page.getByTestId('found')).toContainText('tilted 0.5° towards A')
  await page.getByText('Is it the clamp, or is it the blade?').click()
  await pair('turned', '40', '41.2')
  await expect(page.getByTestId('parts')).toBeVisible()
  await page.getByRole('button', { name: 'Use it in this job' }).click()
  await expect.poll(() => degrees(page.getByTestId('differ'))).not.toBe(0)
  await expect(page.getByRole('list', { name: 'What makes them differ' })).toContainText('Tilted blade')
  await page.getByRole('button', { name: 'I have dialled both' }).click()
  await saved(page)
  const wanted = await degrees(ledger(page, 'wanted', 'A'))
  for (const side of ['A', 'B'] as const) await comesTo(ledger(page, 'set', side), wanted, 0.06)
})

test('printed marks told true, and the mark to set', async ({ page }) => {
  await openJob(page, 'Vine hooks')
  await openSheet(page, 'rig/marks')
  const set = await degrees(ledger(page, 'set', 'A'))
  const row = page.getByTestId('marks').getByRole('row', { name: /^20\.0°/ })
  const headers = await page.getByTestId('marks').locator('thead th').allTextContents()
  const cell = row.locator('td').nth(headers.indexOf('Plain No. 6') - 1)
  await comesTo(cell, set, 0.051)
  await expect(page.getByRole('img', { name: /^True edge angle against the marks/ })).toBeVisible()
  await comesTo(page.getByTestId('mark').locator('xpath=following-sibling::p//b').first(), 22, 0.5)
})

test('stones in order: each swap says how far the pivot moves, the collar and the shim', async ({ page }) => {
  await openJob(page, 'Chef’s knife, weekly')
  await openSheet(page, 'grind/')
  const rows = page.getByTestId('swaps').locator('tbody tr')
  await expect(rows).toHaveCount(5)
  // From 5.7 mm to 9.2 mm at 14° or 15°: 3.5 / cos θ = 3.6 mm, 2.4 turns of 1.5 mm.
  await expect(rows.nth(2)).toContainText('Plain No. 4')
  await expect(rows.nth(2)).toContainText('+3.6 mm')
  await expect(rows.nth(2)).toContainText('+2 turns 4 marks')
  await expect(rows.nth(0)).toContainText('3.6 mm')
  await page.getByRole('checkbox', { name: /Plain No. 3/ }).click()
  await expect(rows.nth(1)).toContainText('+3.7 mm')
  await page.getByRole('checkbox', { name: /Plain No. 6/ }).click()
  // Coarse to fine, whatever the order of choosing.
  await expect(rows.locator('th')).toHaveText([
    'Plain No. 2',
    'Plain No. 4',
    'Plain No. 5',
    'Plain No. 6',
    'Plain No. 7',
  ])
  await saved(page)
  await page.reload()
  await expect(rows).toHaveCount(5)
})

test('the wear log tells what is due', async ({ page }) => {
  await openJob(page, 'Vine hooks')
  await page.keyboard.press('1')
  await page.getByRole('radiogroup', { name: 'Stone' }).getByText('Plain No. 5').click()
  await page.getByRole('button', { name: 'Wear log' }).click()
  await expect(page.getByTestId('due')).toContainText('Flatten it')
  const log = page.getByRole('form', { name: 'New line of the log' })
  await log.getByLabel('What').click()
  await page.getByRole('option', { name: 'flattened' }).click()
  await log.getByLabel(/^Rod to face/).fill('thin')
  await log.getByRole('button', { name: 'Write it down' }).click()
  await expect(log.getByText('“thin” is not a length.')).toBeVisible()
  await log.getByLabel(/^Rod to face/).fill('8.6')
  await log.getByRole('button', { name: 'Write it down' }).click()
  await expect(page.getByTestId('due')).toHaveText('Nothing is due.')
  await expect(page.getByRole('list', { name: 'Wear log' }).getByRole('listitem')).toHaveCount(3)
})

test('a name with markup in it is text, in a chart too', async ({ page }) => {
  const hostile = '<meta http-equiv="refresh" content="0;url=/gone"><b id="made">x</b>'
  const { records } = (await (await page.request.get('/api/stones')).json()) as { records: Record<string, unknown>[] }
  for (const stone of records) {
    const answer = await page.request.put(`/api/stones/${String(stone.id)}`, { data: { ...stone, name: hostile } })
    expect(answer.status()).toBe(200)
  }
  await openJob(page, 'Vine hooks')
  await openSheet(page, 'rig/marks')
  const chart = page.locator('.apexcharts-legend')
  await expect(chart).toContainText('‹meta http-equiv="refresh"')
  await expect(page.locator('#made, [role="img"] meta')).toHaveCount(0)
  await openSheet(page, 'uncertainty/')
  await expect(page.locator('#made')).toHaveCount(0)
  await openSheet(page, 'clamp/card')
  await expect(page.getByText('<meta http-equiv').first()).toBeVisible()
  await expect(page.locator('#made')).toHaveCount(0)
  expect(page.url()).toContain('/clamp/card')
})

import { expect, measure, openJob, openSheet, saved, test } from './bench'

test('a hold that is none is never advised, and is an alarm wherever it shows', async ({ page }) => {
  await openJob(page, 'Chef’s knife, weekly')
  const panel = page.getByRole('region', { name: 'What to dial' })
  await expect(panel).toContainText('Moving the blade alone does not do it: the jaws hold the blade only to')
  await expect(panel.getByRole('button', { name: 'Hold it like this' })).toHaveCount(0)

  // Out of the jaws altogether: refused at its field, with what can be.
  const height = measure(page, 'Blade height')
  const before = await height.inputValue()
  await height.fill('50')
  await height.press('Enter')
  await expect(
    page.getByText(/^The jaws would not touch the blade: here they hold it \d+\.\d mm to \d+\.\d mm out\.$/),
  ).toBeVisible()

  // Nearly out: taken as it is measured, and an alarm in words, on every sheet and on the card.
  await height.fill('40')
  await height.press('Enter')
  const next = page.getByTestId('next-step')
  await expect(next).toContainText('No hold')
  await expect(next).toContainText('the jaws hold too little of the blade, or none')
  await expect(page.getByTestId('no-dial')).toHaveText('The jaws do not hold the blade here: hold it elsewhere first.')
  await openSheet(page, 'clamp/hold')
  await expect(page.getByText('Too little steel is held: take a deeper stop, or narrower jaws.')).toBeVisible()
  await openSheet(page, 'clamp/card')
  const card = page.getByRole('img', { name: 'The clamp card' })
  await expect(card).toContainText('No hold: the jaws hold too little')
  await expect(card).toContainText('not possible')
  await next.getByRole('button', { name: 'Hold it like this' }).click()
  await expect(next).not.toContainText('No hold')
  await expect(card).not.toContainText('not possible')
  await openSheet(page, 'clamp/')
  await expect(height).toHaveValue(before)
})

test('the dial is for a named place: looking elsewhere changes nothing of it', async ({ page }) => {
  await openJob(page, 'Chef’s knife, weekly')
  const [panel, dial, next] = [
    page.getByRole('region', { name: 'What to dial' }),
    page.getByTestId('dial'),
    page.getByTestId('next-step'),
  ]
  await expect(panel).toContainText('on A over the jaws’ middle')
  const [dialled, step] = [await dial.innerText(), await next.innerText()]
  const look = page.getByRole('slider', { name: /^Place along the edge/ })
  await look.focus()
  for (let i = 0; i < 20; i++) await page.keyboard.press('Shift+ArrowRight')
  await expect(page.getByText(/looking 196\.\d mm from the heel/)).toBeVisible()
  await expect(dial).toHaveText(dialled, { useInnerText: true })
  await expect(next).toHaveText(step, { useInnerText: true })

  // One press makes it the place that the dial is for; it is named, kept, and goes back as easily.
  await panel.getByRole('button', { name: /^Dial for 196\.\d mm from the heel$/ }).click()
  await expect(panel).toContainText(/on A 196\.\d mm from the heel/)
  await expect(dial).not.toHaveText(dialled, { useInnerText: true })
  await saved(page)
  await page.reload()
  await expect(panel).toContainText(/on A 196\.\d mm from the heel/)
  await panel.getByRole('button', { name: 'Dial for the edge over the jaws’ middle' }).click()
  await expect(dial).toHaveText(dialled, { useInnerText: true })
})

test('dialled is what a hand says it dialled: advised, noted, changed since', async ({ page }) => {
  await openJob(page, 'Packing-room cutter')
  const noted = page.getByTestId('noted')
  const next = page.getByTestId('next-step')
  await expect(next).toContainText('Measure the blade height')
  await page.getByTestId('go-to-step').click()
  await page.keyboard.press('Enter')
  await expect(page.getByRole('button', { name: /^Blade height measured/ })).toBeVisible()
  await expect(next).toContainText('Dial')
  await expect(noted).toHaveCount(0)
  await page.getByRole('button', { name: 'I have dialled it' }).click()
  await expect(noted).toHaveText(/^Dialled \d{4}-\d\d-\d\d \d\d:\d\d: .* for Plain No\. 2\.$/)
  await expect(next).toContainText('Read the gauge')
  await saved(page)
  await page.reload()
  await expect(noted).not.toContainText('Changed since')

  // What is chosen in the program turns no screw.
  await page.keyboard.press('u')
  await expect(noted).toContainText('Changed since: the dial.')
  await expect(next).toContainText('Dial')
  await page.keyboard.press('Control+z')
  await expect(noted).not.toContainText('Changed since')
  await page.getByRole('button', { name: /^Plain No\. 5/ }).click()
  await expect(noted).toContainText('for Plain No. 2. Changed since: the stone.')
  await page.keyboard.press('Control+z')
  await page.keyboard.press('Control+z')
  await expect(noted).toHaveCount(0)
})

test('a hold that another rig or blade took the place of comes back with it', async ({ page }) => {
  await openJob(page, 'Chef’s knife, weekly')
  await measure(page, 'Turn in the jaws').fill('1.5')
  await measure(page, 'Turn in the jaws').press('Enter')
  const at = await measure(page, 'Clamp position').inputValue()
  const dialled = await page.getByTestId('dial').innerText()
  await openSheet(page, 'rig/')
  for (const rig of ['Corner upright', 'Window-bench turner'])
    await page.getByRole('radiogroup', { name: 'Rig' }).getByText(rig).click()
  await openSheet(page, 'blade/')
  // The answer that comes last is not the one that counts: a hand that changes its mind is believed.
  let answerFirst = () => {}
  const heldBack = new Promise<void>((resolve) => (answerFirst = resolve))
  await page.route('**/api/around?*', (route) => heldBack.then(() => route.continue()), { times: 1 })
  const radio = (name: string) => page.getByRole('radiogroup', { name: 'Blade' }).getByText(name)
  const asked = page.waitForRequest('**/api/around?*')
  await radio('Harvest knife').click()
  const first = await asked
  await radio('Tea-room chef’s knife').click()
  answerFirst()
  await (await first.response())?.finished()
  // What the page does with it is done by the second frame from now.
  await page.evaluate(() => new Promise((done) => requestAnimationFrame(() => requestAnimationFrame(done))))
  await expect(page.getByRole('heading', { name: 'Tea-room chef’s knife' })).toBeVisible()
  for (const blade of ['Harvest knife', 'Tea-room chef’s knife']) {
    await radio(blade).click()
    await expect(page.getByRole('heading', { name: blade })).toBeVisible()
  }
  await openSheet(page, 'clamp/')
  await expect(measure(page, 'Turn in the jaws')).toHaveValue('1.5')
  await expect(measure(page, 'Clamp position')).toHaveValue(at)
  await expect(page.getByTestId('dial')).toHaveText(dialled, { useInnerText: true })
  await saved(page)
})

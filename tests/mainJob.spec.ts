import { comesTo, degrees, expect, ledger, measure, openJob, saved, test } from './bench'

test('with the mouse: pick rig, stone and blade, hold it, dial it, and find it again after a reload', async ({
  page,
}) => {
  await page.goto('/')
  await page.getByRole('link', { name: 'Start a job' }).click()
  await page.getByRole('button', { name: /^Budding knife/ }).click()
  await expect(page.getByRole('heading', { name: 'Which rig?' })).toBeVisible()
  const choice = (of: string) => page.getByRole('radiogroup', { name: of })
  await choice('Rig').getByText('Window-bench turner').click()
  await choice('Stone').getByText('Plain No. 4').click()
  await page.getByRole('link', { name: 'Next: the blade' }).click()
  await choice('Blade').getByText('Tea-room chef’s knife').click()
  await page.getByRole('link', { name: 'Next: clamp it' }).click()

  // Dragging the blade out of the jaws flattens the angle, and every figure follows.
  const before = await degrees(ledger(page, 'set', 'A'))
  const knob = page.getByRole('slider', { name: 'Blade height, out of the jaws' })
  const height = Number.parseFloat(await measure(page, 'Blade height').inputValue())
  const box = (await knob.boundingBox())!
  await page.mouse.move(box.x + box.width / 2, box.y + box.height / 2)
  await page.mouse.down()
  await page.mouse.move(box.x + box.width / 2, box.y + box.height / 2 - 4, { steps: 4 })
  await page.mouse.up()
  await expect
    .poll(async () => Number.parseFloat(await measure(page, 'Blade height').inputValue()))
    .toBeGreaterThan(height + 1)
  await expect.poll(() => degrees(ledger(page, 'set', 'A'))).toBeLessThan(before)

  // The wanted angle, its reason, and what to dial for it.
  await page.locator('[data-angle="wanted"] button').click()
  await page.getByTestId('wanted-A').fill('16,5')
  await page.getByRole('textbox', { name: 'Why' }).fill('Soft steel')
  await page.getByRole('button', { name: 'Save', exact: true }).click()
  await expect(ledger(page, 'wanted', 'B')).toHaveText('16.5°')
  await page.getByRole('button', { name: 'I have dialled it' }).click()
  await expect(page.getByRole('button', { name: 'Dialled', exact: true })).toBeVisible()
  await comesTo(ledger(page, 'set', 'A'), 16.5, 0.15)

  // Another stone shifts the angle by about its thickness, and Undo brings the first one back.
  const kept = await ledger(page, 'set', 'A').textContent()
  await page.getByRole('button', { name: /Plain No. 1/ }).click()
  await expect.poll(() => degrees(ledger(page, 'set', 'A'))).toBeGreaterThan(17.2)
  await page.getByRole('button', { name: 'Undo: stone' }).click()
  await expect(ledger(page, 'set', 'A')).toHaveText(kept!)

  await saved(page)
  await page.reload()
  await expect(ledger(page, 'set', 'A')).toHaveText(kept!)
  await expect(page.getByText('Soft steel').first()).toBeVisible()
  await expect(page.getByLabel('Name of this job')).toHaveValue('Tea-room chef’s knife')
  await page.getByRole('button', { name: /^Undo/ }).click()
  await expect(ledger(page, 'set', 'A')).not.toHaveText(kept!)
})

test('with the keyboard alone: the same job from the first key to the last', async ({ page }) => {
  await page.goto('/')
  await expect(page.getByRole('heading', { name: 'On the bench' })).toBeVisible()
  await page.keyboard.press('n')
  await expect(page.getByRole('heading', { name: 'Which blade is it?' })).toBeVisible()
  await page.getByRole('button', { name: /^Budding knife/ }).focus()
  await page.keyboard.press('Enter')
  await expect(page.getByRole('heading', { name: 'Which rig?' })).toBeVisible()
  await page.getByRole('radio', { name: /Long-bench/ }).focus()
  // However short the press.
  for (const rig of [/Window-bench turner/, /Corner upright/]) {
    await page.keyboard.press('ArrowDown')
    await expect(page.getByRole('radio', { name: rig })).toBeChecked()
  }
  await page.keyboard.press('2')
  await expect(page.getByRole('heading', { name: 'Which blade?' })).toBeVisible()
  await page.getByRole('radio', { checked: true, name: /./ }).focus()
  // Down to one that is wide enough to be held clear of these jaws at 18°; the one done last stands first.
  const blades = page.getByRole('radiogroup', { name: 'Blade' }).getByRole('radio')
  for (let i = 1; i < 8 && !(await page.getByRole('heading', { name: 'Harvest knife' }).isVisible()); i++) {
    await page.keyboard.press('ArrowDown')
    await expect(blades.nth(i)).toBeChecked()
  }
  await page.keyboard.press('3')
  await expect(page.getByRole('region', { name: 'The bench, drawn to scale' })).toBeVisible()

  await page.keyboard.press('w')
  await page.getByTestId('wanted-A').fill('18')
  await page.keyboard.press('Enter')
  await expect(ledger(page, 'wanted', 'A')).toHaveText('18.0°')

  await expect(page.getByTestId('wanted-A')).toBeHidden()
  await page.keyboard.press('d')
  await expect(page.getByRole('button', { name: 'Dialled', exact: true })).toBeFocused()
  await comesTo(ledger(page, 'set', 'A'), 18, 0.5)

  // One mark up, then back by undo.
  const set = await ledger(page, 'set', 'A').textContent()
  await page.keyboard.press('u')
  await expect(ledger(page, 'set', 'A')).not.toHaveText(set!)
  await page.keyboard.press('Control+z')
  await expect(ledger(page, 'set', 'A')).toHaveText(set!)

  // The knobs of the drawing answer to arrows, the fields to figures.
  await page.getByRole('slider', { name: 'Clamp position' }).focus()
  const position = await measure(page, 'Clamp position').inputValue()
  await page.keyboard.press('Shift+ArrowRight')
  await expect(measure(page, 'Clamp position')).toHaveValue((Number(position) - 5).toFixed(1))
  await page.keyboard.press('b')
  await expect(measure(page, 'Blade height')).toBeFocused()
  await page.keyboard.press('Control+a')
  await page.keyboard.type('9.5')
  await page.keyboard.press('Enter')
  await expect(measure(page, 'Blade height')).toHaveValue('9.5')

  await page.locator('body').press('Escape')
  await page.keyboard.press('Control+k')
  await expect(page.getByPlaceholder('What do you want to do?')).toBeFocused()
  await page.keyboard.type('other side')
  await page.keyboard.press('Enter')
  await expect(page.getByRole('button', { name: 'B', exact: true })).toHaveAttribute('aria-pressed', 'true')
  await page.getByRole('button', { name: 'B', exact: true }).press('?')
  await expect(page.getByRole('dialog', { name: 'Keys' })).toBeVisible()
  await page.keyboard.press('Escape')

  await saved(page)
  await page.reload()
  await expect(measure(page, 'Blade height')).toHaveValue('9.5')
})

test('a bad figure is told at its field in words, and the last good drawing stays', async ({ page }) => {
  await openJob(page, 'Packing-room cutter')
  const field = measure(page, 'Pivot height')
  const [before, set] = [await field.inputValue(), await ledger(page, 'set', 'A').textContent()]
  await field.fill('around 50')
  await field.press('Enter')
  await expect(page.getByRole('alert')).toHaveText('“around 50” is not a length.')
  await field.fill('300')
  await field.press('Enter')
  await expect(page.getByRole('alert')).toHaveText('This rig’s pivot stands between 36.0 mm and 112.0 mm.')
  await expect(field).toHaveValue('300')
  await expect(ledger(page, 'set', 'A')).toHaveText(set!)
  await expect(page.getByRole('group', { name: /^Section/ })).toBeVisible()
  await field.press('Escape')
  await expect(field).toHaveValue(before)

  await page.locator('[data-angle="wanted"] button').click()
  await page.getByTestId('wanted-A').fill('75')
  await page.getByRole('button', { name: 'Save', exact: true }).click()
  await expect(page.getByText('More than 60° per side is no cutting edge.')).toBeVisible()
})

test('the angle is that of the formula: a straight edge, worked out by hand', async ({ page }) => {
  await openJob(page, 'Packing-room cutter')
  const pivot = Number(await measure(page, 'Pivot height').inputValue())
  const out = Number(await measure(page, 'Blade height').inputValue())
  // Setback 138 mm and a face 5.6 mm from the rod, as the rig and the stone of this job say.
  const distance = 138 + out
  const byHand = ((Math.atan2(pivot, distance) - Math.asin(5.6 / Math.hypot(pivot, distance))) * 180) / Math.PI
  await comesTo(ledger(page, 'set', 'A'), byHand, 0.051)
})

test('inches, included angles and side names show everywhere and are kept', async ({ page }) => {
  await openJob(page, 'Pocket knife from the gate')
  const mm = Number(await measure(page, 'Blade height').inputValue())
  await page.getByRole('button', { name: 'Preferences' }).click()
  await page.getByText('Inches, 1.188').click()
  await page.getByText('Included', { exact: true }).click()
  await page.getByLabel('Side A').fill('Left')
  await page.getByLabel('Side A').press('Tab')
  await page.keyboard.press('Escape')
  await expect(measure(page, 'Blade height')).toHaveValue((mm / 25.4).toFixed(3))
  await expect(page.locator('[data-angle="wanted"]')).toContainText('40.0°')
  await page.reload()
  await expect(page.getByRole('button', { name: 'Left', exact: true })).toBeVisible()
  await measure(page, 'Blade height').fill('1')
  await measure(page, 'Blade height').press('Enter')
  await page.keyboard.press('Escape')
  // Who measures in fractions sees them; what is no 64th stays as exact as it was.
  await page.getByRole('button', { name: 'Preferences' }).click()
  await page.getByText(/^Inches, 1 3\/16/).click()
  await page.keyboard.press('Escape')
  await expect(measure(page, 'Blade height')).toHaveValue('1')
  for (const [typed, shown] of [
    ['15/16', '15/16'],
    ['0.901', '0.901'],
    ['1 1/32', '1 1/32'],
  ] as const) {
    await measure(page, 'Blade height').fill(typed)
    await measure(page, 'Blade height').press('Enter')
    await expect(measure(page, 'Blade height')).toHaveValue(shown)
  }
  await saved(page)
  await page.reload()
  await expect(measure(page, 'Blade height')).toHaveValue('1 1/32')
  await measure(page, 'Blade height').fill('1')
  await measure(page, 'Blade height').press('Enter')
  await page.getByRole('button', { name: 'Preferences' }).click()
  await page.getByText('Millimetres').click()
  await page.getByText('Per side', { exact: true }).click()
  await page.getByLabel('Side A').fill('A')
  await page.getByLabel('Side A').press('Tab')
  await page.keyboard.press('Escape')
  await expect(measure(page, 'Blade height')).toHaveValue('25.4')
})

test('how sure it is: the measure that adds the most comes first, and a better one makes the angle surer', async ({
  page,
}) => {
  await openJob(page, 'Pocket knife from the gate')
  await page.keyboard.press('e')
  const budget = page.getByRole('region', { name: 'How sure is the set angle' })
  const total = async () => Number(/± (\d+\.\d+)°/.exec((await budget.locator('p').first().textContent()) ?? '')?.[1])
  const shares = async () =>
    (await budget.getByRole('listitem').allTextContents()).map((text) => Number(/(\d+\.\d+)°/.exec(text)?.[1]))
  const before = await shares()
  expect(before).toEqual([...before].sort((a, b) => b - a))
  await expect.poll(total).toBeCloseTo(Math.hypot(...before), 1)
  const sure = await total()
  const known = budget.getByLabel('Blade height is known to ±', { exact: true })
  await known.fill('0.01')
  await known.press('Enter')
  await expect(budget.getByRole('alert')).toHaveText('A height out of the jaws is not measured better than 0.1 mm.')
  await known.fill('0.1')
  await known.press('Enter')
  await expect.poll(total).toBeLessThan(sure)
})

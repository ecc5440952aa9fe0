import type { Page } from '@playwright/test'
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
  await expect(page.getByTestId('ink-next').getByRole('button', { name: /for the next marker test/ })).toBeVisible()

  // The ledger shows what the ink says until something is noted as proved.
  await expect(page.locator('[data-angle="proved"]')).toContainText('A ink')
  await expect(ledger(page, 'proved', 'A')).toHaveText(/°/)

  await page.getByRole('button', { name: /^Remove the test of A/ }).click()
  await expect(page.getByText('None yet.')).toBeVisible()
  await expect(belly).toHaveText('not tested')
  await expect(ledger(page, 'proved', 'A')).toHaveText('–')
  await page.keyboard.press('Control+z')
  await expect(looks).toHaveCount(1)
  await expect(belly).toHaveText(/°/)

  // The old bevel is what was found: it proves nothing, and is not offered as proved.
  await expect(page.getByText('Found by ink, before any grinding')).toBeVisible()
  await expect(page.getByRole('button', { name: /as proved by ink/ })).toHaveCount(0)
})

test('nothing said is told so; the simulated blade shows itself, and what is dialled next is dialled', async ({
  page,
}) => {
  await openJob(page, 'Chef’s knife, weekly')
  await page.keyboard.press('4')
  await page.getByRole('button', { name: 'B', exact: true }).click()
  await page.getByRole('button', { name: 'Record this test' }).click()
  await expect(page.getByText('Say of one zone at least what is bare.')).toBeVisible()
  await page.getByRole('button', { name: 'Let the simulated blade show it' }).click()
  await page.getByRole('button', { name: 'Record this test' }).click()
  await expect(page.getByRole('heading', { name: 'What the ink says of B' })).toBeVisible()
  await expect(page.getByTestId('says-tip')).toHaveText(/°/)
  const before = await ledger(page, 'set', 'B').innerText()
  await page.getByRole('button', { name: /for the next marker test/ }).click()
  await expect(page.getByText('It is dialled: ink')).toBeVisible()
  await expect(ledger(page, 'set', 'B')).not.toHaveText(before)
})

test('while a test is being weighed the former figures stand, and nothing is called not tested', async ({ page }) => {
  // Whatever is asked of a worker waits for as long as the page says.
  await page.addInitScript(() => {
    const send = Worker.prototype.postMessage
    Worker.prototype.postMessage = function (this: Worker, ...message: unknown[]) {
      setTimeout(() => Reflect.apply(send, this, message), Number(sessionStorage.getItem('worker-waits') ?? 0))
    }
  })
  await openJob(page, 'Chef’s knife, weekly')
  await page.keyboard.press('4')
  await noteSimulated(page)
  const [weighing, tip] = [page.getByTestId('weighing'), page.getByTestId('says-tip')]
  await expect(tip).toHaveText(/°/)
  await expect(weighing).toHaveCount(0)
  const former = await tip.innerText()
  await page.evaluate(() => sessionStorage.setItem('worker-waits', '3000'))
  await noteSimulated(page)
  await expect(weighing).toBeVisible()
  await expect(tip).toHaveText(former)
  await expect(tip).toHaveClass(/text-muted/)
  await expect(page.getByTestId('ink-says')).not.toContainText('not tested')
  await expect(weighing).toHaveCount(0)
  await expect(tip).toHaveText(/°/)
  await expect(tip).not.toHaveClass(/text-muted/)
  await page.evaluate(() => sessionStorage.setItem('worker-waits', '0'))
  await removeAll(page)
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
  await expect(page.getByTestId('ink-against')).toContainText('contradicts the other tests.')
  await page
    .getByRole('button', { name: /^Remove the test of A/ })
    .first()
    .click()
  await expect(page.getByTestId('says-heel')).toHaveText(/°/)
  await expect(page.getByTestId('ink-against')).toHaveCount(0)
  // The job is left as it was found.
  await page.getByRole('button', { name: /^Remove the test of A/ }).click()
  await expect(page.getByText('None yet.')).toBeVisible()
})

/** Notes what the simulated blade shows on the side that is up. */
async function noteSimulated(page: Page) {
  await page.getByRole('button', { name: 'Let the simulated blade show it' }).click()
  await page.getByRole('button', { name: 'Record this test' }).click()
}
/** Every look of the job is struck out: the job is left as it was found. */
async function removeAll(page: Page) {
  const struck = page.getByRole('button', { name: /^Remove the test/ })
  for (let left = await struck.count(); left > 0; left--) {
    await struck.first().click()
    await expect(struck).toHaveCount(left - 1)
  }
}

test('when every zone is known: follow, cut or step by step in full, taken over with its reason, and undone', async ({
  page,
}) => {
  await openJob(page, 'Pocket knife from the gate')
  await page.keyboard.press('4')
  await page.getByRole('link', { name: 'Follow or cut?' }).click()
  await expect(page.getByText('Nobody has looked at this blade’s bevel yet')).toBeVisible()
  await page.getByRole('link', { name: 'do a marker test' }).click()
  await noteSimulated(page)
  await expect(page.getByTestId('says-tip')).toHaveText(/°/)
  await page.getByRole('link', { name: 'Follow or cut?' }).click()
  await expect(page.getByTestId('decide-open')).toContainText('B heel, B middle, B belly, B tip')
  await page.getByRole('link', { name: 'test there too' }).click()
  await page.getByRole('button', { name: 'B', exact: true }).click()
  await noteSimulated(page)
  await page.getByRole('link', { name: 'Follow this bevel, or cut another?' }).click()
  const [advised, follow] = [page.getByTestId('decide-advised'), page.getByTestId('plan-follow')]
  await expect(advised).toContainText(/^(Follow|Cut|Step by step)\. /)
  const there = page.getByTestId('decide-there').getByRole('listitem').first()
  const [found] = /[\d.]+(?=°)/.exec((await there.innerText()).replace(/^A has /, ''))!
  const button = follow.getByRole('button', { name: /^Apply/ })
  const [taken] = /[\d.]+(?=°)/.exec(await button.innerText())!
  expect(Math.abs(Number(taken) - Number(found))).toBeLessThan(0.51)
  await button.click()
  await expect(ledger(page, 'wanted', 'A')).toHaveText(`${taken}°`)
  await expect(page.getByText(/^Ink found .*: followed, the bevel that is there\.$/)).toBeVisible()
  await expect(follow).toContainText('It is what is wanted now.')
  await page.keyboard.press('Control+z')
  await expect(ledger(page, 'wanted', 'A')).toHaveText('20.0°')
  await page.getByRole('link', { name: 'Ink', exact: true }).click()
  await removeAll(page)
})

test('a photograph is tapped, read, mended and taken into the look; what is no bevel is told so', async ({ page }) => {
  await openJob(page, 'Pocket knife from the gate')
  await page.keyboard.press('4')
  await page.getByRole('link', { name: 'From a photograph' }).click()
  const chooser = page.getByLabel('Photograph of the bevel')
  await chooser.setInputFiles({ name: 'notes.png', mimeType: 'image/png', buffer: Buffer.from('no picture') })
  await expect(page.getByText('notes.png is not a picture that can be read. What was here is kept.')).toBeVisible()

  const picture = page.locator('svg image').first()
  const tapLine = async (down: (along: number) => number) => {
    const box = (await picture.boundingBox())!
    for (const along of [0.02, 0.26, 0.5, 0.74, 0.98])
      await page.mouse.click(box.x + along * box.width, box.y + down(along) * box.height)
  }
  const plain = await page.evaluate(() => {
    const canvas = document.createElement('canvas')
    Object.assign(canvas, { width: 600, height: 360 })
    const pen = canvas.getContext('2d')!
    pen.fillStyle = '#8f8f92'
    pen.fillRect(0, 0, 600, 360)
    return canvas.toDataURL('image/png').split(',')[1]!
  })
  await chooser.setInputFiles({ name: 'steel.png', mimeType: 'image/png', buffer: Buffer.from(plain, 'base64') })
  await page.getByRole('button', { name: 'Read the picture' }).click()
  await expect(page.getByText(/^Tap the edge and the shoulder at two places each/)).toBeVisible()
  await tapLine(() => 0.6)
  await page.getByLabel('the shoulder').click()
  await tapLine(() => 0.4)
  await page.getByRole('button', { name: 'Read the picture' }).click()
  await expect(page.getByText(/^No ink is seen between these lines/)).toBeVisible()

  await page.getByRole('button', { name: 'Photograph the simulated blade' }).click()
  await expect(page.getByText(/^0 taps/)).toBeVisible()
  // The simulated picture: 900 × 520, tilted by 2°, bowed by a fifth of a face of 84 pixels.
  const edge = (along: number) =>
    0.58 + (Math.tan(Math.PI / 90) * 900 * (along - 0.5) + 0.2 * 84 * (1 - (2 * along - 1) ** 2)) / 520
  await tapLine(edge)
  await page.getByLabel('the shoulder').click()
  await tapLine((along) => edge(along) - 84 / 520)
  // Picture and taps outlive the page.
  await page.reload()
  const proposed = page.getByTestId('proposals').getByRole('listitem')
  await expect(proposed).toHaveCount(4)
  const share = page.getByTestId('proposed-heel')
  const before = Number.parseInt(await share.innerText())
  expect(before).toBeGreaterThan(3)
  await page.getByRole('slider', { name: 'Bare of heel' }).focus()
  await page.keyboard.press('ArrowUp')
  await expect(share).toHaveText(`${before + 1} %`)
  await page.getByRole('button', { name: 'Use in this test' }).click()
  const strip = page.getByRole('group', { name: 'The bevel from heel to tip' })
  await expect(strip.getByRole('button', { name: new RegExp(`^heel: bare .*, ${before + 1} %`) })).toBeVisible()
  await page.getByRole('button', { name: 'Record this test' }).click()
  await expect(page.getByTestId('says-heel')).toHaveText(/°/)
  await removeAll(page)
})

test('a practice on a hidden blade: passes are told by eye, scored with the reasons, and leave the job as it was', async ({
  page,
}) => {
  await openJob(page, 'Pocket knife from the gate')
  await page.keyboard.press('4')
  await page.getByRole('link', { name: 'Practice' }).click()
  await expect(page.getByTestId('best-easy')).toHaveText('none yet')
  const set = await ledger(page, 'set', 'A').innerText()
  await page.getByRole('button', { name: /^Easy: / }).click()
  const strip = page.getByRole('group', { name: 'The bevel from heel to tip' })
  const heel = strip.getByRole('button', { name: /heel/ })
  await heel.focus()
  await page.keyboard.press('Enter')
  await expect(page.getByText('Make a light pass first.')).toBeVisible()
  await page.getByRole('button', { name: 'Make a light pass' }).click()
  await expect(page.getByText('What the pass exposed, heel to tip, edge below.')).toBeVisible()
  // All zones told as bare at the shoulder, whatever was shown: wrong somewhere, or off.
  await heel.focus()
  for (const key of ['ArrowUp', '*', 'Enter']) await page.keyboard.press(key)
  await expect(page.getByTestId('says-heel')).toHaveText(/°/)
  await page.getByRole('button', { name: /for the next marker test/ }).click()
  await expect(ledger(page, 'set', 'A')).not.toHaveText(set)
  await page.reload()
  await expect(page.getByTestId('looks').getByRole('listitem')).toHaveCount(1)
  // The other sheets say so, those of the job itself are closed, and the line stands on all of them.
  await page.keyboard.press('6')
  await expect(page.getByRole('heading', { name: 'Not during a practice' })).toBeVisible()
  await page.keyboard.press('3')
  await page.keyboard.press('u')
  await expect(page.getByTestId('practice-line')).toContainText('a hidden blade, not the one in the jaws, 1 pass.')
  await page.getByRole('link', { name: 'End the practice' }).click()
  await page.getByRole('button', { name: 'I know it: how well?' }).click()
  const score = page.getByTestId('practice-score')
  await expect(score).toContainText(/of 100/)
  await expect(score).toContainText(/On this blade the advice dials A 20\.0°/)
  await expect(score).toContainText(/It was: A heel \d+\.\d°/)
  await expect(page.getByTestId('best-easy')).toContainText(/^\d+ of 100, 1 pass,/)
  await expect(ledger(page, 'set', 'A')).toHaveText(set)
  await page.getByRole('link', { name: 'Ink', exact: true }).click()
  await expect(page.getByText('None yet.')).toBeVisible()
})

test('looks at this blade from an earlier job are seen, count nothing, and can be taken as a start', async ({
  page,
}) => {
  await openJob(page, 'Packing-room cutter')
  await page.keyboard.press('4')
  await noteSimulated(page)
  await expect(page.getByTestId('looks').getByRole('listitem')).toHaveCount(1)
  await page.goto('/start')
  await page.getByRole('button', { name: /Angular-tip utility knife/ }).click()
  await expect(page.getByRole('region', { name: 'The bench, drawn to scale' })).toBeVisible()
  await page.keyboard.press('4')
  const says = page.getByTestId('ink-says')
  await expect(says).not.toContainText('°')
  await expect(page.getByTestId('earlier-looks').getByRole('listitem')).toHaveCount(1)
  await page.getByRole('button', { name: /^Count the test of A of/ }).click()
  await expect(says).toContainText('°')
  await expect(page.getByTestId('earlier-looks')).toHaveCount(0)
  await page.keyboard.press('Control+z')
  await expect(says).not.toContainText('°')
})

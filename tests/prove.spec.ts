import { readFileSync } from 'node:fs'
import { expect, ledger, openJob, test } from './bench'

/** Taps a place of the photograph, pixels of the picture, which is fitted to its frame. */
async function tap(page: import('@playwright/test').Page, x: number, y: number) {
  const frame = page.getByLabel('The photograph with its marks')
  const box = (await frame.boundingBox())!
  const k = Math.min(box.width / 1280, box.height / 480)
  await page.mouse.click(box.x + box.width / 2 + (x - 640) * k, box.y + box.height / 2 + (y - 240) * k)
}
/** Where the ticks of the make-believe screen stand: on a flat one, tilted by 1.2°. */
function tickAt(deg: number): [x: number, y: number] {
  const flat = (of: number) => Math.tan((2 * of * Math.PI) / 180)
  const along = (17 * flat(deg)) / flat(1)
  const [cos, sin] = [Math.cos((1.2 * Math.PI) / 180), Math.sin((1.2 * Math.PI) / 180)]
  return [640 + along * cos - 43 * sin, 240 + along * sin + 43 * cos]
}

test('both sides are proved at once: the shift is taken out, bad figures are told, the notes can be undone', async ({
  page,
}) => {
  await openJob(page, 'Vine hooks')
  await page.getByRole('link', { name: /Prove/ }).click()
  const form = page.getByRole('form', { name: 'What the goniometer shows' })
  await form.getByRole('button', { name: 'Record it' }).click()
  await expect(form.getByRole('alert')).toHaveText('Enter where the edge of one side shows at least.')
  await page.getByTestId('gonio-A-edge').fill('18,5')
  await page.getByTestId('gonio-A-primary').fill('3.5')
  await page.getByTestId('gonio-B-edge').fill('steep')
  await form.getByRole('button', { name: 'Record it' }).click()
  await expect(form.getByText('Enter the angle as a number, such as 17.5.')).toBeVisible()
  await expect(page.getByTestId('gonio-B-edge')).toBeFocused()
  // Left half-entered, it stands as it was.
  await page.reload()
  await expect(page.getByTestId('gonio-A-edge')).toHaveValue('18,5')
  await page.getByTestId('gonio-B-edge').fill('14.5')
  await page.getByTestId('gonio-B-primary').fill('2.5')
  const says = page.getByTestId('gonio-says')
  await expect(says).toContainText('18.0°')
  await expect(says).toContainText('15.0°')
  await expect(says).toContainText('33.0°')
  await expect(says).toContainText('0.5° towards A: that is taken out')
  await expect(says).toContainText('A is 3.0° steeper')
  await form.getByLabel('Cut through to the apex').click()
  await page.getByRole('option', { name: 'yes, a burr came up' }).click()
  await form.getByRole('button', { name: 'Record it' }).click()
  await expect(ledger(page, 'proved', 'A')).toHaveText(/18\.0/)
  await expect(ledger(page, 'proved', 'B')).toHaveText(/15\.0/)
  await page.getByRole('button', { name: /^Undo/ }).click()
  await expect(ledger(page, 'proved', 'A')).not.toHaveText(/18\.0/)
})

test('the screen in a photograph is read, looked over, and taken into the form', async ({ page }) => {
  await openJob(page, 'Pocket knife from the gate')
  await page.getByRole('link', { name: /Prove/ }).click()
  await page.getByRole('link', { name: 'From a photograph', exact: true }).first().click()
  await page.getByRole('button', { name: 'Photograph the simulated screen' }).click()
  await expect(page.getByLabel('The photograph with its marks')).toBeVisible()
  await page.getByRole('button', { name: 'Read the screen' }).click()
  await expect(page.getByText('Tap two ticks of the scale at least')).toBeVisible()
  for (const [i, deg] of [-20, 20, 0].entries()) {
    await tap(page, ...tickAt(deg))
    await expect(page.getByLabel(`Degrees of tick ${i + 1}`)).toHaveValue(String(deg).replace('-', '-'))
  }
  await page.getByRole('button', { name: 'Read the screen' }).click()
  const marks = page.getByTestId('screen-marks').getByRole('listitem')
  await expect(marks).toHaveCount(5)
  await expect(marks.nth(0)).toContainText('edge')
  await expect(marks.nth(2)).toContainText('glare')
  // Picture, ticks and what was read outlive a reload.
  await page.reload()
  await expect(marks).toHaveCount(5)
  await page.getByRole('button', { name: 'Apply' }).click()
  await expect(page.getByTestId('gonio-says')).toContainText('towards')
  // The make-believe steel is a little off what is set: its figures are near it, and the picture's shift is taken out.
  const figures = await page.getByTestId('gonio-says').locator('b').allInnerTexts()
  for (const figure of figures.slice(0, 2)) expect(Math.abs(Number.parseFloat(figure) - 20.2)).toBeLessThan(1)
})

test('what proofs say of the rig is taken over as its new measures, the set angle follows, and it can be undone', async ({
  page,
}) => {
  await openJob(page, 'Pocket knife from the gate')
  await page.getByRole('link', { name: /Prove/ }).click()
  await expect(page.getByTestId('proof-causes')).toContainText('Tilt of the blade')
  await page.getByRole('link', { name: 'The rig’s own errors' }).click()
  await expect(page.getByTestId('counted').getByRole('listitem')).toHaveCount(2)
  const unknowns = page.getByTestId('unknowns')
  await expect(unknowns).toContainText('uncertainty after')
  const tilt = unknowns.getByRole('row', { name: /blades tilted/ })
  await expect(tilt).toContainText('+0.')
  // What is surely right stays out of it.
  await page.getByRole('checkbox', { name: 'setback' }).click()
  await expect(unknowns.getByRole('row', { name: /setback/ })).toContainText('none needed')
  const then = (await page.getByTestId('set-after').locator('b').innerText()).replace('°', '')
  await page.getByRole('button', { name: 'Apply these corrections to the rig' }).click()
  await expect(ledger(page, 'set', 'A')).toContainText(then)
  await expect(page.getByTestId('not-counted')).toContainText('it is in the measures already')
  // The ± that goes with them is the one that was promised; and all of it can be put back, later as well as now.
  await expect(ledger(page, 'set', 'A')).toContainText(then)
  await page.reload()
  await expect(page.getByTestId('calibrated')).toContainText('last calibrated by proofs')
  await page.getByRole('button', { name: 'Put them back as they were' }).click()
  await expect(page.getByTestId('counted').getByRole('listitem')).toHaveCount(2)
  await expect(page.getByTestId('calibrated')).toHaveCount(0)
  await expect(ledger(page, 'set', 'A')).toContainText('20.2')
})

test('strokes are noted with the stone on the rod, add up, can be struck out, and stand in the report', async ({
  page,
}) => {
  await openJob(page, 'Vine hooks')
  await page.getByRole('link', { name: /Grind/ }).click()
  const form = page.getByRole('form', { name: 'Strokes made' })
  const note = async (a: string, b: string) => {
    await page.getByTestId('strokes-A').fill(a)
    await page.getByTestId('strokes-B').fill(b)
    await form.getByRole('button', { name: 'Record them' }).click()
  }
  await note('sixty', '')
  await expect(form.getByText('Enter how many strokes, as a whole number.')).toBeVisible()
  await note('60', '55')
  await expect(page.getByTestId('strokes-A')).toHaveValue('')
  await form.getByLabel('Where').click()
  await page.getByRole('option', { name: 'the tip alone' }).click()
  await note('', '12')
  const made = page.getByTestId('strokes-made')
  await expect(made).toContainText('60 on A, 55 on B; at the tip 12 on B')
  await page.getByText('Each note').click()
  await page.getByRole('button', { name: 'Remove 55 on B' }).click()
  await expect(made).toContainText('60 on A; at the tip 12 on B')
  await page.getByRole('link', { name: /Prove/ }).click()
  await page.getByRole('link', { name: 'Report' }).click()
  await expect(page.getByRole('img', { name: 'The report' })).toContainText('60 on A; at the tip 12 on B')
})

test('the report shows what the ledger shows, as a page, a PDF and a table', async ({ page }) => {
  await openJob(page, 'Pocket knife from the gate')
  await page.getByRole('link', { name: /Prove/ }).click()
  await page.getByRole('link', { name: 'Report' }).click()
  const report = page.getByRole('img', { name: 'The report' })
  for (const angle of ['wanted', 'set', 'read', 'proved'] as const)
    await expect(report).toContainText((await ledger(page, angle, 'A').innerText()).trim())
  await expect(report).toContainText('The section, before and after')
  const [csv] = await Promise.all([page.waitForEvent('download'), page.getByRole('button', { name: 'CSV' }).click()])
  const rows = readFileSync(await csv.path(), 'utf8')
    .trim()
    .split('\r\n')
  expect(rows).toHaveLength(5)
  const proved = rows.filter((row) => row.includes(',proved,')).map((row) => row.split(','))
  const [columns] = rows.map((row) => row.split(','))
  const cell = (row: string[], name: string) => row[columns!.indexOf(name)]!
  for (const side of ['A', 'B'] as const) {
    const row = proved.find((one) => cell(one, 'side') === side)!
    const shown = (await ledger(page, 'proved', side).innerText()).trim()
    expect(`${Number(cell(row, 'deg')).toFixed(1)}°`).toBe(shown)
    await expect(report).toContainText(`${shown} ± ${Number(cell(row, 'uncertaintyDeg')).toFixed(1)}°`)
  }
  const [json] = await Promise.all([page.waitForEvent('download'), page.getByRole('button', { name: 'JSON' }).click()])
  const record = JSON.parse(readFileSync(await json.path(), 'utf8')) as {
    angles: { A: Record<string, { deg: number }> }
    log: unknown[]
  }
  expect(record.log).toHaveLength(15)
  for (const angle of ['wanted', 'set', 'read', 'proved'])
    await expect(report).toContainText(`${record.angles.A[angle]!.deg.toFixed(1)}°`)
  const [pdf] = await Promise.all([page.waitForEvent('download'), page.getByRole('button', { name: 'PDF' }).click()])
  expect(pdf.suggestedFilename()).toBe('Pocket knife from the gate, report.pdf')
  expect(
    readFileSync(await pdf.path())
      .subarray(0, 5)
      .toString(),
  ).toBe('%PDF-')
})

test('a plugged-in gauge: zeroed, held at rest, with lines lost, garbled and late, unplugged and back', async ({
  page,
}) => {
  // A port of the test's own in the browser's place of one: what it sends, and when it is pulled out, is said here.
  await page.addInitScript(() => {
    let send: ReadableStreamDefaultController<Uint8Array> | null = null
    const port = {
      readable: null as ReadableStream<Uint8Array> | null,
      open() {
        port.readable = new ReadableStream({ start: (controller) => void (send = controller) })
        return Promise.resolve()
      },
      close: () => Promise.resolve(),
    }
    const gauge = {
      send: (text: string) => send?.enqueue(new TextEncoder().encode(text)),
      unplug: () => send?.error(new Error('pulled out')),
    }
    Object.assign(window, { gauge })
    const serial = { requestPort: () => Promise.resolve(port), getPorts: () => Promise.resolve([]) }
    Object.defineProperty(navigator, 'serial', { value: serial })
  })
  await openJob(page, 'Vine hooks')
  await page.getByRole('link', { name: 'Gauge', exact: true }).click()
  await page.getByRole('button', { name: 'Read a plugged-in gauge' }).click()
  await expect(page.getByText('Nothing comes from the gauge.')).toBeVisible()

  let number = 0
  /** The gauge sends so many lines of an angle, ten a second; every fifth is lost or garbled. */
  const send = async (deg: number, count: number) => {
    const lines = Array.from({ length: count }, (_, i) => {
      number++
      const between = `${number} ${(deg + 0.02 * (i % 3)).toFixed(2)}`
      const sum = [...between].reduce((all, letter) => all ^ letter.charCodeAt(0), 0)
      const line = `#${between}*${sum.toString(16).padStart(2, '0')}\r\n`
      return i % 10 === 4 ? '' : i % 10 === 9 ? line.replace('*', '?') : line
    })
    await page.evaluate(async (sent) => {
      const { gauge } = window as unknown as { gauge: { send(text: string): void } }
      for (const line of sent) {
        gauge.send(line)
        await new Promise((resolve) => setTimeout(resolve, 100))
      }
    }, lines)
  }
  await send(1.5, 20)
  await expect(page.getByTestId('at-rest')).toContainText('at rest')
  await page.getByRole('button', { name: 'Zero it here' }).click()
  await expect(page.getByText(/[1-9]\d* lines lost, [1-9]\d* not to be read/)).toBeVisible()
  await page.evaluate(() => (window as unknown as { gauge: { unplug(): void } }).gauge.unplug())
  await expect(page.getByText('The gauge is unplugged.')).toBeVisible()
  await page.getByRole('button', { name: 'Read a plugged-in gauge' }).click()
  await send(21.5, 20)
  await expect(page.getByTestId('live')).toHaveText('20.0°')
  await page.getByRole('button', { name: 'Hold for A' }).click()
  await expect(ledger(page, 'read', 'A')).toHaveText(/20\.0/)
})

test('how sharp it is: where paper catches, the burr, a thread’s force with its spread; struck out and brought back', async ({
  page,
}) => {
  await openJob(page, 'Vine hooks')
  await page.getByRole('link', { name: /Prove/ }).click()
  const form = page.getByRole('form', { name: 'How sharp it is' })
  await form.getByRole('group', { name: 'It catches at' }).getByRole('button', { name: 'tip' }).click()
  await form.getByLabel('Burr', { exact: true }).click()
  await page.getByRole('option', { name: 'a burr on A' }).click()
  await form.getByRole('group', { name: 'The burr is at' }).getByRole('button', { name: 'tip' }).click()
  await form.getByRole('button', { name: 'Record how sharp it is' }).click()
  const noted = page.getByTestId('sharpness').getByRole('listitem')
  await expect(noted).toContainText('Paper: catches at tip; a burr on A at tip')
  await form.getByLabel('Tried with').click()
  await page.getByRole('option', { name: 'Cutting a thread' }).click()
  await page.getByTestId('forces').fill('85 sharp')
  await form.getByRole('button', { name: 'Record how sharp it is' }).click()
  await expect(form.getByText('Enter the force of each cut in grams')).toBeVisible()
  await page.getByTestId('forces').fill('80 90 100')
  await form.getByRole('button', { name: 'Record how sharp it is' }).click()
  await expect(noted.first()).toContainText('90 g ± 25 g, 10 g from cut to cut')
  await page.getByRole('button', { name: /^Remove Cutting a thread/ }).click()
  await expect(noted).toHaveCount(1)
  await page.keyboard.press('Control+z')
  await expect(noted).toHaveCount(2)
})

test('the bevel’s width: measured here and there, read off a close-up, and what a wrong one says', async ({ page }) => {
  await openJob(page, 'Vine hooks')
  await page.getByRole('link', { name: /Prove/ }).click()
  await page.getByRole('link', { name: 'Bevel width' }).click()
  const form = page.getByRole('form', { name: 'The width of the bevel' })
  const note = async (side: string, mm: string, width: string) => {
    await form.getByRole('radio', { name: side, exact: true }).click()
    await form.getByLabel(/^From the heel/).fill(mm)
    await page.getByTestId('bevel-width').fill(width)
    await form.getByRole('button', { name: 'Record it' }).click()
  }
  await form.getByLabel('On', { exact: true }).click()
  await page.getByRole('option', { name: 'at a distance from the heel' }).click()
  await note('A', '900', 'broad')
  await expect(form.getByText(/Enter how far from the heel, along the edge: up to/)).toBeVisible()
  await expect(form.getByText(/Enter how wide the bevel is/)).toBeVisible()

  // As wide as it must be, and then as if it were thicker by the same on both sides.
  await form.getByLabel(/^From the heel/).fill('10')
  const must = Number((await page.getByTestId('must-be').locator('b').textContent())!.replace(' mm', ''))
  await note('A', '10', String(must))
  const noted = page.getByTestId('noted-widths').getByRole('listitem')
  await expect(noted).toContainText('10.0 mm from the heel: as wide as it must be')
  await page.getByRole('button', { name: /^Remove/ }).click()
  await expect(noted).toHaveCount(0)
  await note('A', '10', String(must + 0.25))
  await note('B', '10', String(must + 0.25))
  await note('B', '20', String(must + 0.25))
  await expect(noted).toHaveCount(3)
  await expect(noted.first()).toContainText('too wide')
  const says = page.getByTestId('width-causes').getByRole('listitem').first()
  await expect(says).toContainText(/The blade is about 0\.\d+ mm thicker behind the edge/)
  await expect(page.getByRole('img', { name: /^Width of the bevel on A along the edge/ })).toBeVisible()

  // 40 pixels of 400 that are 8 mm.
  await page.getByLabel('Close-up of the bevel').setInputFiles('core/photo/goniometer/fixtures/goniometer/convex.png')
  const frame = page.getByLabel('The photograph with its marks')
  await expect(frame).toBeVisible()
  const at = async (mark: string, x: number, y: number) => {
    await page.getByRole('radio', { name: mark, exact: true }).click()
    const box = (await frame.boundingBox())!
    await page.mouse.click(box.x + x, box.y + y)
  }
  await at('Scale', 20, 150)
  await at('Scale', 420, 150)
  await page.getByLabel(/^Between the marks of the scale/).fill('8')
  await expect(page.getByTestId('picture-width')).toHaveText('Tap the edge at two places at least.')
  await at('Edge', 60, 210)
  await at('Edge', 400, 210)
  await at('Shoulder', 200, 170)
  await expect(page.getByTestId('picture-width')).toContainText(/0\.80? mm/)
  await page.getByRole('button', { name: 'Take the width over' }).click()
  await expect(page.getByTestId('bevel-width')).toHaveValue(/^0\.(79|80?)/)
  await expect(form.getByLabel('Measured with')).toHaveText(/photograph/)
})

test('zone by zone what was set, read and proved; a cause leads to the measure to take again', async ({ page }) => {
  await openJob(page, 'Pocket knife from the gate')
  await page.getByRole('link', { name: /Prove/ }).click()
  const zone = (name: string) => page.getByTestId('zone-angles').getByRole('row', { name })
  await expect(zone('middle')).toContainText('20.4°')
  await expect(zone('tip')).not.toContainText('20.4°')
  // A coarse bevel throws a haze: its middle, and how wide it is.
  const form = page.getByRole('form', { name: 'What the goniometer shows' })
  await form.getByLabel('The edge throws').first().click()
  await page.getByRole('option', { name: 'a haze: coarse' }).click()
  await page.getByTestId('gonio-A-edge').fill('19.1')
  await form.getByRole('button', { name: 'Record it' }).click()
  await expect(form.getByText('Enter how wide the haze is.')).toBeVisible()
  await page.getByTestId('gonio-A-width').fill('0.6')
  await form.getByLabel('On', { exact: true }).click()
  await page.getByRole('option', { name: 'its tip' }).click()
  await form.getByRole('button', { name: 'Record it' }).click()
  await expect(zone('tip')).toContainText('19.1°')
  // The newest proof is of the tip: it is compared with what is set there, not at the place that the dial is for.
  await expect(ledger(page, 'proved', 'A')).toHaveText(/19\.1/)
  await expect(page.getByText('−0.3° against set', { exact: false }).first()).toBeVisible()
  await page
    .getByTestId('proof-causes')
    .getByRole('listitem')
    .filter({ hasText: 'Tilt of the blade' })
    .getByRole('button', { name: 'Measure it again' })
    .click()
  await expect(page.locator('[data-focus="tilt"]')).toBeVisible()
})

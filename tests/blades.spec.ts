import { readFile } from 'node:fs/promises'
import { comesTo, degrees, expect, ledger, measure, openJob, openSheet, saved, test } from './bench'
import type { Page } from '@playwright/test'
import type { BladeRecord } from '../core/records/storage/kinds'

const field = (page: Page, name: string) => page.getByRole('textbox', { name, exact: true })
const form = (page: Page) => page.getByRole('form', { name: 'Blade' })

async function newBlade(page: Page) {
  await openJob(page, 'Grafting knife, spring')
  await page.keyboard.press('2')
  await page.getByRole('button', { name: 'New blade' }).click()
}
async function finish(page: Page, name: string) {
  await page.getByRole('button', { name: 'Thickness', exact: true }).click()
  await form(page).getByLabel('Spine over the heel').fill('2.4')
  await form(page).getByLabel('Behind the edge, over the heel').fill('0.4')
  await form(page).getByLabel('Height of the primary grind').fill('14')
  await page.getByRole('button', { name: 'What it is for', exact: true }).click()
  await field(page, 'Name').fill(name)
  await page.getByRole('button', { name: 'Save this blade' }).click()
  await page.getByRole('button', { name: 'Use it' }).click()
  await expect(page.getByRole('heading', { name })).toBeVisible()
}

test('a blade from the library is fitted with its knobs and by figures, keeps its taper, and is clamped', async ({
  page,
}) => {
  await newBlade(page)
  await page.getByRole('combobox', { name: 'Shape' }).click()
  await page.getByRole('option', { name: 'Clip', exact: true }).click()
  await field(page, 'Length, heel to tip').fill('84')
  const knob = page.getByRole('slider', { name: 'Width at the heel' })
  const box = (await knob.boundingBox())!
  await page.mouse.move(box.x + box.width / 2, box.y + box.height / 2)
  await page.mouse.down()
  await page.mouse.move(box.x + box.width / 2, box.y + box.height / 2 - 20, { steps: 5 })
  await page.mouse.up()
  await expect.poll(async () => Number(await field(page, 'Width at the heel').inputValue())).toBeGreaterThan(24.5)
  await knob.press('ArrowDown')
  await field(page, 'From the heel to the bend').fill('90')
  await expect(page.getByText('This lies between the heel and the tip.')).toBeVisible()
  await field(page, 'From the heel to the bend').fill('48')
  await finish(page, 'Spring clip')
  await expect(page.getByText('Primary half-angle')).toBeVisible()
  await saved(page)
})

test('typed points, a drawing and a bad one: each is an edge or says why not, and what was typed stays', async ({
  page,
}) => {
  await newBlade(page)
  await page.getByText('typed points', { exact: true }).click()
  await form(page).getByLabel('Points, mm').fill('0 20\n30 20\nwide')
  await expect(page.getByText('Line 3: “wide” is not two figures.')).toBeVisible()
  await form(page).getByLabel('Points, mm').fill('0 20\n60 0\n60 30\n20 -5')
  await expect(page.getByText('This edge crosses itself.')).toBeVisible()
  await form(page).getByLabel('Points, mm').fill('0 20\n30 20\n50 17\n62 9')
  await expect(page.getByText(/Found from its curvature/)).toBeVisible()
  const choil = page.getByRole('checkbox', { name: 'A choil ends the edge at the heel' })
  await expect(choil).not.toBeChecked()
  await form(page).getByLabel('Points, mm').fill('0 20\n4 20\n5 18.6\n7 18\n9 18.6\n10 20\n50 20\n62 9')
  await expect(choil).toBeChecked()
  await expect(page.getByText('Drawn: the edge begins behind it.')).toBeVisible()

  await page.getByText('from a drawing', { exact: true }).click()
  const drawing = page.getByLabel('Drawing of the edge')
  const give = (name: string, content: string) =>
    drawing.setInputFiles({ name, mimeType: 'text/plain', buffer: Buffer.from(content) })
  await give(
    'circle.dxf',
    ['0', 'SECTION', '2', 'ENTITIES', '0', 'CIRCLE', '10', '0', '20', '0', '40', '5', '0', 'ENDSEC', '0', 'EOF'].join(
      '\n',
    ),
  )
  await expect(page.getByText(/There is no line, arc, polyline or spline in this DXF, only CIRCLE/)).toBeVisible()
  await give(
    'blade.svg',
    '<svg width="100mm" height="40mm" viewBox="0 0 100 40"><path id="outline" d="M0 4 H60 L80 19 C70 28 60 28 50 28 H0 Z"/><path id="speck" d="M0 0 h1"/></svg>',
  )
  // Its tip is recognised; on which side its edge is, is asked.
  await expect(page.getByRole('radio', { name: 'at its right' })).toBeChecked()
  await expect(page.getByText('Say on which side its edge is: the shape alone does not tell.')).toBeVisible()
  await page.getByText('below the spine').click()
  // An open path has no spine: its width is asked for.
  await give(
    'edge.svg',
    '<svg width="100mm" height="40mm" viewBox="0 0 100 40"><path d="M0 24 H50 C60 24 70 24 80 15"/></svg>',
  )
  await expect(page.getByText(/^edge.svg/)).toBeVisible()
  await page.getByText('below the spine').click()
  await expect(page.getByText('The drawing has no spine: measure from spine to edge.')).toBeVisible()
  await form(page).getByLabel('Width at its widest, mm').fill('24')
  // The drawing and what was said of it are there after a reload.
  await page.reload()
  await expect(form(page).getByLabel('Width at its widest, mm')).toHaveValue('24')
  await expect(page.getByRole('radio', { name: 'below the spine' })).toBeChecked()
  await finish(page, 'Drawn blade')
  await expect(page.getByRole('definition').filter({ hasText: '24.0 mm' })).toBeVisible()
  const [download] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('button', { name: 'Take the edge out as SVG' }).click(),
  ])
  // What goes out comes in again as it was, with nothing to be said of it.
  const drawn = await readFile(await download.path(), 'utf8')
  await newBlade(page)
  await page.getByText('from a drawing', { exact: true }).click()
  await give('again.svg', drawn)
  await expect(page.getByText('Written by this application: edge and spine come in as they were.')).toBeVisible()
  await finish(page, 'Drawn again')
  const { records } = (await (await page.request.get('/api/blades')).json()) as { records: BladeRecord[] }
  const [once, again] = ['Drawn blade', 'Drawn again'].map((name) => records.find((blade) => blade.name === name)!)
  expect(again!.edge).toEqual(once!.edge)
  expect(again!.widthMm).toBeCloseTo(once!.widthMm, 6)
})

test('a picture of a blade is kept, taken away and brought back; one that is none is told', async ({ page }) => {
  await openJob(page, 'Packing-room cutter')
  await page.keyboard.press('2')
  const pictures = page.getByRole('region', { name: 'Pictures of this blade' })
  const add = (name: string, buffer: Buffer) =>
    pictures.getByLabel('Picture of the blade').setInputFiles({ name, mimeType: 'image/png', buffer })
  await add('note.png', Buffer.from('no picture'))
  await expect(pictures.getByText('note.png is not a picture that can be read.')).toBeVisible()
  const png = await page.evaluate(
    () =>
      Object.assign(document.createElement('canvas'), { width: 40, height: 30 }).toDataURL('image/png').split(',')[1]!,
  )
  await add('blade.png', Buffer.from(png, 'base64'))
  await expect(pictures.getByRole('img')).toHaveCount(1)
  await pictures.getByRole('button', { name: 'Remove picture 1' }).click()
  await expect(pictures.getByRole('img')).toHaveCount(0)
  await page.getByRole('button', { name: 'Undo', exact: true }).click()
  await page.reload()
  await expect(pictures.getByRole('img')).toHaveCount(1)
})

test('an even angle: what runs off is shown as the blade is moved, and the best hold makes it less', async ({
  page,
}) => {
  await openJob(page, 'Chef’s knife, weekly')
  await openSheet(page, 'clamp/even')
  const worst = page.getByTestId('worst')
  await expect(worst).toContainText(/runs \d\.\d° (high|low)/)
  const before = await worst.textContent()
  const blade = page.getByRole('slider', { name: /^The blade in its jaws/ })
  await blade.press('Shift+ArrowRight')
  await blade.press('Shift+ArrowUp')
  await expect(worst).not.toHaveText(before!)
  await page.getByRole('slider', { name: 'Turn in the jaws' }).press('Shift+ArrowUp')
  await page.getByRole('button', { name: 'Find the best hold' }).click()
  const told = page.getByTestId('placement')
  await expect(told).toContainText(
    /Hold it .*: on [AB] the \w+ runs \d\.\d° (high|low); now the worst place is \d\.\d° off\./,
  )
  const [, less, more] = /runs (\d\.\d)° \w+; now the worst place is (\d\.\d)° off/.exec((await told.textContent())!)!
  expect(Number(less)).toBeLessThan(Number(more))
  await page
    .getByRole('region', { name: 'Where to hold it' })
    .getByRole('button', { name: 'Hold it like this' })
    .click()
  await expect(page.getByRole('button', { name: 'Held like this' })).toBeVisible()
  await expect
    .poll(async () => Number(/(\d\.\d)° (high|low)/.exec((await worst.textContent())!)?.[1]))
    .toBeLessThanOrEqual(Number(less) + 0.11)
  await expect(page.getByText(/^No better is possible/)).toBeVisible()
})

test('on a rig with marks the blade’s landmark is laid on one, or anywhere when that is wanted', async ({ page }) => {
  await openJob(page, 'Pocket knife from the gate')
  await openSheet(page, 'clamp/even')
  await page.getByRole('button', { name: 'Find the best hold' }).click()
  const told = page.getByTestId('placement')
  await expect(told).toContainText(/^Hold it with the thumb stud on mark [a-e], /)
  await page.getByRole('radio', { name: 'anywhere' }).click()
  await expect(told).toBeHidden()
  await page.getByRole('button', { name: 'Find the best hold' }).click()
  await expect(told).toContainText(/^Hold it \d+\.\d mm nearer the (tip|heel)/)
  await page.getByRole('radio', { name: 'with the thumb stud on a mark of the jaws' }).click()
  await page.getByRole('button', { name: 'Find the best hold' }).click()
  await expect(told).toContainText(/mark [a-e]/)
  const mark = /mark ([a-e])/.exec((await told.textContent())!)![1]!
  await page
    .getByRole('region', { name: 'Where to hold it' })
    .getByRole('button', { name: 'Hold it like this' })
    .click()
  await openSheet(page, 'clamp/card')
  await expect(page.getByRole('img', { name: 'The clamp card' })).toContainText(`Thumb stud onmark ${mark}`)
})

test('long blades, facets, hollows, and whether it holds, reaches and clears', async ({ page }) => {
  await openJob(page, 'Vine hooks')
  await openSheet(page, 'clamp/even')
  await expect(page.getByTestId('hollow')).toContainText('the widest flat stone that reaches is')
  const tolerance = page.getByLabel('Keep within ±', { exact: true })
  await tolerance.fill('0.05')
  await tolerance.press('Enter')
  await page.getByRole('button', { name: 'Find the positions' }).click()
  await expect(page.getByTestId('positions')).toContainText('no hold keeps even a short stretch within ± 0.05°')
  await openJob(page, 'Packing-room cutter')
  await openSheet(page, 'clamp/even')
  await expect(page.getByText('1. facet 1')).toBeVisible()
  // One after the other in this hold, each with its own dial.
  await page.getByRole('button', { name: 'Work them one after the other' }).click()
  const next = page.getByTestId('next-step')
  await expect(next).toContainText('Set the rig for facet 1, 1 of 2')
  await page.getByTestId('go-to-step').click()
  await expect(page.getByRole('button', { name: 'Set the rig for facet 1', exact: true })).toBeFocused()
  await page.keyboard.press('Enter')
  await expect(next).toContainText('Measure the blade height')
  await page.getByRole('button', { name: 'Set the rig for facet 2', exact: true }).click()
  await expect(page.getByText('In this position 23.0° to 23.0°')).toBeVisible()
  await page.getByRole('button', { name: 'Use one setting for all' }).click()
  await expect(next).toContainText('Measure the blade height')
  await openSheet(page, 'clamp/hold')
  await expect(page.getByText('Spine in these jaws')).toBeVisible()
  await expect(page.getByText(/No stroke past the tip: stop with the stone’s middle over it/)).toBeVisible()
})

test('the positions of a long blade are kept, held one after the other, and printed, a page for each', async ({
  page,
}) => {
  await openJob(page, 'Chef’s knife, weekly')
  await openSheet(page, 'clamp/even')
  const tolerance = page.getByRole('textbox', { name: 'Keep within ±' })
  await tolerance.fill('0.2')
  await tolerance.press('Enter')
  await page.getByRole('button', { name: 'Find the positions' }).click()
  await page.getByRole('button', { name: 'Use these positions' }).click()
  const next = page.getByTestId('next-step')
  await expect(next).toContainText('Hold the blade in position 1 of 2')
  await page.getByTestId('go-to-step').click()
  const kept = page.getByRole('region', { name: 'Positions of this job, printed on its card' })
  await expect(kept.getByRole('button', { name: 'Hold it as in position 1' })).toBeFocused()
  await page.keyboard.press('Enter')
  await expect(next).toContainText('Measure the blade height')
  await saved(page)
  await page.reload()
  await expect(kept.getByRole('listitem').nth(0)).toContainText('Held like this')
  await kept.getByRole('button', { name: 'Hold it as in position 2' }).click()
  await expect(kept.getByRole('listitem').nth(1)).toContainText('Held like this')
  // At the stone the second one says where it meets the first.
  await openSheet(page, 'grind/bench')
  await expect(page.getByTestId('bench-seam')).toContainText(/Seam with the part before, \d+\.\d mm from the heel/)
  await openSheet(page, 'clamp/card')
  await expect(page.getByRole('img', { name: 'The clamp card, page 2 of 2' })).toContainText('blend into the position')
  // Printed by the browser, nothing but the card's pages comes out, each on the paper's size.
  const printed = (await page.pdf({ preferCSSPageSize: true })).toString('latin1')
  expect(printed.match(/\/Type\s*\/Page\b/g)).toHaveLength(2)
  expect(new Set(printed.match(/\/MediaBox \[[^\]]*\]/g))).toEqual(new Set(['/MediaBox [0 0 841.91998 594.95996]']))
  // Another angle is wanted: they are no longer what was found.
  await page.keyboard.press('w')
  await page.getByTestId('wanted-A').fill('17')
  await page.keyboard.press('Enter')
  await openSheet(page, 'clamp/even')
  await expect(next).toContainText('Find the positions again')
  await expect(kept).toContainText('17.0° is wanted now: find them again.')
  await kept.getByRole('button', { name: 'Remove the positions' }).click()
  await expect(kept).toBeHidden()
  await saved(page)
})

test('the clamp card: a PDF at 1:1, the same again, and the correction for a blade worn lower', async ({ page }) => {
  await openJob(page, 'Packing-room cutter')
  const out = Number(await measure(page, 'Blade height').inputValue())
  await openSheet(page, 'clamp/card')
  const [download] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('button', { name: 'PDF' }).click(),
  ])
  const pdf = await readFile(await download.path())
  expect(pdf.subarray(0, 5).toString()).toBe('%PDF-')
  expect(pdf.length).toBeGreaterThan(2000)
  const wanted = await degrees(ledger(page, 'wanted', 'A'))
  await page.getByLabel('Blade height measured now, mm').fill(String(out - 1))
  await expect(page.getByTestId('worn')).toContainText(/1\.0 mm lower than on the card\. Dial .* instead of/)
  await page.getByRole('button', { name: 'Use it' }).click()
  await comesTo(ledger(page, 'set', 'A'), wanted, 0.06)
  await saved(page)

  // The next job with this blade on this rig begins with that card, and says so.
  await page.goto('/')
  await page.getByRole('link', { name: 'Start a job' }).click()
  await page.getByRole('button', { name: /^Angular-tip utility knife.*on Window-bench turner$/ }).click()
  await expect(page.getByTestId('held-as')).toContainText('Held as in Packing-room cutter')
  await expect(measure(page, 'Blade height')).toHaveValue((out - 1).toFixed(1))
  await expect(ledger(page, 'wanted', 'A')).toHaveText(`${wanted.toFixed(1)}°`)
  await saved(page)
  // The job that it was taken from is no copy of it.
  await openJob(page, 'Packing-room cutter')
  await expect(page.getByTestId('held-as')).toBeHidden()
  await openJob(page, 'Angular-tip utility knife')
  await expect(page.getByTestId('held-as')).toBeVisible()
  await measure(page, 'Blade height').fill(String(out - 1.5))
  await measure(page, 'Blade height').press('Enter')
  await expect(page.getByTestId('held-as')).toBeHidden()
  // Where the marks of the rig leave something, it stands behind the dial.
  await openJob(page, 'Vine hooks')
  const remains = await page.getByTestId('remains').innerText()
  await openSheet(page, 'clamp/card')
  await expect(page.getByText(new RegExp(`^[\\d.]+°, ${remains.replace(' remains', '')}$`)).first()).toBeVisible()
})

import { ofKind } from '../core/log/activeEntries'
import type { LogEntry } from '../core/log/entry'
import { comesTo, degrees, expect, ledger, openJob, test } from './bench'

test('a stone measured anew changes every angle set with it; the grit says what it is by its standard', async ({
  page,
}) => {
  await openJob(page, 'Packing-room cutter')
  const before = await degrees(ledger(page, 'set', 'A'))
  await page.keyboard.press('1')
  await page.getByRole('button', { name: 'New stone' }).click()
  const form = page.getByRole('form', { name: 'Stone' })
  await form.getByLabel('Name').fill('Thick water stone')
  await form.getByLabel('Grit standard').click()
  await page.getByRole('option', { name: 'JIS' }).click()
  await form.getByLabel('Grit number').fill('1000')
  await expect(form.getByTestId('grain')).toHaveText('11.5 µm; about FEPA P 1500, FEPA F 500, ANSI 800')
  await form.getByLabel(/^Pivot’s end/).fill('11,4')
  await form.getByLabel(/^Far end/).fill('12')
  await expect(form.getByTestId('taper')).toContainText('At its middle 11.7 mm. The face is tilted by +0.2°')
  await form.getByRole('button', { name: 'Save', exact: true }).click()
  const ask = page.getByRole('dialog', { name: 'Use this stone in this job?' })
  await expect(ask).toContainText('Another stone asks for another dial.')
  await ask.getByRole('button', { name: 'Use it' }).click()
  await expect(page.getByRole('radio', { name: /Thick water stone/ })).toBeChecked()

  // 6.1 mm more under the rod: about −6.1 / √(r² + h²) radians.
  const expected = before - ((6.1 / Math.hypot(161, 72.6)) * 180) / Math.PI
  await comesTo(ledger(page, 'set', 'A'), expected, 0.15)

  await page.getByRole('button', { name: 'Measure Thick water stone again' }).click()
  await form.getByLabel(/^Far end/).fill('11.4')
  // A face that is lower than it was is asked about, once: it wore, or was measured wrongly.
  await form.getByRole('button', { name: 'Save', exact: true }).click()
  await expect(form.getByText('Say which it was.')).toBeVisible()
  await form.getByText('It wore: note it in its wear log').click()
  await form.getByRole('button', { name: 'Save', exact: true }).click()
  const measured = async () => {
    const { entries } = (await (await page.request.get('/api/log?after=0')).json()) as { entries: LogEntry[] }
    return ofKind(entries, 'stone-wear').map(({ faceOffsetMm }) => faceOffsetMm)
  }
  await expect.poll(async () => (await measured()).slice(-2)).toEqual([11.7, 11.4])
  await page.getByRole('button', { name: 'Undo', exact: true }).click()
  await expect(page.getByRole('radio', { name: /Thick water stone.*11\.7 mm/ })).toBeVisible()
})

test('a stone that cannot be is refused at its fields, and nothing typed is lost', async ({ page }) => {
  await openJob(page, 'Vine hooks')
  await page.keyboard.press('1')
  await page.getByRole('button', { name: 'New stone' }).click()
  const form = page.getByRole('form', { name: 'Stone' })
  await form.getByLabel('Grit number').fill('5000')
  await form.getByLabel(/^Pivot’s end/).fill('-2')
  await form.getByLabel(/^Far end/).fill('six')
  await form.getByRole('button', { name: 'Save', exact: true }).click()
  await expect(form.getByText('FEPA F goes from 16 to 2000.')).toBeVisible()
  await expect(form.getByText('“six” is not a length.')).toBeVisible()
  await form.getByLabel('Grit number').fill('600')
  await form.getByLabel(/^Far end/).fill('6')
  await form.getByRole('button', { name: 'Save', exact: true }).click()
  await expect(form.getByText('At least 0 mm.')).toBeVisible()
  await expect(form.getByText('Give it a name.')).toBeVisible()
  await expect(form.getByLabel(/^Pivot’s end/)).toHaveValue('-2')
})

import { readFileSync } from 'node:fs'
import ICAL from 'ical.js'
import Papa from 'papaparse'
import type { Page } from '@playwright/test'
import { v7 as newId } from 'uuid'
import { ANGLE_ALONE } from '../core/log/entry'
import type { JobRecord } from '../core/records/storage/kinds'
import { expect, openJob, openSheet, saved, test } from './bench'

const jobOpen = async (page: Page) => {
  const [, , id] = new URL(page.url()).pathname.split('/')
  return (await (await page.request.get(`/api/jobs/${id}`)).json()) as JobRecord
}

/** What the bench has shown elsewhere (process.spec) is put into the log: ground, proved on both sides, put to use. */
async function sharpened(page: Page, { id: jobId, bladeId }: JobRecord, deg: number) {
  let at = Date.now() - 60_000
  const about = () => ({
    ...{ id: newId(), at: new Date((at += 1000)).toISOString(), jobId, bladeId, stoneId: null, instrumentId: null },
  })
  const proof = (side: 'A' | 'B') => ({
    ...{ ...about(), kind: 'proof', side, placeMm: null, zone: null, deg, uncertaintyDeg: 0.2, by: 'goniometer' },
    ...ANGLE_ALONE,
  })
  const strokes = (side: 'A' | 'B') => ({ ...about(), kind: 'strokes', side, count: 30, zone: null, strop: false })
  for (const entries of [
    [strokes('A'), strokes('B')],
    [proof('A'), proof('B')],
    [{ ...about(), kind: 'put-to-use' }],
  ]) {
    expect((await page.request.post('/api/log', { data: entries })).status()).toBe(200)
  }
  await page.reload()
}

test('what becomes of an edge turns the advice, and starts the next job with it', async ({ page }) => {
  await openJob(page, 'Pocket knife from the gate')
  await openSheet(page, 'use/')
  const next = page.getByTestId('next-angle')
  await expect(next).toHaveText('One degree lower: 19.0° per side')
  await page.getByTestId('start-next').click()
  await expect(page.getByRole('region', { name: 'The bench, drawn to scale' })).toBeVisible()
  const second = await jobOpen(page)
  expect(second.wanted).toEqual({ deg: { A: 19, B: 19 }, linked: true, why: 'The last edge held.' })
  await openSheet(page, 'use/')
  await expect(page.getByTestId('outcomes')).toBeHidden()

  await sharpened(page, second, 19.1)
  await page.getByRole('radio', { name: 'The edge rolled' }).click()
  await page.getByRole('group', { name: 'It rolled at' }).getByRole('button', { name: 'tip' }).click()
  await page.getByText('For what, how much, who says so').click()
  await page.getByLabel('How much').fill('many')
  await page.getByRole('button', { name: 'Record the outcome' }).click()
  await expect(page.getByText('Enter how much as a whole number, or leave it empty.')).toBeVisible()
  await page.getByLabel('How much').fill('40')
  await page.getByLabel('Who says so').fill('the gardener')
  await page.getByRole('button', { name: 'Record the outcome' }).click()
  await expect(page.getByTestId('outcomes')).toContainText('at tip · 40 meals · says the gardener')
  await expect(next).toHaveText('One degree higher: 20.1° per side')
  // A retracted outcome takes its advice with it, and undo brings both back.
  await page
    .getByTestId('outcomes')
    .getByRole('button', { name: /Remove/ })
    .click()
  await expect(next).toBeHidden()
  await page.keyboard.press('Control+z')
  await expect(next).toHaveText('One degree higher: 20.1° per side')
  await saved(page)

  await page.goto('/')
  const dull = page.getByTestId('today').getByRole('listitem').filter({ hasText: 'pocket knife' })
  await expect(dull).toContainText('the edge rolled')
  await dull.getByRole('link').click()
  await page.getByRole('button', { name: 'Or at 19.1° with a micro-bevel 3° steeper' }).click()
  await expect(page.getByRole('region', { name: 'The bench, drawn to scale' })).toBeVisible()
  const third = await jobOpen(page)
  expect(third).toMatchObject({ wanted: { deg: { A: 19.1, B: 19.1 } }, microBevel: { addDeg: 3, stoneId: null } })
})

test('a blade with two years behind it knows its angle, and how long its edges last', async ({ page }) => {
  const away = (await (await page.request.get('/api/jobs?away=true')).json()) as { records: JobRecord[] }
  const last = away.records.find(({ name }) => name === 'Scion knife, 150 days ago')!
  await page.goto(`/jobs/${last.id}/use`)
  await expect(page.getByTestId('next-angle')).toHaveText('The same again: 18.1° per side')
  await expect(page.getByTestId('edges').getByRole('row')).toHaveCount(7)
  const lives = page.getByTestId('edge-lives').getByRole('row')
  await expect(lives.filter({ hasText: '18°' })).toContainText('77 days')
  await page.getByRole('region', { name: 'How long its edges last' }).getByLabel('Counted in').click()
  await page.getByRole('option', { name: 'plants' }).click()
  await expect(lives.filter({ hasText: '18°' })).toContainText('1100 plants')
  // All of it on one time line, and as files.
  await openSheet(page, 'use/record')
  const jobs = page.getByTestId('record-jobs').locator(':scope > li')
  await expect(jobs).toHaveCount(6)
  await expect(jobs.nth(2)).toContainText('Proved A 17.1°, B 17.0°')
  await expect(jobs.nth(2)).toContainText('The edge rolled')
  await jobs.first().getByText('All 14 entries').click()
  await expect(jobs.first().getByText('Proved angle A 18.0° ± 0.2°')).toBeVisible()
  const csv = await (await page.request.get(`/api/record.csv?of=blade&id=${last.bladeId}`)).text()
  const { data, errors } = Papa.parse<Record<string, string>>(csv, { header: true, skipEmptyLines: true })
  expect([data.length, errors]).toEqual([6 * 14, []])
  const [saving] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('button', { name: 'JSON' }).click(),
  ])
  const file = JSON.parse(readFileSync((await saving.path())!, 'utf8')) as {
    blade: { name: string }
    log: { entries: unknown[] }
  }
  expect([file.blade.name, file.log.entries.length]).toEqual(['Scion knife', 6 * 14])
  await openSheet(page, 'use/')
  // Who distrusts tables: by experience alone.
  await expect(page.getByText('Begun from what is usual: 17 to 22°.')).toBeVisible()
  await page.getByRole('button', { name: 'Preferences' }).click()
  await page.getByRole('switch', { name: 'Usual ranges of angles' }).click()
  await page.keyboard.press('Escape')
  await expect(page.getByRole('region', { name: 'The next angle' })).toContainText('By experience alone.')
})

test('several jobs are started in one go, with one angle and one day for all', async ({ page }) => {
  await page.goto('/start')
  await page.getByRole('button', { name: 'Several at once' }).click()
  const batch = page.getByRole('form', { name: 'Several at once' })
  await expect(batch.getByRole('button', { name: 'Start jobs' })).toBeDisabled()
  for (const name of ['Tea-room paring knife', 'chef’s knife', 'Harvest knife'])
    await page.getByRole('button', { name: new RegExp(name) }).click()
  await batch.getByLabel('Wanted angle per side').fill('99')
  await batch.getByLabel('Wanted back on').fill('2032-01-05')
  await batch.getByRole('button', { name: 'Start 3 jobs' }).click()
  await expect(batch.getByText('More than 60° per side is no cutting edge.')).toBeVisible()
  await batch.getByLabel('Wanted angle per side').fill('16')
  await batch.getByRole('button', { name: 'Start 3 jobs' }).click()
  const due = page.getByTestId('today').getByRole('listitem').filter({ hasText: 'due 2032-01-05' })
  await expect(due).toHaveCount(3)
  await due.first().getByRole('link').click()
  await expect(page.getByRole('region', { name: 'The bench, drawn to scale' })).toBeVisible()
  expect((await jobOpen(page)).wanted.deg).toEqual({ A: 16, B: 16 })
})

test('a day that a job is wanted back stands on the home page and in a calendar, until it is handed back', async ({
  page,
}) => {
  await openJob(page, 'Pocket knife from the gate')
  await openSheet(page, 'blade/')
  await expect(page.getByTestId('terms')).toContainText('Ready to be handed back')
  await page.getByLabel('Wanted back on').fill('2031-02-03')
  await page.getByLabel('Wanted back on').blur()
  await saved(page)
  await page.goto('/')
  const due = page.getByTestId('today').getByRole('listitem').filter({ hasText: 'Pocket knife from the gate' })
  await expect(due).toContainText('due 2031-02-03; ready to be handed back')
  const calendar = new ICAL.Component(ICAL.parse(await (await page.request.get('/api/due.ics')).text()))
  const events = calendar.getAllSubcomponents('vevent').map((one) => new ICAL.Event(one))
  expect(events.map(({ summary, startDate }) => [summary, startDate.toString()])).toContainEqual([
    'Ready: Pocket knife from the gate',
    '2031-02-03',
  ])
  await due.getByRole('link').click()
  await openSheet(page, 'blade/')
  await page.getByRole('button', { name: 'Record that it was handed back' }).click()
  await expect(page.getByTestId('terms')).toContainText('Handed back')
  await saved(page)
  await page.goto('/')
  await expect(page.getByTestId('today')).toBeVisible()
  await expect(due).toHaveCount(0)
})

test('the same angle by hand, and the words of the trade by one key', async ({ page }) => {
  await openJob(page, 'Chef’s knife, weekly')
  await openSheet(page, 'use/hand')
  const heel = page.getByTestId('spine-rises').getByRole('row').filter({ hasText: 'heel' })
  await expect(heel).toContainText('11.0 mm')
  await page.getByRole('textbox', { name: 'The ramp’s angle' }).fill('80')
  await page.keyboard.press('Enter')
  await expect(page.getByText('From 5.0° to 45.0°.')).toBeVisible()
  await page.getByRole('textbox', { name: 'The ramp’s angle' }).fill('17')
  await page.keyboard.press('Enter')
  await expect(page.getByText('Blade laid flat on it: 18.3° per side.')).toBeVisible()
  await page.getByRole('heading', { name: 'On a ramp' }).click()
  await page.keyboard.press('g')
  const glossary = page.getByRole('dialog', { name: 'Glossary' })
  await expect(glossary.getByRole('term').first()).toHaveText('Burr')
  await glossary.getByLabel('Find a term').fill('setback')
  await expect(glossary.getByRole('term')).toHaveText(['Setback'])
  await page.keyboard.press('Escape')
  await expect(glossary).toBeHidden()
})

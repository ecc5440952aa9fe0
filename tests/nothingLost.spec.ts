import { readFile } from 'node:fs/promises'
import type { Page } from '@playwright/test'
import type { Job as JobContent } from '../core/records/job/job'
import type { Backup } from '../core/exchange/backup/backup'
import type { Rig } from '../core/records/rig/rig'
import type { JobFile } from '../core/exchange/files/jobFile'
import { expect, ledger, measure, openJob, openSheet, saved, test } from './bench'

test.describe('a server that cannot keep', () => {
  test.use({ allowed: [/507|503|Failed to load resource/] })

  test('a full disk is told, the change waits in the browser and is kept when there is room', async ({ page }) => {
    await openJob(page, 'Vine hooks')
    const full = { code: 'disk-full', fields: [] }
    await page.route('**/api/jobs/*', (route) =>
      route.request().method() === 'PUT' ? route.fulfill({ status: 507, json: full }) : route.continue(),
    )
    await measure(page, 'Blade height').fill('17.5')
    await measure(page, 'Blade height').press('Enter')
    await expect(page.getByRole('alert').filter({ hasText: 'The disk is full' })).toBeVisible()
    // Even a reload keeps it: the change is in this browser.
    await page.reload()
    await expect(measure(page, 'Blade height')).toHaveValue('17.5')
    await page.getByRole('button', { name: 'Try now' }).click()
    await expect(page.getByRole('alert').filter({ hasText: 'The disk is full' })).toBeVisible()
    // With room again it is sent by itself.
    await page.unroute('**/api/jobs/*')
    await saved(page)
    await page.evaluate(() => localStorage.clear())
    await page.reload()
    await expect(measure(page, 'Blade height')).toHaveValue('17.5')
  })
})

test.describe('what an earlier build left in the browser', () => {
  const about = { at: '2026-05-01T09:00:00.000Z', jobId: null, bladeId: null, stoneId: null, instrumentId: null }
  const id = (n: number) => `0197a000-0000-7000-8000-00000000000${n}`

  test('is sent; what the server refuses is shown, corrected in its field and saved', async ({ page }) => {
    await page.goto('/')
    // The former build wrote the content alone; it would have let a score beyond 100 stand.
    const left = [
      { ...about, id: id(1), kind: 'practice', level: 'usual', points: 71, looks: 4 },
      { ...about, id: id(2), kind: 'practice', level: 'usual', points: 710, looks: 4 },
      { ...about, id: id(3), kind: 'strike', entryId: id(1) },
    ]
    await page.evaluate((all) => {
      for (const one of all) localStorage.setItem(`jaw-tilt-outbox:${one.id}`, JSON.stringify(one))
    }, left)
    await page.reload()
    const notice = page.getByTestId('refused')
    await expect(notice).toContainText('One entry was not saved')
    await notice.getByRole('button', { name: 'Show' }).click()
    const refused = page.getByTestId('refused-entry')
    await expect(refused).toContainText('Practice score')
    await expect(refused).toContainText('At most 100')
    await refused.getByLabel('points').fill('70')
    await refused.getByRole('button', { name: 'Save again' }).click()
    await expect(notice).toHaveCount(0)
    const { entries } = (await (await page.request.get('/api/log?after=0')).json()) as {
      entries: { id: string; kind: string }[]
    }
    const kept = entries.filter((one) => left.some((of) => of.id === one.id)).map(({ kind }) => kind)
    expect(kept.sort()).toEqual(['practice', 'practice', 'retraction'])
    await page.reload()
    await expect(notice).toHaveCount(0)
  })
})

test.describe('an answer that is lost', () => {
  test.use({ allowed: [/ERR_FAILED|Failed to load resource/] })

  test('what the server has all the same is not taken for another’s change', async ({ page }) => {
    await openJob(page, 'Vine hooks')
    await page.route('**/api/jobs/*', async (route) => {
      if (route.request().method() !== 'PUT') return route.continue()
      await route.fetch()
      await route.abort()
    })
    await measure(page, 'Blade height').fill('18.5')
    await measure(page, 'Blade height').press('Enter')
    await expect(page.getByRole('alert').filter({ hasText: 'The server does not answer' })).toBeVisible()
    await page.unroute('**/api/jobs/*')
    await page.reload()
    await expect(measure(page, 'Blade height')).toHaveValue('18.5')
    await saved(page)
    await expect(page.getByRole('dialog')).toBeHidden()
  })
})

test('all data comes out as one file and goes back in, adding what is missing and what is newer', async ({ page }) => {
  await openJob(page, 'Packing-room cutter')
  await page.getByRole('button', { name: 'Preferences' }).click()
  const [download] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('link', { name: 'Export' }).click(),
  ])
  const file = JSON.parse(await readFile(await download.path(), 'utf8')) as Backup
  expect(file.things.rigs).toHaveLength(4)

  const bring = (content: unknown) =>
    page
      .getByLabel('File to import')
      .setInputFiles({ name: 'tools.json', mimeType: 'application/json', buffer: Buffer.from(JSON.stringify(content)) })
  const job = file.things.jobs.find((one) => (one.content as JobContent).name === 'Packing-room cutter')!
  const content = job.content as JobContent
  const added = {
    ...job,
    id: '0197a000-0000-7000-8000-00000000beef',
    content: { ...content, name: 'From the other bench' },
  }
  const newer = {
    ...job,
    revision: job.revision + 1,
    content: { ...content, wanted: { ...content.wanted, deg: { A: 24, B: 24 } } },
  }
  await bring({ ...file, things: { ...file.things, jobs: [added, newer] } })
  await expect(page.getByText(/^1 added, 1 updated, \d+ left/)).toBeVisible()
  await expect(ledger(page, 'wanted', 'A')).toHaveText('24.0°')
  await expect.poll(async () => (await page.request.get('/api/jobs')).text()).toContain('From the other bench')
})

test('the record of a job is taken in wherever it is dropped; what is no such file says what it is', async ({
  page,
}) => {
  await openJob(page, 'Pocket knife from the gate')
  await openSheet(page, 'prove/report')
  const [download] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('button', { name: 'JSON' }).click(),
  ])
  const record = JSON.parse(await readFile(await download.path(), 'utf8')) as JobFile
  const dropped = async (name: string, text: string) => {
    const dataTransfer = await page.evaluateHandle(
      ([called, content]) => {
        const data = new DataTransfer()
        data.items.add(new File([content], called))
        return data
      },
      [name, text] as const,
    )
    await page.dispatchEvent('body', 'drop', { dataTransfer })
  }
  await dropped('letter.json', 'Dear customer')
  await expect(page.getByText('letter.json is no file that can be read here.').first()).toBeVisible()
  await dropped('readings.txt', 'at,what,side,fromHeelMm')
  await expect(page.getByText('readings.txt is a table of readings.').first()).toBeVisible()

  await dropped('all.json', JSON.stringify({ format: 'jaw-tilt', version: 2 }))
  await expect(page.getByText('all.json is a backup of all data.').first()).toBeVisible()

  // As it would be on another bench: a job that is not there yet.
  const id = '0197a000-0000-7000-8000-00000000d0b0'
  const log = record.log.map((entry, i) => ({ ...entry, jobId: id, id: id.replace('d0b0', String(1000 + i)) }))
  const job = { ...record.job, id, name: 'Pocket knife, sent over' }
  await dropped('no ending', JSON.stringify({ ...record, job, log }))
  await page.getByRole('button', { name: 'Open “Pocket knife, sent over”' }).click()
  await expect(page).toHaveTitle(/Pocket knife, sent over/)
  await openSheet(page, 'prove/')
  await expect(ledger(page, 'read', 'A')).toHaveText(/\d/)
})

test('a row of a backup that is wrong is skipped and named with its field; the others come in', async ({ page }) => {
  await openJob(page, 'Packing-room cutter')
  const before = await (await page.request.get('/api/rigs')).text()
  const file = (await (await page.request.get('/api/backup')).json()) as Backup
  const [, rig] = file.things.rigs
  ;(rig!.content as Rig).pivot.setbackMm = -3
  rig!.revision += 1
  const [job] = file.things.jobs
  ;(job!.content as JobContent).name = 'As it was renamed'
  job!.revision += 1
  await page.getByRole('button', { name: 'Preferences' }).click()
  await page
    .getByLabel('File to import')
    .setInputFiles({ name: 'tools.json', mimeType: 'application/json', buffer: Buffer.from(JSON.stringify(file)) })
  await expect(page.getByText('0 added, 1 updated,')).toBeVisible()
  await expect(
    page.getByText(/^Skipped: Rig “.+”\. pivot\.setbackMm: The pivot must stand behind the jaws: a setback above 0\./),
  ).toBeVisible()
  expect(await (await page.request.get('/api/rigs')).text()).toBe(before)
  expect(await (await page.request.get('/api/jobs')).text()).toContain('As it was renamed')
})

test('two tabs: one follows the other, so the newest is never written over', async ({ page, context }) => {
  await openJob(page, 'Grafting knife, spring')
  const other = await context.newPage()
  await other.goto(page.url())
  await measure(other, 'Clamp position').fill('28')
  await measure(other, 'Clamp position').press('Enter')
  await saved(other)
  await expect(measure(page, 'Clamp position')).toHaveValue('28.0')
  // What is half typed is not replaced by what another tab sets: it counts once it is finished.
  await measure(page, 'Clamp position').click()
  await page.keyboard.type('3')
  await measure(other, 'Clamp position').fill('27')
  await measure(other, 'Clamp position').press('Enter')
  const height = (Number(await measure(other, 'Blade height').inputValue()) + 0.5).toFixed(1)
  await measure(other, 'Blade height').fill(height)
  await measure(other, 'Blade height').press('Enter')
  await expect(measure(page, 'Blade height')).toHaveValue(height)
  await expect(measure(page, 'Clamp position')).toHaveValue('3')
  await page.keyboard.type('1')
  await page.keyboard.press('Enter')
  await expect(measure(other, 'Clamp position')).toHaveValue('31.0')
  await other.close()
})

test.describe('two devices', () => {
  test.use({ allowed: [/409/] })

  test('a page shows what another device does, as it happens', async ({ page, browser, baseURL }) => {
    await openJob(page, 'Packing-room cutter')
    const elsewhere = await browser.newContext({ baseURL })
    const other = await elsewhere.newPage()
    await other.goto(page.url())
    await measure(other, 'Turn in the jaws').fill('1')
    await measure(other, 'Turn in the jaws').press('Enter')
    await other.getByRole('button', { name: 'I have dialled it' }).click()
    await saved(other)
    await elsewhere.close()
    await expect(measure(page, 'Turn in the jaws')).toHaveValue('1.0')
    await expect(page.getByTestId('noted')).toContainText('Dialled')
  })

  test('changes of different parts are put together; the same figure changed twice is asked, in words', async ({
    page,
    browser,
    baseURL,
  }) => {
    // This page hears nothing of the other's changes: the two meet when it saves.
    await page.route('**/api/changes', (route) =>
      route.fulfill({ contentType: 'text/event-stream', body: 'retry: 600000\n\n' }),
    )
    await openJob(page, 'Chef’s knife, weekly')
    const wantA = async (deg: string) => {
      await page.keyboard.press('w')
      await page.getByTestId('wanted-A').fill(deg)
      await page.keyboard.press('Enter')
    }
    const elsewhere = async (act: (other: Page) => Promise<void>) => {
      const context = await browser.newContext({ baseURL })
      const other = await context.newPage()
      await other.goto(page.url())
      await act(other)
      await saved(other)
      await context.close()
    }
    await elsewhere(async (other) => {
      await measure(other, 'Blade height').fill('30')
      await measure(other, 'Blade height').press('Enter')
    })
    await wantA('14')
    await saved(page)
    await expect(measure(page, 'Blade height')).toHaveValue('30.0')
    await expect(ledger(page, 'wanted', 'A')).toHaveText('14.0°')

    await elsewhere(async (other) => {
      await measure(other, 'Turn in the jaws').fill('1')
      await measure(other, 'Turn in the jaws').press('Enter')
      await other.keyboard.press('w')
      await other.getByTestId('wanted-A').fill('13')
      await other.keyboard.press('Enter')
    })
    await wantA('16')
    const dialog = page.getByRole('dialog', { name: 'The same was changed elsewhere' })
    await expect(dialog.getByRole('row')).toHaveText([
      /Here/,
      /^Wanted angle, A\s*16\.0°\s*13\.0°$/,
      /^Wanted angle, B/,
    ])
    await dialog.getByRole('button', { name: 'Take the other' }).click()
    await expect(measure(page, 'Turn in the jaws')).toHaveValue('1.0')
    await expect(ledger(page, 'wanted', 'A')).toHaveText('13.0°')
    await page.getByRole('button', { name: /^Undo: take the other/ }).click()
    await expect(ledger(page, 'wanted', 'A')).toHaveText('16.0°')
    await expect(measure(page, 'Turn in the jaws')).toHaveValue('1.0')
    await saved(page)
  })
})

test('a snapshot is looked into, put in the place of all, and that is undone', async ({ page }) => {
  const stones = async () =>
    ((await (await page.request.get('/api/stones')).json()) as { records: { id: string }[] }).records
  const [first] = await stones()
  const added = await page.request.post('/api/stones', {
    data: { ...first, id: '0197a000-0000-7000-8000-00000000cafe', name: 'Since then' },
  })
  expect(added.status()).toBe(201)
  await page.goto('/')
  await page.getByRole('button', { name: 'Preferences' }).click()
  const list = page.getByTestId('snapshots')
  await list
    .getByRole('button', { name: /^View the snapshot/ })
    .last()
    .click()
  await expect(list.getByText(/^19 jobs, 4 rigs, 13 blades, 8 stones/)).toBeVisible()
  await list.getByRole('button', { name: 'Restore it, replacing everything' }).click()
  await expect(page.getByText('All is as it was in the snapshot.')).toBeVisible()
  expect(await stones()).toHaveLength(8)
  await page.getByRole('button', { name: 'Undo', exact: true }).click()
  await expect(page.getByText('Undone.')).toBeVisible()
  expect(await stones()).toHaveLength(9)
})

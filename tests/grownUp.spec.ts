import { mkdtempSync, readdirSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import type { Page } from '@playwright/test'
import type { Backup } from '../core/kept/backup'
import { expect, test } from './bench'

const MANY = 200
/** So many jobs more, the last ones the newest; every fourth off the bench. */
async function withMany(page: Page): Promise<Backup> {
  const file = (await (await page.request.get('/api/backup')).json()) as Backup
  const [job] = file.things.jobs
  const jobs = Array.from({ length: MANY }, (_, i) => {
    const at = new Date(Date.UTC(2020, 0, 1) + i * 3600_000).toISOString()
    const id = `0199a000-0000-7000-8000-${String(i).padStart(12, '0')}`
    const content = { ...(job!.content as object), name: `Order ${1000 + i}` }
    return { ...job!, id, createdAt: at, updatedAt: at, archivedAt: i % 4 ? null : at, content }
  })
  return { ...file, things: { ...file.things, jobs } }
}
const bringBack = (page: Page, file: Backup) =>
  page
    .getByLabel('File to bring back')
    .setInputFiles({ name: 'many.json', mimeType: 'application/json', buffer: Buffer.from(JSON.stringify(file)) })

test('many jobs come in parts, are found by their words, and go off the bench and back', async ({ page }) => {
  await page.goto('/')
  const file = await withMany(page)
  await page.getByRole('button', { name: 'Preferences' }).click()
  await bringBack(page, file)
  await expect(page.getByText(`${MANY} added`)).toBeVisible()
  await page.keyboard.press('Escape')

  const rows = page.getByRole('list', { name: 'Jobs on the bench' }).getByRole('listitem')
  await expect(rows).toHaveCount(30)
  const asked: string[] = []
  page.on('response', (response) => asked.push(response.url()))
  await page.reload()
  await expect(rows).toHaveCount(30)
  // One part of the jobs, and not the log of all.
  expect(asked.filter((url) => /api\/jobs.*limit=30/.test(url))).toHaveLength(1)
  await page.getByRole('button', { name: 'Show more, 125 are left' }).click()
  await expect(rows).toHaveCount(60)

  const find = page.getByLabel('Find a job')
  await find.fill('order 1101')
  await expect(rows).toHaveCount(1)
  await expect(rows.getByText('Order 1101')).toBeVisible()
  await rows.getByRole('button', { name: 'Take Order 1101 off the bench' }).click()
  await expect(page.getByText('Nothing on the bench is called so.')).toBeVisible()
  await page.getByText('Off the bench: 1').click()
  await page.getByRole('button', { name: 'Put Order 1101 back on the bench' }).click()
  await expect(rows).toHaveCount(1)
  await find.fill('no such order')
  await expect(rows).toHaveCount(0)
  await find.fill('')
  await expect(rows.first()).toContainText('Order 1101')

  // An old one opens, and what bears on it is there.
  await find.fill('order 1001')
  await expect(rows).toHaveCount(1)
  await rows.getByRole('link').click()
  await expect(page.getByLabel('Name of this job')).toHaveValue('Order 1001')
})

test.describe('bringing back', () => {
  test.use({ allowed: [/499|ERR_ABORTED|Failed to fetch/] })

  test('can be called off, and then changes nothing', async ({ page }) => {
    await page.goto('/')
    const file = await withMany(page)
    const many = Array.from({ length: 60 }, (_, n) =>
      file.things.jobs.map((job) => ({ ...job, id: job.id.replace('0199a000', `0199c${String(n).padStart(3, '0')}`) })),
    ).flat()
    await page.getByRole('button', { name: 'Preferences' }).click()
    await bringBack(page, { ...file, things: { ...file.things, jobs: many } })
    await page.getByRole('button', { name: 'Call it off' }).click()
    await expect(page.getByText('Called off. Nothing was changed.')).toBeVisible()
    const total = async () =>
      ((await (await page.request.get('/api/jobs?search=order')).json()) as { total: number }).total
    await expect.poll(total).toBeLessThan(MANY)
  })
})

test.describe('a second folder for copies', () => {
  test.use({ allowed: [/422/] })

  test('gets each snapshot, and what goes wrong with it is said on the screen', async ({ page }) => {
    const folder = mkdtempSync(join(tmpdir(), 'jaw-tilt-copies-'))
    await page.goto('/')
    await page.getByRole('button', { name: 'Preferences' }).click()
    const named = page.getByLabel('Second folder for copies')
    await named.fill('/no/such/folder')
    await page.getByRole('button', { name: 'Copy there' }).click()
    await expect(page.getByText('There is no such folder on the bench’s machine')).toBeVisible()
    await named.fill(folder)
    await page.getByRole('button', { name: 'Copy there' }).click()
    await expect(page.getByText(/^Last copy /)).toBeVisible()
    expect(readdirSync(folder)).toEqual([expect.stringMatching(/^20.*\.json\.gz$/)])
    rmSync(folder, { recursive: true })
    await page.reload()
    await expect(page.getByText(`The copy in ${folder} was not made.`)).toBeVisible()
    await page.getByRole('button', { name: 'Look into it' }).click()
    await named.fill('')
    await page.getByRole('button', { name: 'Copy there' }).click()
    await expect(page.getByText(`The copy in ${folder} was not made.`)).toBeHidden()
  })
})

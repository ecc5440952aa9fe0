import { mkdtempSync, readdirSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import type { Page } from '@playwright/test'
import type { Backup } from '../core/exchange/backup/backup'
import { expect, test } from './bench'

const MANY = 200
/** So many jobs more, each with a blade of its own, the last ones the newest; every fourth off the bench. */
async function withMany(page: Page): Promise<Backup> {
  const file = (await (await page.request.get('/api/backup')).json()) as Backup
  const [job] = file.things.jobs
  const made = job!.content as { bladeId: string }
  const blade = file.things.blades.find(({ id }) => id === made.bladeId)
  const more = Array.from({ length: MANY }, (_, i) => {
    const at = new Date(Date.UTC(2020, 0, 1) + i * 3600_000).toISOString()
    const [jobId, bladeId] = ['a', 'b'].map((d) => `0199${d}000-0000-7000-8000-${String(i).padStart(12, '0')}`)
    const when = { createdAt: at, updatedAt: at }
    const content = { ...made, bladeId, name: `Order ${1000 + i}` }
    const knife = { ...(blade!.content as object), name: `Knife ${1000 + i}`, use: i === 7 ? 'pollarding' : 'herbs' }
    return {
      job: { ...job!, ...when, id: jobId!, archivedAt: i % 4 ? null : at, content },
      blade: { ...blade!, ...when, id: bladeId!, archivedAt: i % 5 ? null : at, content: knife },
    }
  })
  return {
    ...file,
    things: { ...file.things, jobs: more.map((one) => one.job), blades: more.map((one) => one.blade) },
  }
}
const bringBack = (page: Page, file: Backup) =>
  page
    .getByLabel('File to import')
    .setInputFiles({ name: 'many.json', mimeType: 'application/json', buffer: Buffer.from(JSON.stringify(file)) })

test('many jobs come in parts, are found by their words, and go off the bench and back', async ({ page }) => {
  await page.goto('/')
  const file = await withMany(page)
  await page.getByRole('button', { name: 'Preferences' }).click()
  await bringBack(page, file)
  await expect(page.getByText(`${2 * MANY} added`)).toBeVisible()
  await page.keyboard.press('Escape')

  const rows = page.getByRole('list', { name: 'Jobs on the bench' }).getByRole('listitem')
  await expect(rows).toHaveCount(30)
  const asked: string[] = []
  page.on('response', (response) => asked.push(response.url()))
  await page.reload()
  await expect(rows).toHaveCount(30)
  // One part of the jobs, and not the log of all.
  expect(asked.filter((url) => /api\/jobs.*limit=30/.test(url))).toHaveLength(1)
  await page.getByRole('button', { name: 'Show more, 133 are left' }).click()
  await expect(rows).toHaveCount(60)

  const find = page.getByLabel('Find a job')
  await find.fill('order 1101')
  await expect(rows).toHaveCount(1)
  await expect(rows.getByText('Order 1101')).toBeVisible()
  await rows.getByRole('button', { name: 'Archive Order 1101' }).click()
  await expect(page.getByText('No job on the bench is like that.')).toBeVisible()
  await page.getByText('Archived: 1').click()
  await page.getByRole('button', { name: 'Unarchive Order 1101' }).click()
  await expect(rows).toHaveCount(1)
  await find.fill('no such order')
  await expect(rows).toHaveCount(0)
  await find.fill('')
  await expect(rows.first()).toContainText('Order 1101')

  // An old one opens, and what bears on it is there.
  await find.fill('order 1001')
  await expect(rows).toHaveCount(1)
  await rows.getByRole('link', { name: 'Order 1001' }).click()
  await expect(page.getByLabel('Name of this job')).toHaveValue('Order 1001')

  // So do the blades: the one done last first, found by what it is for; with it a job is started.
  await page.goto('/start')
  const blades = page.getByRole('main').getByRole('listitem')
  await expect(blades).toHaveCount(30)
  await page.getByLabel('Find a blade').fill('pollarding')
  await expect(blades).toHaveCount(1)
  await blades.getByRole('button').click()
  await expect(page.getByLabel('Name of this job')).toHaveValue('Knife 1007')
  await page.goto('/shelf')
  const shelf = page.getByRole('region', { name: 'Blades' })
  await expect(shelf.getByRole('radio')).toHaveCount(30)
  await expect(shelf.getByRole('radio').first()).toHaveAccessibleName(/Knife 1007/)
  await shelf.getByText('Archived: 40').click()
  await expect(shelf.getByRole('button', { name: /^Unarchive Knife/ })).toHaveCount(30)
  await shelf.getByRole('button', { name: 'Show more, 10 are left' }).click()
  await shelf.getByRole('button', { name: 'Unarchive Knife 1000' }).click()
  await expect(shelf.getByText('Archived: 39')).toBeVisible()
  await expect(shelf.getByRole('radio').first()).toHaveAccessibleName(/Knife 1000/)
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
    expect(readdirSync(folder)).toEqual([expect.stringMatching(/^[\da-f]{12}-20.*\.json\.gz$/)])
    rmSync(folder, { recursive: true })
    await page.reload()
    await expect(page.getByText(`The copy in ${folder} was not made.`)).toBeVisible()
    await page.getByRole('button', { name: 'Look into it' }).click()
    await named.fill('')
    await page.getByRole('button', { name: 'Copy there' }).click()
    await expect(page.getByText(`The copy in ${folder} was not made.`)).toBeHidden()
  })
})

// The last: the server is busy with it for a while.
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
    await page.getByRole('button', { name: 'Cancel' }).click()
    await expect(page.getByText('Cancelled. Nothing was changed.')).toBeVisible()
    const total = async () =>
      ((await (await page.request.get('/api/jobs?search=order')).json()) as { total: number }).total
    await expect.poll(total).toBeLessThan(MANY)
  })
})

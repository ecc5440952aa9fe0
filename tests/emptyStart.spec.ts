import { mkdtempSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { expect, test } from './bench'
import { freePort, startServer, stopServer, type BuiltServer } from './builtServer'

const PORT = await freePort()
const url = (path: string) => `http://127.0.0.1:${PORT}${path}`
let server: BuiltServer
test.beforeAll(async () => {
  server = startServer(PORT, { JAW_TILT_DATA: mkdtempSync(join(tmpdir(), 'jaw-tilt-empty-')) })
  await server.ready()
})
test.afterAll(() => stopServer(server))

test('an empty start leads to a rig, a blade and a stone of one’s own, without a job, and then to the first job', async ({
  page,
}) => {
  await page.goto(url('/'))
  const begin = page.getByRole('region', { name: 'Getting started' })
  await expect(begin.getByRole('link')).toHaveText(['Describe your rig', 'Describe your blade', 'Describe your stone'])
  const samples = page.getByRole('region', { name: 'Samples' })
  await expect(samples.getByRole('button', { name: 'Add the samples' })).toBeVisible()
  await expect(page.getByRole('button', { name: 'Start a job' })).toHaveCount(0)

  await begin.getByRole('link', { name: 'Describe your stone' }).click()
  const stone = page.getByRole('dialog', { name: 'A new stone' })
  await stone.getByLabel('Name').fill('Bench stone')
  await stone.getByLabel('Grit number').fill('220')
  await stone.getByLabel('Pivot’s end').fill('6')
  await stone.getByLabel('Far end').fill('6')
  await stone.getByRole('button', { name: 'Save', exact: true }).click()
  await expect(stone).toBeHidden()
  // From the shelf itself it is asked for as often as one likes.
  for (let i = 0; i < 2; i++) {
    await page.keyboard.press('Control+k')
    await page.getByPlaceholder('What do you want to do?').fill('new stone')
    await page.keyboard.press('Enter')
    await expect(stone).toBeVisible()
    await page.keyboard.press('Escape')
    await expect(stone).toBeHidden()
  }
  await page.getByRole('link', { name: 'The bench' }).click()
  await expect(begin).toContainText('3. Your stone is described')

  await begin.getByRole('link', { name: 'Describe your blade' }).click()
  const blade = page.getByRole('form', { name: 'Blade' })
  await blade.getByRole('button', { name: 'Thickness', exact: true }).click()
  await blade.getByLabel('Spine over the heel').fill('2.4')
  await blade.getByLabel('Behind the edge, over the heel').fill('0.4')
  await blade.getByLabel('Height of the primary grind').fill('14')
  await blade.getByRole('button', { name: 'What it is for', exact: true }).click()
  await blade.getByLabel('Name').fill('Garden knife')
  await blade.getByRole('button', { name: 'Save this blade' }).click()
  await expect(page.getByRole('radio', { name: 'Garden knife' })).toBeVisible()

  // A rig may begin with the measures of a sample; it is one's own, and is named.
  await page.goto(url('/'))
  await begin.getByRole('link', { name: 'Describe your rig' }).click()
  const rig = page.getByRole('form', { name: 'Rig' })
  await rig.getByLabel('Name').first().fill('Garden turner')
  await rig.getByRole('button', { name: 'Window-bench turner' }).click()
  await expect(rig.getByRole('button', { name: 'Window-bench turner' })).toHaveCount(0)
  await rig.getByRole('button', { name: /^6: / }).click()
  await rig.getByRole('button', { name: 'Save this rig' }).click()
  await expect(page.getByRole('radio', { name: 'Garden turner' })).toBeVisible()

  await page.goto(url('/'))
  await expect(page.getByText('No job is on the bench.')).toBeVisible()
  await page.getByRole('link', { name: 'Start a job' }).click()
  await page.getByRole('button', { name: /^Garden knife.*not done here yet$/ }).click()
  await expect(page.getByRole('heading', { name: 'Which rig?' })).toBeVisible()

  // Off the bench it has its place, and comes back from there.
  await page.goto(url('/'))
  await page.getByRole('button', { name: 'Archive Garden knife' }).click()
  await page.getByText('Archived: 1').click()
  await page.getByRole('button', { name: 'Unarchive Garden knife' }).click()
  await expect(page.getByRole('link', { name: 'Garden knife' })).toBeVisible()
})

test('samples are laid out beside what is one’s own, marked, and taken away together; what is used stays', async ({
  page,
}) => {
  await page.goto(url('/shelf'))
  const samples = page.getByRole('region', { name: 'Samples' })
  await samples.getByRole('button', { name: 'Add the samples' }).click()
  await expect(page.getByRole('radio', { name: /Tea-room chef’s knife.*sample/ })).toBeVisible()
  await expect(page.getByRole('radio', { name: /^Garden knife/ })).not.toHaveAccessibleName(/sample/)

  // A job of one's own on a sample blade, begun as the sample job with it was done.
  await page.goto(url('/start'))
  await page.getByRole('button', { name: /^Tea-room chef’s knife.*on Window-bench turner$/ }).click()
  await expect(page.getByTestId('held-as')).toContainText('Held as in Chef’s knife, weekly')
  await expect(page.getByLabel('Name of this job')).toHaveValue('Tea-room chef’s knife')

  await page.goto(url('/'))
  await expect(page.getByRole('link', { name: /sample$/ })).toHaveCount(13)
  await samples.getByRole('button', { name: 'Remove the samples' }).click()
  await expect(page.getByText(/^\d+ stay: jobs of your own go on with them\.$/)).toBeVisible()
  await expect(page.getByRole('link', { name: /sample$/ })).toHaveCount(0)
  await expect(page.getByRole('link', { name: 'Tea-room chef’s knife' })).toBeVisible()
  await page.getByRole('button', { name: 'Undo', exact: true }).click()
  await expect(page.getByRole('link', { name: /sample$/ })).toHaveCount(13)
})

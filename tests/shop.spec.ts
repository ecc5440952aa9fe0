import type { Page } from '@playwright/test'
import { expect, test } from './bench'

const ACCOUNT = 'Canteen by the lake'
const KNIVES = 12

// A name that is taken is refused by the server.
test.use({ allowed: [/422/] })

/** Describes a blade for an owner from its page: the library's shape as it is, with what has no usual value. */
async function describeBlade(page: Page, name: string) {
  await page.getByRole('link', { name: 'A new blade' }).click()
  await page.getByRole('button', { name: 'Next' }).click()
  for (const [label, value] of [
    ['Spine over the heel', '1.8'],
    ['Behind the edge, over the heel', '0.3'],
    ['Height of the primary grind', '18'],
  ] as const)
    await page.getByLabel(label, { exact: true }).fill(value)
  await page.getByRole('button', { name: 'Next' }).click()
  await page.getByLabel('Name', { exact: true }).fill(name)
  await expect(page.getByLabel('Owner', { exact: true })).toHaveValue(ACCOUNT)
  await page.getByRole('button', { name: 'Save' }).click()
}

test('a shop’s day: an account with twelve knives, from its name to their tickets', async ({ page }) => {
  await page.goto('/owners')
  await page.getByRole('button', { name: 'New owner' }).click()
  const form = page.getByRole('form', { name: 'Owner' })
  await form.getByRole('button', { name: 'Save' }).click()
  await expect(form.getByLabel('Name')).toHaveAttribute('aria-invalid', 'true')
  await form.getByLabel('Name').fill('Lodge kitchen')
  await form.getByRole('button', { name: 'Save' }).click()
  await expect(form.getByText('There is another of this name.').first()).toBeVisible()
  await form.getByLabel('Name').fill(ACCOUNT)
  await form.getByLabel('How to reach them').fill('Fridays, the blue door')
  await form.getByLabel('Wishes').fill('Every edge at 16° per side.')
  await form.getByRole('button', { name: 'Save' }).click()
  await expect(page.getByRole('heading', { name: ACCOUNT })).toBeVisible()
  const account = new URL(page.url()).pathname

  await describeBlade(page, 'Canteen knife')
  await page.goto(account)
  await expect(page.getByRole('heading', { name: 'Blades: 1' })).toBeVisible()
  await page.getByLabel('How many').fill('eleven')
  await page.getByRole('button', { name: 'Add them' }).click()
  await expect(page.getByText(/whole number/)).toBeVisible()
  await page.getByLabel('How many').fill(String(KNIVES - 1))
  await page.getByRole('button', { name: 'Add them' }).click()
  await expect(page.getByRole('heading', { name: `Blades: ${KNIVES}` })).toBeVisible()

  await page.getByRole('link', { name: 'Start jobs' }).click()
  await page.getByLabel('Wanted angle per side').fill('16')
  await page.getByLabel('Wanted back on').fill('2031-05-09')
  await page.getByRole('button', { name: 'Choose all that are not on the bench' }).click()
  await page.getByRole('button', { name: `Start ${KNIVES} jobs` }).click()
  await expect(page.getByRole('list', { name: 'Their jobs on the bench' }).getByRole('listitem')).toHaveCount(KNIVES)

  await page.getByRole('link', { name: 'Tickets' }).click()
  const tickets = page.getByRole('article', { name: /^Ticket of/ })
  await expect(tickets).toHaveCount(KNIVES)
  await expect(tickets.first()).toContainText('Fridays, the blue door')
  await expect(tickets.first()).toContainText('2031-05-09')
  await expect(tickets.first()).toContainText('16.0° per side')

  // The day on the home page: one line for the batch, and the list by whose it is and where it stands.
  await page.goto('/')
  await expect(page.getByTestId('today').getByRole('link', { name: ACCOUNT })).toBeVisible()
  await expect(page.getByTestId('today')).toContainText('12 blades, due 2031-05-09; 0 ready')
  await page.getByLabel('Whose job it is').click()
  await page.getByRole('option', { name: ACCOUNT }).click()
  const jobs = page.getByRole('list', { name: 'Jobs on the bench' }).getByRole('listitem')
  await expect(jobs).toHaveCount(KNIVES)
  await page.getByLabel('Where the job stands').click()
  await page.getByRole('option', { name: 'Ready to be handed back' }).click()
  await expect(page.getByText('No job on the bench is like that.')).toBeVisible()

  // Its name is changed, and stays that of its blades.
  await page.goto(account)
  await page.getByRole('button', { name: 'Change' }).click()
  await form.getByLabel('Name').fill('Lake canteen')
  await form.getByRole('button', { name: 'Save' }).click()
  await expect(page.getByRole('heading', { name: 'Lake canteen' })).toBeVisible()
  await expect(page.getByRole('heading', { name: `Blades: ${KNIVES}` })).toBeVisible()
})

test('rig and stone have records, a term is explained at its label, and the owner is told on one page', async ({
  page,
}) => {
  await page.goto('/shelf')
  await page.locator('.choice-card', { hasText: 'Low table' }).click()
  await page.getByRole('link', { name: 'Record' }).click()
  await expect(page.getByRole('table')).toContainText('Scion knife, 730 days ago')
  const [file] = await Promise.all([page.waitForEvent('download'), page.getByRole('button', { name: 'JSON' }).click()])
  expect(file.suggestedFilename()).toBe('Low table, record.json')
  await page.getByRole('link', { name: 'The shelf' }).click()
  await page.locator('.choice-card', { hasText: 'Plain No. 4' }).click()
  await page.getByRole('button', { name: 'Wear log' }).click()
  await page.getByRole('link', { name: 'Its whole record' }).click()
  await expect(page.getByText('A hundred strokes take')).toBeVisible()

  await page.goto('/shelf/rig')
  await page.getByRole('button', { name: 'Next' }).click()
  const help = page.getByRole('button', { name: 'What is meant by “Setback”?' }).first()
  while (!(await help.isVisible())) await page.getByRole('button', { name: 'Next' }).click()
  await help.press('Enter')
  await expect(page.getByText(/behind the front of the jaws|behind the jaws/).last()).toBeVisible()
  await page.keyboard.press('Escape')

  await page.goto('/')
  await page.getByRole('link', { name: 'Pocket knife from the gate' }).click()
  await page.getByRole('link', { name: /^Use/ }).click()
  await page.getByRole('link', { name: 'Ticket', exact: true }).click()
  await expect(page.getByText('Edge angle per side: A 20.4° ± 0.2°, measured.')).toBeVisible()
  await expect(page.getByText(/Pull-through sharpeners/)).toBeVisible()
})
